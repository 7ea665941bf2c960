import { describe, expect, it } from 'vitest';
import { midiNumber, parsePitch, toNumber } from '../music/index.ts';
import { GOOSE_WALK, tuneOf } from '../testing/index.ts';
import { backingOf } from './backing.ts';
import { chordOf } from './chords.ts';
import { FEELS, patternOf } from './feels.ts';
import { beatOfChord, harmonyOf } from './harmony.ts';

const symbols = (abc: string): string => {
  const tune = tuneOf(abc);
  return harmonyOf(tune)
    .chords.map((placed) => `${tune.bars[placed.barIndex]!.number}.${beatOfChord(tune, placed)} ${placed.chord.symbol}`)
    .join(', ');
};

describe('a chord symbol', () => {
  it.each([
    ['G', 'G B D'],
    ['F#m', 'F# A C#'],
    ['Bb', 'Bb D F'],
    ['D7', 'D F# A C'],
    ['Ebm7', 'Eb Gb Bb Db'],
    ['Cmaj7', 'C E G B'],
    ['Bdim', 'B D F'],
    ['Caug', 'C E G#'],
    ['Asus4', 'A D E'],
    ['G/B', 'G B D'],
  ])('%s is spelled %s', (symbol, names) => {
    expect(chordOf(symbol)!.names.join(' ')).toBe(names);
  });

  it('with a slash has its bass, and words are no chord', () => {
    expect(chordOf('G/B')!.bass).toBe(midiNumber(parsePitch('B3')!) % 12);
    expect(chordOf('Fine')).toBeNull();
    expect(chordOf('slowly')).toBeNull();
  });
});

describe('the chords of a tune', () => {
  it('are those that stand over it', () => {
    expect(symbols('X:1\nM:4/4\nL:1/4\nK:G\n"G"G A B2|"D7"A2 "G"G2|]')).toBe('1.1 G, 2.1 D7, 2.3 G');
  });

  it('come by rule where none stands: home, subdominant, dominant, home', () => {
    expect(symbols('X:1\nM:3/4\nL:1/4\nK:G\nG B d|e c e|d c A|G3|]')).toBe('1.1 G, 2.1 C, 3.1 D7, 4.1 G');
    expect(symbols('X:1\nM:2/4\nL:1/4\nK:Am\nA c|d f|e ^G|A2|]')).toBe('1.1 Am, 2.1 Dm, 3.1 E7, 4.1 Am');
  });

  it('change inside a bar of four only where the notes ask for it', () => {
    expect(symbols('X:1\nM:4/4\nL:1/4\nK:C\nC E G E|F A G B|c4|]')).toBe('1.1 C, 2.1 F, 2.3 G, 3.1 C');
  });

  it('leave a pickup alone', () => {
    expect(symbols('X:1\nM:3/4\nL:1/4\nK:G\nD|G B d|c A F|G2|]')).toMatch(/^1\.1 G/);
  });

  it('are a drone under five notes without a semitone, and under a church mode', () => {
    expect(symbols('X:1\nM:2/4\nL:1/4\nK:C\nC D|E G|A G|C2|]')).toBe('1.1 C5');
    expect(symbols('X:1\nM:2/4\nL:1/4\nK:Ddor\nD E|F G|A B|D2|]')).toBe('1.1 D5');
  });

  it('end at home even where the last note would go with another chord', () => {
    expect(symbols('X:1\nM:2/4\nL:1/4\nK:C\nC E|F B|G E|]')).toMatch(/C$/);
  });

  it('explain strong beats: chord notes, and others that come and go by step', () => {
    const { strong } = harmonyOf(tuneOf('X:1\nM:2/4\nL:1/4\nK:C\n"C"C D|"C"D E|"C"A C|]'));
    // D on the second strong beat comes from D and goes to E; A leaps away.
    expect(strong).toEqual({ all: 3, explained: 2 });
  });
});

describe('a backing', () => {
  const jig = tuneOf('X:1\nM:6/8\nL:1/8\nK:G\nD|"G"G2 B d2 B|"D"A3 "G"G2|]');

  it.each([
    ['4/4', 'march'],
    ['3/4', 'waltz'],
    ['6/8', 'jig'],
  ])('in %s is a %s', (metre, feel) => {
    expect(backingOf(tuneOf(`X:1\nM:${metre}\nL:1/8\nQ:1/4=120\nK:G\n"G"G2 G2 G2|]`)).feel).toBe(feel);
  });

  it('is a lullaby or a ballad where the tune is calm', () => {
    expect(backingOf(tuneOf('X:1\nG:calm\nM:3/4\nL:1/4\nK:G\n"G"G G G|]')).feel).toBe('lullaby');
    expect(backingOf(tuneOf('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:G\n"G"G4|]')).feel).toBe('ballad');
  });

  it('counts in a bar, and what the pickup leaves of its own', () => {
    const { countIn } = backingOf(jig);
    expect(toNumber(countIn.length)).toBe(11 / 8);
    expect(toNumber(countIn.notes[0]!.onset)).toBe(-11 / 8);
  });

  it('begins after the pickup, holds the last chord, and ends with the tune', () => {
    const { notes } = backingOf(jig);
    expect(Math.min(...notes.map(({ onset }) => toNumber(onset)))).toBe(1 / 8);
    const ends = notes.map(({ onset, length }) => toNumber(onset) + toNumber(length));
    expect(Math.max(...ends)).toBe(1 / 8 + 6 / 8 + 5 / 8);
    const held = notes.filter(({ voice, length }) => voice === 'chord' && toNumber(length) === 5 / 8);
    expect(held.map(({ midi }) => midi % 12).toSorted((a, b) => a - b)).toEqual([2, 7, 11]);
  });

  it('plays repeats as often as the tune', () => {
    const once = backingOf(tuneOf('X:1\nM:2/4\nL:1/4\nK:G\n"G"G G|"D"A2|"G"G2|]'));
    const twice = backingOf(tuneOf('X:1\nM:2/4\nL:1/4\nK:G\n|:"G"G G|"D"A2|"G"G2:|'));
    const starts = (of: typeof once) => new Set(of.notes.map(({ onset }) => Math.floor(toNumber(onset) * 2))).size;
    expect([starts(once), starts(twice)]).toEqual([3, 6]);
  });

  it.each(FEELS)('as %s has every hit inside its bar', (feel) => {
    for (const [count, unit] of [
      [2, 4],
      [3, 4],
      [4, 4],
      [5, 4],
      [6, 8],
      [9, 8],
    ] as const)
      for (const hit of patternOf(feel, { count, unit })) {
        const beats = unit === 8 ? count / 3 : count;
        expect(toNumber(hit.at)).toBeLessThan(beats);
        expect(hit.strength).toBeGreaterThan(0);
      }
    expect(backingOf(GOOSE_WALK, feel).feel).toBe(feel);
  });
});
