// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { fieldsInWords, fieldWords } from './field-words.ts';

describe('what is wrong with a field', () => {
  it('is said with its facts', () => {
    expect(fieldWords({ code: 'too-long', most: 4000 })).toBe('At most 4,000 letters.');
    expect(fieldWords({ code: 'too-few', least: 1 })).toBe('At least one.');
    expect(fieldWords({ code: 'numbers-taken', numbers: [3] })).toBe('Number 3 already exists.');
    expect(fieldWords({ code: 'numbers-taken', numbers: [3, 4, 9] })).toBe('Numbers 3, 4 and 9 already exist.');
    expect(fieldWords({ code: 'file', words: 'Bar 3 has a beat too many.' })).toBe('Bar 3 has a beat too many.');
  });

  it('in an archive is said with its place', () => {
    const problem = { code: 'name-taken', name: 'Aino' } as const;
    expect(fieldWords({ code: 'in-archive', at: 'pupils.3.name', problem })).toBe(
      'This isn’t a school archive: at pupils.3.name: Aino is already in this class. Add a letter to tell them apart.',
    );
    expect(fieldWords({ code: 'in-archive', at: 'terms', problem: { code: 'missing' } })).toMatch(
      /terms: Something is missing here\.$/,
    );
  });

  it('stands at its field, and nowhere where nothing is wrong', () => {
    expect(fieldsInWords({ email: { code: 'not-email' } })).toEqual({ email: 'Please give an e-mail address.' });
    expect(fieldsInWords(undefined)).toEqual({});
  });
});
