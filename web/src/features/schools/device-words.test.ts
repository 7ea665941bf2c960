// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { dayOfMoment, moment } from '../../ui/dates.ts';
import { deviceWords } from './device-words.ts';

describe('a device in words', () => {
  it.each([
    ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox, Linux'],
    ['Mozilla/5.0 (iPad; CPU OS 18_1 like Mac OS X) AppleWebKit/605 Version/18.1 Safari/604.1', 'Safari, iPad'],
    ['Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537 Chrome/140.0 Safari/537 Edg/140.0', 'Edge, Windows'],
    ['curl', 'A device'],
  ])('%s', (agent, words) => {
    expect(deviceWords(agent)).toBe(words);
  });
});

describe('moments in the school’s time zone', () => {
  it('fall on its own day', () => {
    expect(moment('2026-03-03T23:30:00Z', 'Europe/Oslo')).toBe('4 Mar, 12:30 am');
    // A morning in Auckland is the evening before in London, and an evening in Los Angeles the next morning.
    expect(dayOfMoment('2026-03-02T20:30:00Z', 'Pacific/Auckland')).toBe('3 Mar');
    expect(dayOfMoment('2026-03-04T04:30:00Z', 'America/Los_Angeles')).toBe('3 Mar');
  });
});
