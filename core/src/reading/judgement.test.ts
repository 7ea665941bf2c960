import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { fingeringsOf, instrument } from '../instruments/index.ts';
import { midiNumber, performedNotes, pitch, pitchName, type Tune } from '../music/index.ts';
import { anyTune } from '../testing/index.ts';
import { tempoLadder } from './tempo-ladder.ts';
import {
  NOTHING_KNOWN,
  proposeBreaths,
  readTune,
  shiftFor,
  transposeTune,
  type Knowledge,
  type Reading,
} from './index.ts';

const recorder = instrument('soprano-recorder-baroque');
const whistle = instrument('tin-whistle-d');

function tune(body: string, head = 'M:4/4\nL:1/4\nQ:1/4=84\nK:G'): Tune {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

const knowing = (...notes: string[]): Knowledge => ({ ...NOTHING_KNOWN, notes: new Set(notes) });
const read = (body: string, head?: string, known: Knowledge = NOTHING_KNOWN): Reading =>
  readTune(tune(body, head), recorder, known);

describe('hard spots', () => {
  const goose = read('B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]');

  it('finds the bar where a class will stop, and says why', () => {
    expect(goose.hardSpots[0]).toMatchObject({
      bars: [7, 7],
      hardest: { from: 'A4', to: 'E4', move: { lands: 3, bothHands: true }, times: 2, isNew: true },
      drill: { toggle: ['A4', 'E4'], loop: ['A4', 'E4', 'A4'], window: [7, 7] },
    });
  });

  it('climbs a ladder from slow to the pass tempo and no further', () => {
    const { ladder } = goose.hardSpots[0]!.drill;
    expect(ladder.at(-1)).toBe(84);
    expect(ladder[0]).toBeGreaterThanOrEqual(42);
    expect(ladder).toEqual(ladder.toSorted((a, b) => a - b));
    expect(tempoLadder(60, 1)).toEqual([51, 55, 60]);
  });

  it('finds none where nothing is hard, and the same music once', () => {
    expect(read('B2 A2|G2 A2|B4|]').hardSpots).toEqual([]);
    const twice = read('A E A E|G4|A E A E|G4|]');
    expect(twice.hardSpots.map((spot) => spot.bars)).toEqual([[1, 1]]);
  });

  it('has at most three, the hardest first', () => {
    fc.assert(
      fc.property(anyTune, (any) => {
        const { hardSpots } = readTune(any, recorder, NOTHING_KNOWN);
        const scores = hardSpots.map((spot) => spot.score);
        expect(hardSpots.length).toBeLessThanOrEqual(3);
        expect(scores).toEqual(scores.toSorted((a, b) => b - a));
      }),
      { numRuns: 40 },
    );
  });
});

describe('form', () => {
  const form = (body: string, head?: string) => read(body, head).form;

  it('says how little there is to learn', () => {
    const found = form('B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]');
    expect(found.sameBars).toEqual([[1, 2, 5, 6]]);
    expect([found.distinctBars, found.allBars]).toEqual([5, 8]);
    expect(found.learnBars).toEqual([1, 3, 4, 7, 8]);
    expect(found.lines.map((line) => line.letter)).toEqual(['A', "A'"]);
    expect(found.lines[1]!.bars).toEqual([5, 8]);
  });

  it('finds the same rhythm, the same but for the end, sequences and mirrors', () => {
    const found = form('G A B c|A B c d|G A B G|D C B, A,|]');
    expect(found.sameRhythm).toEqual([[1, 2, 3, 4]]);
    expect(found.differAtEnd).toEqual([[1, 3]]);
    expect(found.sequences).toEqual([{ bars: [1, 2], steps: 1 }]);
    expect(found.mirrored).toEqual([
      [1, 4],
      [2, 4],
    ]);
  });

  it('gives a new line a new letter, and lines of four bars where the sheet has none', () => {
    expect(form('G4|A4|\nB4|c4|\nG4|A4|]').lines.map((line) => line.letter)).toEqual(['A', 'B', 'A']);
    expect(form('G4|A4|B4|c4|d4|G4|]').lines.map((line) => line.bars)).toEqual([
      [1, 4],
      [5, 6],
    ]);
  });
});

describe('breaths', () => {
  it('stand where the phrase makes sense: at the ends of lines', () => {
    const { breaths } = read('B A G2|A B A2|B A G A|B4|\nB A G2|A B A2|B A G A|G4|]', 'M:4/4\nL:1/4\nQ:1/4=92\nK:G');
    expect(breaths.find((breath) => breath.afterBar === 4)).toMatchObject({
      afterBeat: 4,
      kind: 'full',
      reasons: expect.arrayContaining(['line-end']) as string[],
    });
  });

  it('never stand inside a slur or a tied note', () => {
    const slurred = tune('(G A B c)|(d c B A)|(G A B c)|d4|]');
    for (const breath of proposeBreaths(slurred, slurred.tempo!, 3)) expect(breath.afterBeat).toBe(4);
    const tied = tune('G A B c-|c4|d4|G4|]');
    expect(proposeBreaths(tied, tied.tempo!, 4).some((breath) => breath.afterBar === 1 && breath.afterBeat === 4)).toBe(
      false,
    );
  });

  it('come more often when the breath is short, and take from the note before', () => {
    const long = tune('G A B c|d c B A|G A B c|d c B A|G4|]');
    const [few, many] = [proposeBreaths(long, long.tempo!, 9), proposeBreaths(long, long.tempo!, 3)];
    expect(many.length).toBeGreaterThan(few.length);
    expect(many.every((breath) => breath.kind === 'small')).toBe(true);
  });

  it('use rests and marks of the sheet', () => {
    expect(
      read('G A B z|c d c2|!breath!B A G2|]').breaths.map((breath) => [breath.afterBar, breath.afterBeat]),
    ).toContainEqual([1, 3]);
  });

  it('never stand on a tied note, in any tune', () => {
    fc.assert(
      fc.property(anyTune, fc.integer({ min: 2, max: 8 }), (any, most) => {
        const tempo = { beat: { num: 1, den: 4 }, perMinute: 80 };
        const marks = new Set(
          proposeBreaths(any, tempo, most).map((breath) => `${breath.barIndex}.${breath.eventIndex}`),
        );
        for (const mark of marks) {
          const [bar, event] = mark.split('.').map(Number);
          const note = any.parts[0].bars[bar!]![event!]!;
          expect(note.kind === 'note' && note.tied).toBe(false);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('difficulty', () => {
  const total = (body: string, head?: string): number => read(body, head).difficulty.total;

  it('is the sum of its parts', () => {
    const { difficulty } = read('B A G2|A E A E|G4|]');
    const sum = Object.values(difficulty.parts).reduce((all, part) => all + part, 0);
    expect(difficulty.total).toBeCloseTo(sum, 5);
  });

  it('ranks as practitioners do', () => {
    expect(total('B A B A|G4|]')).toBeLessThan(total('G E G E|G4|]'));
    expect(total('G E G E|G4|]')).toBeLessThan(total('A E A E|G4|]'));
    expect(total('C5 A C5 A|A4|]'.replaceAll('C5', 'c'))).toBeLessThan(total('c B c B|B4|]'));
    expect(total('c d c d|c4|]')).toBeLessThan(total('B d B d|B4|]'));
    expect(total('E D E D|E4|]')).toBeLessThan(total('A D A D|A4|]'));
  });

  it('rises with the tempo and with what is new', () => {
    expect(total('A E A E|G4|]', 'M:4/4\nL:1/4\nQ:1/4=60\nK:G')).toBeLessThan(
      total('A E A E|G4|]', 'M:4/4\nL:1/4\nQ:1/4=120\nK:G'),
    );
    expect(read('B A G2|]', undefined, knowing('B4', 'A4', 'G4')).difficulty.total).toBeLessThan(total('B A G2|]'));
  });

  it('asks more of a beginner where more holes have to seal', () => {
    const hard = (music: string): number => read(music, 'M:4/4\nL:1/4\nK:C').difficulty.total;
    expect(hard('B2 B2|B4|]')).toBeLessThan(hard('D2 D2|D4|]'));
    expect(hard('D2 D2|D4|]')).toBeLessThan(hard('C2 C2|C4|]'));
  });

  it('changes under transposition only by fingers and key', () => {
    const there = transposeTune(tune('G A B A|G4|]'), shiftFor({ fifths: 1, mode: 'major' }, -2)!.shift)!;
    const [a, b] = [read('G A B A|G4|]'), readTune(there, recorder, NOTHING_KNOWN)];
    for (const part of ['rhythm', 'amount', 'breath'] as const)
      expect(b.difficulty.parts[part]).toBeCloseTo(a.difficulty.parts[part], 5);
  });
});

describe('keys', () => {
  it('puts first the key in which the class already has the notes', () => {
    const inF = tune('F G A G|F A G2|F4|]', 'M:4/4\nL:1/4\nK:F');
    const [best] = readTune(inF, recorder, knowing('G4', 'A4', 'B4')).keys;
    expect(best).toMatchObject({ shift: 2, key: 'G major', newNotes: [] });
  });

  it('offers only keys in which every note is on the instrument', () => {
    fc.assert(
      fc.property(anyTune, (any) => {
        for (const choice of readTune(any, whistle, NOTHING_KNOWN).keys.slice(0, 4)) {
          const moved = transposeTune(any, shiftFor(any.bars[0]!.key, choice.shift)!.shift);
          if (moved === null) continue;
          for (const note of performedNotes(moved)) expect(fingeringsOf(whistle, note.pitch).length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('moves every note by the same interval and spells it in the new key', () => {
    const moved = transposeTune(tune('F A B c|d4|]'), shiftFor({ fifths: 1, mode: 'major' }, 2)!.shift)!;
    expect(performedNotes(moved).map((note) => pitchName(note.pitch))).toEqual(['G#4', 'B4', 'C#5', 'D5', 'E5']);
    expect(midiNumber(pitch('G#4')) - midiNumber(pitch('F#4'))).toBe(2);
  });
});

describe('duets', () => {
  const duet = (first: string, second: string) => read(`V:1\n${first}\nV:2\n${second}`).duet!;

  it('are null for one melody', () => {
    expect(read('G4|]').duet).toBeNull();
  });

  it('list clashes on beats and crossing parts', () => {
    const found = duet('B A G2|d4|]', 'G G F2|B4|]');
    expect(found.sameLength).toBe(true);
    expect(found.clashes).toEqual([
      { bar: 1, beat: 2, notes: ['A4', 'G4'], semitones: 2 },
      { bar: 1, beat: 3, notes: ['G4', 'F#4'], semitones: 1 },
    ]);
    expect(duet('G4|]', 'B4|]').crossings).toMatchObject([{ bar: 1, beat: 1 }]);
  });

  it('see a mirror and a crab', () => {
    expect(duet('G A B c|]', 'G F E D|]').mirror).toBe(true);
    expect(duet('G A B c|]', 'c B A G|]').backwards).toBe(true);
    expect(duet('G A B c|]', 'G A B c|]').mirror).toBe(false);
  });
});

describe('notes that are easily mixed up', () => {
  const pairs = (bars: string, ...known: string[]) =>
    readTune(tune(bars), instrument('soprano-recorder-baroque'), {
      ...NOTHING_KNOWN,
      notes: new Set(known),
    }).mixUps.map(({ kind, pair, bothHere }) => `${kind}: ${pair.join(' ')}${bothHere ? '' : ' (known)'}`);

  it('are a letter in two octaves and two names of one fingering', () => {
    expect(pairs('D d ^A _B|]')).toEqual(['fingering: A#4 Bb4', 'octave: D4 D5']);
  });

  it('are also those of a note that the class has from before', () => {
    expect(pairs('G A _B A|]', 'G4', 'A4', 'Bb4', 'B4')).toEqual(['letter: Bb4 B4 (known)']);
  });

  it('are neighbours by finger as long as one of them is new', () => {
    expect(pairs('B A B A|]')).toEqual(['finger: A4 B4']);
    expect(pairs('B A B A|]', 'A4', 'B4')).toEqual([]);
  });
});
