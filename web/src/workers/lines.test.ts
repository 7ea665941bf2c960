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
    const names = textsByLine(eighths, on, { kind: 'letters', counting: null });
    expect(names[0]!.map(({ text }) => text).join('')).toBe('GABGGABG');
    expect(names[0]![0]!.id).toBe('n0-0-0');
    const counted = textsByLine(eighths, on, { kind: 'counting', counting: 'numbers' });
    expect(counted[0]!.map(({ text }) => text).join(' ')).toBe('1 & 2 & 3 & 4 &');
    expect(textsByLine(eighths, on, { kind: 'words', counting: null })).toEqual([]);
  });

  const drawn = (abc: string, wanted: Parameters<typeof textsByLine>[2]): readonly string[] =>
    textsByLine(tuneOf(abc), on, wanted).map((line) =>
      line
        .flatMap(({ before, text, after }) => [before, text, after])
        .filter((each) => each !== null)
        .join(' '),
    );

  it('keep bar lines, repeats, rests, held and tied notes in their place, a phrase to a line', () => {
    const abc = 'X:1\nM:4/4\nL:1/4\nK:G\n|:B A G2|B z A z|\nG4-|G2 z2:|\nB B B B|G4|]';
    expect(drawn(abc, { kind: 'letters', counting: null })).toEqual([
      '|: B A G – | B · A · |',
      'G – – – | – – · · :|',
      'B B B B | G – – – |',
    ]);
  });

  it('count with the class’s own word for a rest', () => {
    const abc = 'X:1\nM:4/4\nL:1/4\nK:G\nB z A z|G4|]';
    const wanted = {
      kind: 'counting',
      counting: 'ta',
      sayings: { syncopation: 'syn-co-pa', rest: 'shush' },
    } as const;
    expect(drawn(abc, wanted)[0]).toContain('ta shush ta shush |');
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
