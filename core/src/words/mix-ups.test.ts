import { describe, expect, it } from 'vitest';
import type { MixUp } from '../reading/index.ts';
import { mixUpWords } from './index.ts';

const pair = (more: Partial<MixUp>): MixUp => ({
  kind: 'finger',
  pair: ['B4', 'C5'],
  bars: [1],
  bothHere: true,
  ...more,
});

describe('what is said of two notes that are mixed up', () => {
  it('names them', () => {
    expect(mixUpWords(pair({}))).toBe('B and high C: only one finger is different.');
    expect(mixUpWords(pair({ kind: 'letter', pair: ['F4', 'F#4'], bothHere: false }))).toBe(
      'F and F sharp: one place on the staff, two fingerings. The class already knows one of them.',
    );
  });

  it('tells a pair by octave that the class calls alike', () => {
    expect(mixUpWords(pair({ kind: 'octave', pair: ['D4', 'D5'] }), () => 'Re')).toBe(
      'Low D and high D: one name, two octaves.',
    );
    expect(mixUpWords(pair({}), (name) => (name === 'B4' ? 'Ti' : 'Do'))).toBe(
      'Ti and Do: only one finger is different.',
    );
  });
});
