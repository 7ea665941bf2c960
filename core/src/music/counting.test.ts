import { describe, expect, it } from 'vitest';
import {
  nameRhythm,
  pitch,
  PLAIN_NOTE,
  PLAIN_REST,
  valueOfLength,
  rational,
  type Counting,
  type Metre,
  type Rational,
  type TuneEvent,
} from './index.ts';

/** Lengths in semiquavers, negative for rests; "t" is a quaver of a triplet. */
function bar(...lengths: readonly (number | 't')[]): TuneEvent[] {
  const triplet = { actual: 3, normal: 2 };
  return lengths.map((length) => {
    const value =
      length === 't' ? valueOfLength(rational(1, 12), triplet)! : valueOfLength(rational(Math.abs(length), 16))!;
    return typeof length === 'number' && length < 0
      ? { ...PLAIN_REST, value }
      : { ...PLAIN_NOTE, pitch: pitch('G4'), value };
  });
}

const FOUR: Metre = { count: 4, unit: 4 };
const SIX: Metre = { count: 6, unit: 8 };
const said = (school: Counting, events: TuneEvent[], metre: Metre = FOUR): string =>
  nameRhythm(events, metre, school).join(' ');

describe('numbers', () => {
  it('name held beats without striking them, and put rests in brackets', () => {
    expect(said('numbers', bar(4, 2, 2, 8))).toBe('1 2 & 3-4');
    expect(said('numbers', bar(6, 2, -4, 4))).toBe('1-2 & (3) 4');
    expect(said('numbers', bar(1, 1, 1, 1, 4, 8))).toBe('1 e & a 2 3-4');
    expect(said('numbers', bar('t', 't', 't', 4, 8))).toBe('1 trip let 2 3-4');
    expect(said('numbers', bar(16))).toBe('1-2-3-4');
  });

  it('count quavers in compound time, and a pickup from the end', () => {
    expect(said('numbers', bar(4, 2, 2, 2, 2), SIX)).toBe('1-2 3 4 5 6');
    expect(said('numbers', bar(6, 6), SIX)).toBe('1-2-3 4-5-6');
    const upbeat = (events: TuneEvent[], start: Rational) => nameRhythm(events, FOUR, 'numbers', { start }).join(' ');
    expect(upbeat(bar(4), rational(3, 4))).toBe('4');
    expect(upbeat(bar(2), rational(7, 8))).toBe('&');
    expect(said('numbers', bar(4))).toBe('1');
  });
});

describe('the ta family', () => {
  it('says each length', () => {
    expect(said('ta', bar(4, 2, 2, 8))).toBe('ta ti ti ta-a');
    expect(said('ta', bar(12, -4))).toBe('ta-a-a sh');
    expect(said('ta', bar(16))).toBe('ta-a-a-a');
    expect(said('ta', bar(6, 2, 1, 1, 1, 1, 4))).toBe('tam ti ti ka ti ka ta');
    expect(said('ta', bar(2, 4, 2, 4, -4))).toBe('syn co pa ta sh');
    expect(said('ta', bar(3, 1, 't', 't', 't', 8))).toBe('tim ka tri o la ta-a');
    expect(said('ta', bar(-8, 8))).toBe('sh sh ta-a');
    expect(said('ta', bar(4, 2, 6), SIX)).toBe('ta ti tam');
  });
});

describe('the schools of the beat', () => {
  it('say what a note does in its beat', () => {
    expect(said('beat-function', bar(4, 2, 2, 1, 1, 1, 1, 4))).toBe('du du de du ta de ta du');
    expect(said('beat-function', bar(2, 2, 2, 4, 2), SIX)).toBe('du da di du di');
    expect(said('beat-function', bar('t', 't', 't', -4, 8))).toBe('du da di (du) du');
  });

  it('say where it stands in its beat', () => {
    expect(said('beat-position', bar(4, 2, 2, 1, 1, 1, 1, 4))).toBe('ta ta di ta ka di mi ta');
    expect(said('beat-position', bar(2, 2, 2, 1, 1, 1, 1, 1, 1), SIX)).toBe('ta ki da ta va ki di da ma');
  });
});
