// @vitest-environment node
import { instrument } from '@escalier/core/instruments';
import { GOOSE_WALK, tuneOf } from '@escalier/core/testing';
import { describe, expect, it } from 'vitest';
import { playedBacking } from './backing.ts';
import { inShortLines, textsByLine } from './lines.ts';

const on = instrument('soprano-recorder-baroque');
const eighths = tuneOf('X:1\nM:4/4\nL:1/8\nK:G\nGABG GABG|d4 B4|GABG GABG|G8|]');

describe('lines for the back of a room', () => {
  it('break at bars, with no more notes than can be read', () => {
    const endsAt = (most: number): readonly number[] =>
      inShortLines(eighths, most).bars.flatMap(({ lineEnd }, index) => (lineEnd ? [index + 1] : []));
    expect(endsAt(9)).toEqual([1, 2]);
    expect(endsAt(10)).toEqual([2]);
    // A bar that has more by itself stays whole.
    expect(endsAt(3)).toEqual([1, 2, 3]);
  });

  it('are read as names or counting, each with its note', () => {
    const names = textsByLine(eighths, on, 'letters', null);
    expect(names[0]!.map(({ text }) => text).join('')).toBe('GABGGABG');
    expect(names[0]![0]!.id).toBe('n0-0-0');
    const counted = textsByLine(eighths, on, 'counting', 'numbers');
    expect(counted[0]!.map(({ text }) => text).join(' ')).toBe('1 & 2 & 3 & 4 &');
    expect(textsByLine(eighths, on, 'words', null)).toEqual([]);
  });
});

describe('a backing to be played', () => {
  it('is in beats of the tempo, its count-in from the start', () => {
    const { feel, notes, countIn } = playedBacking(GOOSE_WALK, 'march');
    expect(feel).toBe('march');
    expect(countIn[0]!.start).toBe(0);
    expect(Math.min(...notes.map(({ start }) => start))).toBe(0);
    expect(notes.every(({ beats, strength }) => beats > 0 && strength > 0 && strength <= 1)).toBe(true);
  });
});
