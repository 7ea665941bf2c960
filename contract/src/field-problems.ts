import * as z from 'zod/mini';
import { count, id, type ReadOf } from './fields.ts';

/** What can be wrong with a field and needs no further facts. */
export const PLAIN_CODES = [
  ...['missing', 'wrong', 'not-whole', 'not-a-choice', 'unknown', 'twice', 'too-much', 'first-last', 'not-storable'],
  ...['not-date', 'out-of-time', 'not-time', 'not-zone', 'not-email', 'not-note', 'not-colour', 'too-pale'],
  ...['not-sound', 'sound-empty', 'sound-without-length'],
  ...['main-first', 'minutes-apart', 'heard-or-undone', 'no-note-there', 'on-no-step', 'lesson-full', 'no-lesson'],
  ...['day-over', 'three-words', 'belt-not-passed', 'leaves-before-joining', 'in-class-already', 'not-in-class'],
  ...['left-class', 'personal-password', 'easy-password', 'not-password', 'wrong-code', 'email-taken'],
] as const;
export type PlainCode = (typeof PLAIN_CODES)[number];

const most = z.number();
const least = z.number();
const name = z.string();
const number = count;

const ownFacts = [
  z.object({ code: z.enum(PLAIN_CODES) }),
  z.object({ code: z.enum(['too-long', 'too-high', 'too-many', 'too-many-days', 'bars', 'sound-too-long']), most }),
  z.object({ code: z.enum(['too-low', 'too-few', 'short-password']), least }),
  z.object({ code: z.literal('rungs'), least, most }),
  /** What a file has wrong is a sentence, with its bar or line. */
  z.object({ code: z.literal('file'), words: z.string() }),
  z.object({
    code: z.enum(['name-taken', 'has-left', 'held-by', 'other-stairs', 'only-owner', 'email-elsewhere']),
    name,
  }),
  z.object({ code: z.enum(['no-step', 'lent-number']), number }),
  z.object({ code: z.literal('numbers-taken'), numbers: z.array(number) }),
  z.object({ code: z.literal('condition'), number, condition: z.string() }),
  z.object({ code: z.literal('other-length'), seconds: z.number() }),
  z.object({ code: z.literal('same-tune'), id }),
] as const;
const ownProblem = z.discriminatedUnion('code', ownFacts);

/** What is wrong with a field, as facts: whoever shows it says it. */
export const FieldProblem = z.discriminatedUnion('code', [
  ...ownFacts,
  /** `at` is the path to the place. */
  z.object({ code: z.literal('in-archive'), at: z.string(), problem: ownProblem }),
]);
export type FieldProblem = ReadOf<typeof FieldProblem>;
export type FieldProblems = Readonly<Record<string, FieldProblem>>;

/** A refusal as a page needs it that shows who changed what nowhere. */
export const PlainRefusal = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    fields: z.optional(z.record(z.string(), FieldProblem)),
  }),
});
