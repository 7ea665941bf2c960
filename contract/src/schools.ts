import { TEMPLATE_IDS, type TemplateId } from '@escalier/core/handouts';
import { LETTERS } from '@escalier/core/music';
import { CAUTION_PLACES, contrastWithWhite, LEAST_CONTRAST, type Caution } from '@escalier/core/practice';
import type { Remark } from '@escalier/core/records';
import * as z from 'zod/mini';
import { different, type ReadOf, remarkId, text, timeZone, typed, version } from './fields.ts';
import { english } from './english.ts';
import { schoolName } from './people.ts';

const colour = z.string().check(
  z.regex(/^#[0-9a-f]{6}$/, 'not-colour'),
  z.refine((each) => contrastWithWhite(each) >= LEAST_CONTRAST, 'too-pale'),
);

/** Name, clock and English of a school. */
export const SchoolInput = z.object({
  name: schoolName,
  timeZone,
  english,
  /** Of note heads, by letter; null for the usual ones. */
  noteColours: z._default(z.nullable(z.record(z.enum(LETTERS), colour)), null),
  version,
});
export type SchoolInput = z.output<typeof SchoolInput>;

const cautionPlaces = z.array(z.enum(CAUTION_PLACES));

/** A caution that is shown where it matters, or one that the school has put away. */
export const SchoolCaution = z.object({
  id: z.string(),
  text: z.string(),
  places: cautionPlaces,
  shown: z.boolean(),
}) satisfies z.ZodMiniType<Caution>;
export type SchoolCaution = ReadOf<typeof SchoolCaution>;
export const cautionList = z.object({ cautions: z.array(SchoolCaution), version });

const cautionInput = z.extend(SchoolCaution, {
  id: text().check(z.minLength(1), z.maxLength(60)),
  text: typed(1, 300),
  places: cautionPlaces.check(z.minLength(1)),
});
export const CautionsInput = z.object({
  version,
  cautions: different(z.array(cautionInput).check(z.maxLength(40)), ({ id }) => id),
});
export type CautionsInput = z.output<typeof CautionsInput>;

const MOST_REMARKS = 20;
const remark = z.object({ id: z.string(), words: z.string(), remedy: z.string() }) satisfies z.ZodMiniType<Remark>;
export const remarkList = z.object({ remarks: z.array(remark), version });

const remarkInput = z.object({ id: remarkId, words: typed(1, 24), remedy: typed(0, 160) });
export const RemarksInput = z.object({
  version,
  remarks: different(z.array(remarkInput).check(z.minLength(1), z.maxLength(MOST_REMARKS)), ({ id }) => id),
});
export type RemarksInput = z.output<typeof RemarksInput>;

const SchoolTemplates = z.record(z.enum(TEMPLATE_IDS), z.string()) satisfies z.ZodMiniType<
  Readonly<Record<TemplateId, string>>
>;
/** Words with fields such as {class}; empty for the usual ones. */
export type SchoolTemplates = ReadOf<typeof SchoolTemplates>;
export const templateList = z.object({ templates: SchoolTemplates, version });
export const TemplatesInput = z.object({
  version,
  templates: z.record(z.enum(TEMPLATE_IDS), text().check(z.maxLength(4000))),
});
export type TemplatesInput = z.output<typeof TemplatesInput>;
