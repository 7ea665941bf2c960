import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eventsLength, midiNumber, pitchName, rational, toNumber } from '../../music/index.ts';
import { barsFromNotes } from './quantise.ts';
import { spelling } from './spelling.ts';

describe('spelling', () => {
  it('follows the key', () => {
    const named = (fifths: number, ...numbers: number[]): string[] =>
      numbers.map((number) => pitchName(spelling.pitchIn({ fifths, mode: 'major' }, number)));
    expect(named(1, 66, 67, 72, 61)).toEqual(['F#4', 'G4', 'C5', 'C#4']);
    expect(named(-2, 70, 63, 71)).toEqual(['Bb4', 'Eb4', 'B4']);
    expect(named(5, 66, 70, 59)).toEqual(['F#4', 'A#4', 'B3']);
  });

  it('always names the pitch that sounds', () => {
    fc.assert(
      fc.property(fc.integer({ min: -7, max: 7 }), fc.integer({ min: 36, max: 96 }), (fifths, number) => {
        const pitch = spelling.pitchIn({ fifths, mode: 'major' }, number);
        expect(midiNumber(pitch)).toBe(number);
        expect(Math.abs(pitch.alter)).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('guesses the key with the fewest signs that holds the notes', () => {
    expect(spelling.likelyKey([67, 69, 71, 72, 74, 66]).fifths).toBe(1);
    expect(spelling.likelyKey([60, 62, 64]).fifths).toBe(0);
    expect(spelling.likelyKey([65, 70, 72]).fifths).toBe(-1);
  });
});

describe('quantising', () => {
  const pitchOf = (number: number) => spelling.pitchIn({ fifths: 0, mode: 'major' }, number);
  const bars = (...notes: (readonly [number, number, number])[]) =>
    barsFromNotes(
      notes.map(([number, start, end]) => ({ number, start, end })),
      { metre: { count: 4, unit: 4 }, quarters: 4, pitchOf },
    );

  it('snaps to semiquavers or to thirds, beat by beat', () => {
    const [bar] = bars([67, 0.02, 0.97], [69, 1.01, 1.34], [71, 1.35, 1.66], [72, 1.67, 2], [67, 2.01, 3.96]);
    expect(bar!.map((event) => toNumber(eventsLength([event])))).toEqual([0.25, 1 / 12, 1 / 12, 1 / 12, 0.5]);
  });

  it('ties over the bar line and rests to the end of the last bar', () => {
    const found = bars([67, 3, 5]);
    expect(found).toHaveLength(2);
    expect(found[0]!.at(-1)).toMatchObject({ kind: 'note', tied: true });
    expect(found[1]!.map((event) => event.kind)).toEqual(['note', 'rest']);
  });

  it('fills every bar exactly, however it was played', () => {
    const anyNote = fc.tuple(
      fc.integer({ min: 60, max: 80 }),
      fc.double({ min: 0, max: 12, noNaN: true }),
      fc.double({ min: 0.05, max: 3, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(anyNote, { minLength: 1, maxLength: 20 }), (list) => {
        const notes = list
          .toSorted((a, b) => a[1] - b[1])
          .map(([number, start, length]) => ({ number, start, end: start + length }));
        const found = barsFromNotes(notes, { metre: { count: 3, unit: 4 }, quarters: 12, pitchOf });
        for (const bar of found) expect(eventsLength(bar)).toEqual(rational(3, 4));
      }),
    );
  });
});
