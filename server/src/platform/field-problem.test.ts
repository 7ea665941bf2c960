import { describe, expect, it } from 'vitest';
import * as z from 'zod/mini';
import { localDate, text, timeZone, typed, whole } from '@escalier/contract/fields';
import { problemOf } from './field-problem.ts';

/** What is first wrong with a value. */
function wrongWith(schema: z.ZodMiniType, value: unknown) {
  const read = schema.safeParse(value);
  expect(read.success).toBe(false);
  return problemOf(read.error!.issues[0]!);
}

describe('what a schema finds wrong', () => {
  it.each<[string, z.ZodMiniType, unknown, object]>([
    ['nothing', z.string(), undefined, { code: 'missing' }],
    ['an empty name', typed(1, 40), ' ', { code: 'missing' }],
    ['a long text', text().check(z.maxLength(40)), 'x'.repeat(41), { code: 'too-long', most: 40 }],
    ['a high number', whole.check(z.lte(200)), 201, { code: 'too-high', most: 200 }],
    ['a low number', whole, -1, { code: 'too-low', least: 0 }],
    ['a part of a number', z.int(), 1.5, { code: 'not-whole' }],
    ['words for a number', z.int(), 'three', { code: 'missing' }],
    ['no seconds at all', z.coerce.number().check(z.positive()), '0', { code: 'wrong' }],
    ['a long list', z.array(z.int()).check(z.maxLength(1)), [1, 2], { code: 'too-many', most: 1 }],
    ['an empty list', z.array(z.int()).check(z.minLength(1)), [], { code: 'too-few', least: 1 }],
    ['none of the choices', z.enum(['a', 'b']), 'c', { code: 'not-a-choice' }],
    ['no choice', z.uuid(), '', { code: 'not-a-choice' }],
    ['no e-mail', z.email(), 'mara', { code: 'not-email' }],
    ['other letters', z.string().check(z.regex(/^[a-z]+$/)), 'Ä', { code: 'wrong' }],
    ['half a character', text(), '\ud800', { code: 'not-storable' }],
    ['no day', localDate, '31.1.2026', { code: 'not-date' }],
    ['a day long ago', localDate, '1066-10-14', { code: 'out-of-time' }],
    ['no place', timeZone, 'Moon/Crater', { code: 'not-zone' }],
    [
      'a short password',
      text().check(z.minLength(12, 'short-password')),
      'secret',
      { code: 'short-password', least: 12 },
    ],
  ])('%s', (_, schema, value, problem) => {
    expect(wrongWith(schema, value)).toEqual(problem);
  });

  it('carries the facts of a rule of our own', () => {
    const ladder = z
      .array(z.int())
      .check(z.refine((rungs) => rungs.length >= 3, { message: 'rungs', params: { least: 3, most: 6 } }));
    expect(wrongWith(ladder, [1])).toEqual({ code: 'rungs', least: 3, most: 6 });
    expect(wrongWith(ladder.check(z.refine(() => false)), [1, 2, 3])).toEqual({ code: 'wrong' });
  });
});
