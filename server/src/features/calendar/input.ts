import { z } from 'zod';
import { localDate, text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

const MOST_TERM_DAYS = 400;
const DAY = 86_400_000;

const daysOff = z
  .object({ from: localDate, to: localDate, reason: text().trim().min(1, 'Say what the day is off for.').max(100) })
  .refine((off) => off.from <= off.to, 'The last day off comes before the first.');

const termFields = z.object({
  name: text().trim().min(1, 'Give the term a name.').max(80, 'At most 80 letters.'),
  startsOn: localDate,
  endsOn: localDate,
  daysOff: z.array(daysOff).max(200, 'At most 200 entries.'),
  rotation: z.object({
    firstWeek: z.enum(['A', 'B']),
    emptyWeeksCount: z.boolean(),
    cycleDays: z.int('A whole number.').min(0).max(20, 'At most 20 days in a cycle.'),
  }),
});

type Days = Pick<z.infer<typeof termFields>, 'startsOn' | 'endsOn'>;

const runsForward = (term: Days): boolean => term.startsOn < term.endsOn;
const isTermLong = (term: Days): boolean => Date.parse(term.endsOn) - Date.parse(term.startsOn) <= MOST_TERM_DAYS * DAY;
const BACKWARD = { path: ['endsOn'], message: 'The term ends before it begins.' };
const TOO_LONG = { path: ['endsOn'], message: `A term has at most ${MOST_TERM_DAYS} days.` };

export const termInput = termFields.refine(runsForward, BACKWARD).refine(isTermLong, TOO_LONG);
export type TermInput = z.infer<typeof termInput>;

export const termChange = termFields.extend({ version }).refine(runsForward, BACKWARD).refine(isTermLong, TOO_LONG);
export type TermChange = z.infer<typeof termChange>;
