// @vitest-environment node
import { expect, it } from 'vitest';
import { barsWords } from './words.ts';

it('says bar numbers as a teacher would', () => {
  expect(barsWords([7])).toBe('bar 7');
  expect(barsWords([4, 7])).toBe('bars 4 and 7');
  expect(barsWords([1, 2, 3, 4, 8])).toBe('bars 1 to 4 and 8');
  expect(barsWords([1, 2, 5])).toBe('bars 1, 2 and 5');
  expect(barsWords([0])).toBe('in the pickup');
  expect(barsWords([0, 3])).toBe('bars pickup and 3');
});
