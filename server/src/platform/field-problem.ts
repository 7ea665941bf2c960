import { PLAIN_CODES, type FieldProblem, type PlainCode } from '@escalier/contract/field-problems';
import type * as z from 'zod/mini';

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
