// @vitest-environment node
import { inEnglish } from '@escalier/messages';
import { describe, expect, it } from 'vitest';
import { longDate, moment, shortDate, timeOfDay } from './dates.ts';

const british = <T>(say: () => T): T => inEnglish({ locale: 'en-GB', pupils: 'pupil' }, say);
const american = <T>(say: () => T): T => inEnglish({ locale: 'en-US', pupils: 'student' }, say);
const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ');

describe('dates and times', () => {
  it.each([
    [() => longDate('2026-02-03'), 'Tuesday 3 February', 'Tuesday, February 3'],
    [() => shortDate('2026-12-01'), '1 Dec', 'Dec 1'],
    [() => timeOfDay('09:58'), '9:58 am', '9:58 am'],
    [() => timeOfDay('12:30'), '12:30 pm', '12:30 pm'],
    [() => timeOfDay('00:05'), '12:05 am', '12:05 am'],
    [() => moment('2026-03-03T10:20:00Z', 'UTC'), '3 Mar, 10:20 am', 'Mar 3, 10:20 am'],
  ])('are written as the school writes them: %#', (say, inBritain, inAmerica) => {
    expect(plain(british(say))).toBe(inBritain);
    expect(plain(american(say))).toBe(inAmerica);
  });
});
