import type { z } from 'zod';

/** What can be wrong with a field and needs no further facts. */
const PLAIN_CODES = [
  ...['missing', 'wrong', 'not-whole', 'not-a-choice', 'unknown', 'twice', 'too-much', 'first-last', 'not-storable'],
  ...[
    'not-date',
    'out-of-time',
    'not-time',
    'not-zone',
    'not-email',
    'not-note',
    'not-colour',
    'too-pale',
    'not-sound',
    'sound-empty',
    'sound-without-length',
  ],
  ...['main-first', 'minutes-apart', 'heard-or-undone', 'no-note-there', 'on-no-step', 'lesson-full', 'no-lesson'],
  ...['day-over', 'three-words', 'belt-not-passed', 'leaves-before-joining', 'in-class-already', 'not-in-class'],
  ...['left-class', 'personal-password', 'easy-password', 'not-password', 'wrong-code', 'email-taken'],
] as const;
export type PlainCode = (typeof PLAIN_CODES)[number];

type Code<Codes extends string, Facts> = { readonly code: Codes } & Readonly<Facts>;

/** What is wrong with a field, as facts: the web says it. Only what a file has wrong is a sentence, with its bar. */
export type FieldProblem =
  | Code<PlainCode, unknown>
  | Code<'too-long' | 'too-high' | 'too-many' | 'too-many-days' | 'bars' | 'sound-too-long', { most: number }>
  | Code<'too-low' | 'too-few' | 'short-password', { least: number }>
  | Code<'rungs', { least: number; most: number }>
  | Code<'file', { words: string }>
  | Code<'in-archive', { at: string; problem: FieldProblem }>
  | Code<'name-taken' | 'has-left' | 'held-by' | 'other-stairs' | 'only-owner' | 'email-elsewhere', { name: string }>
  | Code<'no-step' | 'lent-number', { number: number }>
  | Code<'numbers-taken', { numbers: readonly number[] }>
  | Code<'condition', { number: number; condition: string }>
  | Code<'other-length', { seconds: number }>
  | Code<'same-tune', { id: string }>;

const isPlain = (code: string): code is PlainCode => (PLAIN_CODES as readonly string[]).includes(code);

/** What a schema found, where its own message is one of the codes or none. */
export function problemOf(issue: z.core.$ZodIssue): FieldProblem {
  const { message } = issue;
  if (isPlain(message)) return { code: message };
  if (issue.code === 'too_big') return { code: TOO_BIG[issue.origin] ?? 'too-high', most: Number(issue.maximum) };
  if (issue.code === 'too_small') return tooSmall(issue);
  if (issue.code === 'invalid_format') return { code: FORMATS[issue.format] ?? 'wrong' };
  if (issue.code === 'invalid_type') return { code: issue.expected === 'int' ? 'not-whole' : 'missing' };
  if (issue.code === 'invalid_value' || issue.code === 'invalid_union') return { code: 'not-a-choice' };
  // Only a schema of ours has facts of its own.
  if (issue.code === 'custom' && issue.params !== undefined) return { code: message, ...issue.params } as FieldProblem;
  return { code: 'wrong' };
}

const TOO_BIG: Readonly<Record<string, 'too-long' | 'too-many'>> = { string: 'too-long', array: 'too-many' };
const FORMATS: Readonly<Record<string, PlainCode>> = { email: 'not-email', uuid: 'not-a-choice' };

function tooSmall({ message, origin, minimum, inclusive }: z.core.$ZodIssueTooSmall): FieldProblem {
  const least = Number(minimum);
  if (message === 'short-password') return { code: message, least };
  if (origin === 'string') return { code: 'missing' };
  if (origin === 'array') return { code: 'too-few', least };
  return inclusive === true ? { code: 'too-low', least } : { code: 'wrong' };
}
