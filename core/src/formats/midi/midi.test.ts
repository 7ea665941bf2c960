import fc from 'fast-check';
import { parseMidi } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { eventsLength, likelyKey, midiNumber, pitchIn, pitchName, rational, toNumber } from '../../music/index.ts';
import { tuneOf } from '../../testing/index.ts';
import { barsFromNotes } from './quantise.ts';
import { readMidi } from './read-midi.ts';
import { writeMidi } from './write-midi.ts';

describe('spelling', () => {
  it('follows the key', () => {
    const named = (fifths: number, ...numbers: number[]): string[] =>
      numbers.map((number) => pitchName(pitchIn({ fifths, mode: 'major' }, number)));
    expect(named(1, 66, 67, 72, 61)).toEqual(['F#4', 'G4', 'C5', 'C#4']);
    expect(named(-2, 70, 63, 71)).toEqual(['Bb4', 'Eb4', 'B4']);
    expect(named(5, 66, 70, 59)).toEqual(['F#4', 'A#4', 'B3']);
  });

  it('always names the pitch that sounds', () => {
    fc.assert(
      fc.property(fc.integer({ min: -7, max: 7 }), fc.integer({ min: 36, max: 96 }), (fifths, number) => {
        const pitch = pitchIn({ fifths, mode: 'major' }, number);
        expect(midiNumber(pitch)).toBe(number);
        expect(Math.abs(pitch.alter)).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('guesses the key with the fewest signs that holds the notes', () => {
    expect(likelyKey([67, 69, 71, 72, 74, 66]).fifths).toBe(1);
    expect(likelyKey([60, 62, 64]).fifths).toBe(0);
    expect(likelyKey([65, 70, 72]).fifths).toBe(-1);
  });
});

describe('quantising', () => {
  const pitchOf = (number: number) => pitchIn({ fifths: 0, mode: 'major' }, number);
  const bars = (...notes: (readonly [number, number, number])[]) =>
    barsFromNotes([notes.map(([number, start, end]) => ({ number, start, end, grace: [] }))], {
      metres: [{ at: 0, metre: { count: 4, unit: 4 } }],
      quarters: 4,
      pitchOf,
    }).parts[0]!;

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
          .map(([number, start, length]) => ({ number, start, end: start + length, grace: [] }));
        const metres = [{ at: 0, metre: { count: 3, unit: 4 } }];
        const [found] = barsFromNotes([notes], { metres, quarters: 12, pitchOf }).parts;
        for (const bar of found!) expect(eventsLength(bar)).toEqual(rational(3, 4));
      }),
    );
  });
});

describe('a file out and in again', () => {
  const tune = (body: string) => tuneOf(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=60\nK:G\n${body}\n`);
  const again = (body: string) => {
    const read = readMidi(writeMidi(tune(body)));
    if (!read.ok) throw new Error(read.error.map(({ message }) => message).join(' '));
    return read.value;
  };

  it('keeps changes of the time signature', () => {
    const { tune: read, leftOut } = again('G4|[M:3/4]A3|B2 A|[M:2/4]G2|]');
    expect(read.bars.map(({ metre }) => metre.count)).toEqual([4, 3, 3, 2]);
    expect(read.parts[0].bars.map((bar) => toNumber(eventsLength(bar)))).toEqual([1, 0.75, 0.75, 0.5]);
    expect(leftOut).toEqual([]);
  });

  it('names a bar that a new time signature cuts short', () => {
    const { tune: read, leftOut } = again('G4|A B|[M:3/4]G3|]');
    expect(read.bars.map(({ metre }) => metre.count)).toEqual([4, 4, 3]);
    expect(leftOut).toMatchObject([{ bar: 2 }]);
  });

  it('keeps grace notes', () => {
    expect(again('{ab}g2 {c}g2|G2 A2|]').tune.parts[0].bars[0]).toMatchObject([
      { pitch: { letter: 'G' }, grace: [{ letter: 'A' }, { letter: 'B' }] },
      { pitch: { letter: 'G' }, grace: [{ letter: 'C' }] },
    ]);
  });

  it('plays grace notes short, out of their note', () => {
    const { tracks } = parseMidi(writeMidi(tune('{ab}g2 g2|]')));
    let now = 0;
    const starts = tracks[1]!.flatMap((event) => {
      now += event.deltaTime;
      return event.type === 'noteOn' ? [[event.noteNumber, now]] : [];
    });
    expect(starts).toEqual([
      [81, 0],
      [83, 60],
      [79, 120],
      [79, 960],
    ]);
  });

  it('sounds a staccato note for half of its time where it is made to be heard', () => {
    const lengths = (options: object) => {
      const { tracks } = parseMidi(writeMidi(tune('.G2 A2|]'), options));
      return tracks[1]!.flatMap((event) => (event.type === 'noteOff' ? [event.deltaTime] : []));
    };
    expect(lengths({ asPlayed: true })).toEqual([480, 960]);
    expect(lengths({})).toEqual([960, 960]);
  });
});
