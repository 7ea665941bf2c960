import { z } from 'zod';

const date = z.iso.date('A date such as 2026-01-31.');
const MOST_TERM_DAYS = 400;
const DAY = 86_400_000;

const daysOff = z
  .object({ from: date, to: date, reason: z.string().trim().min(1, 'Say what the day is off for.').max(100) })
  .refine((off) => off.from <= off.to, 'The last day off comes before the first.');

export const termInput = z
  .object({
    name: z.string().trim().min(1, 'Give the term a name.').max(80, 'At most 80 letters.'),
    startsOn: date,
    endsOn: date,
    daysOff: z.array(daysOff).max(200, 'At most 200 entries.'),
    rotation: z.object({
      firstWeek: z.enum(['A', 'B']),
      emptyWeeksCount: z.boolean(),
      cycleDays: z.int('A whole number.').min(0).max(20, 'At most 20 days in a cycle.'),
    }),
  })
  .refine((term) => term.startsOn < term.endsOn, { path: ['endsOn'], message: 'The term ends before it begins.' })
  .refine((term) => Date.parse(term.endsOn) - Date.parse(term.startsOn) <= MOST_TERM_DAYS * DAY, {
    path: ['endsOn'],
    message: `A term has at most ${MOST_TERM_DAYS} days.`,
  });
export type TermInput = z.infer<typeof termInput>;
