import { MOST_ABC_CHARACTERS } from '@escalier/core/formats';
import * as z from 'zod/mini';
import { count, id, type ReadOf, text, version } from './fields.ts';

export const newTune = z.object({ abc: text().check(z.maxLength(MOST_ABC_CHARACTERS)) });
export const TuneChange = z.extend(newTune, { version });
export type TuneChange = z.output<typeof TuneChange>;

export const TuneDto = z.object({
  id,
  title: z.string(),
  abc: z.string(),
  /** Used by a staircase: it cannot be deleted. */
  onStaircase: z.boolean(),
  /** Hidden from the library, kept for the results that name it. */
  archived: z.boolean(),
  version,
});
export type TuneDto = ReadOf<typeof TuneDto>;
export const tuneList = z.array(TuneDto);

/** Who needs a tune. */
export const TuneUse = z.object({
  steps: z.array(z.object({ staircase: z.string(), position: z.int().check(z.gte(1)) })),
  /** Results of pupils that name it. */
  results: count,
  archived: z.boolean(),
});
export type TuneUse = ReadOf<typeof TuneUse>;

/** A tune with results goes to the archive instead. */
export const tuneGone = z.object({ archived: z.boolean() });
