// @vitest-environment node
import { expect, it } from 'vitest';
import { previewOf } from './english-preview.ts';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ');

it.each([
  [
    'en-GB',
    'pupil',
    'Each pupil practises bar 3: one crotchet is a different colour.” Tuesday 3 February, 9:05 am. Paper: A4.',
  ],
  [
    'en-GB',
    'student',
    'Each student practises bar 3: one crotchet is a different colour.” Tuesday 3 February, 9:05 am. Paper: A4.',
  ],
  [
    'en-US',
    'student',
    'Each student practices measure 3: one quarter note is a different color.” Tuesday, February 3, 9:05 am. Paper: Letter.',
  ],
] as const)('a school sees what %s with its %ss reads like before it chooses', (locale, pupils, line) => {
  expect(plain(previewOf({ locale, pupils }))).toBe(`For example: “${line}`);
});
