import { z } from 'zod';
import { localDate, text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

const MOST_TERM_DAYS = 400;
const DAY = 86_400_000;

const daysOff = z
  .object({ from: localDate, to: localDate, reason: text().trim().min(1).max(100) })
  .refine((off) => off.from <= off.to, 'first-last');

const termFields = z.object({
  name: text().trim().min(1).max(80),
  startsOn: localDate,
  endsOn: localDate,
  daysOff: z.array(daysOff).max(200),
  rotation: z.object({
    firstWeek: z.enum(['A', 'B']),
    emptyWeeksCount: z.boolean(),
    cycleDays: z.int().min(0).max(20),
  }),
});

/** What holds for the days of a term wherever it comes from: a form or an archive. */
export function withDays<T extends z.ZodType<{ readonly startsOn: string; readonly endsOn: string }>>(term: T): T {
  return term
    .refine((read) => read.startsOn < read.endsOn, { path: ['endsOn'], message: 'first-last' })
    .refine((read) => Date.parse(read.endsOn) - Date.parse(read.startsOn) <= MOST_TERM_DAYS * DAY, {
      path: ['endsOn'],
      message: 'too-many-days',
      params: { most: MOST_TERM_DAYS },
    });
}

export const termInput = withDays(termFields);
export type TermInput = z.infer<typeof termInput>;

export const termChange = withDays(termFields.extend({ version }));
export type TermChange = z.infer<typeof termChange>;
