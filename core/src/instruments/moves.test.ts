import { describe, expect, it } from 'vitest';
import { pitch, pitchName, transposePitch } from '../music/index.ts';
import { costInTime, costParts, instrument, INSTRUMENT_IDS, moveBetween, type Instrument } from './index.ts';

/** Pairs of moves in which the first is harder, in the notes of the soprano. */
const HARDER: readonly (readonly [hard: string, easy: string])[] = [
  ['C5 B4', 'C5 A4'],
  ['G4 E4', 'A4 G4'],
  ['E4 A4', 'E4 G4'],
  ['A4 D4', 'E4 D4'],
  ['B4 D5', 'C5 D5'],
  ['G4 D5', 'C5 D5'],
  ['A4 Bb4', 'A4 B4'],
];
/** On the whistle, in the notes of the one in D: no thumb, no forks, and the break under the second octave. */
const HARDER_ON_WHISTLE: readonly (readonly [hard: string, easy: string])[] = [
  ['G4 E4', 'A4 G4'],
  ['E4 A4', 'E4 G4'],
  ['A4 D4', 'E4 D4'],
  ['C#5 D5', 'C#5 B4'],
  ['B4 C5', 'A4 B4'],
  ['B4 E5', 'B4 E4'],
  ['A4 Bb4', 'A4 B4'],
];

/** From the soprano, or the whistle in D, to the other sizes and keys: steps of the staff and semitones. */
const INTERVALS: Readonly<Record<string, readonly [steps: number, semitones: number]>> = {
  'alto-recorder-baroque': [3, 5],
  'alto-recorder-german': [3, 5],
  'tin-whistle-c': [-1, -2],
  'tin-whistle-b-flat': [-2, -4],
  'tin-whistle-e-flat': [1, 1],
  'tin-whistle-f': [2, 3],
  'tin-whistle-g': [3, 5],
};

function costsOn(instrument: Instrument, pairs: typeof HARDER): readonly (readonly [number, number])[] {
  const [steps, semitones] = INTERVALS[instrument.id] ?? [0, 0];
  const cost = (names: string): number => {
    const [from, to] = names.split(' ').map((name) => transposePitch(pitch(name), steps, semitones));
    return moveBetween(instrument, from!, to!)!.cost;
  };
  return pairs.map(([hard, easy]) => [cost(hard), cost(easy)] as const);
}

describe('the orderings of practitioners, on every instrument', () => {
  for (const id of INSTRUMENT_IDS) {
    it(id, () => {
      const on = instrument(id);
      const pairs = on.family === 'recorder' ? HARDER : HARDER_ON_WHISTLE;
      const forked = id.endsWith('baroque') ? [...pairs, ['F4 E4', 'G4 E4'] as const] : pairs;
      for (const [index, [hard, easy]] of costsOn(on, forked).entries()) {
        expect(hard, forked[index]!.join(' over ')).toBeGreaterThan(easy);
      }
    });

    it(`${id}: landing fingers costs more than lifting them`, () => {
      const on = instrument(id);
      const pitches = on.fingerings.filter((fingering) => fingering.primary).map((fingering) => fingering.pitch);
      for (const from of pitches) {
        for (const to of pitches) {
          const there = moveBetween(on, from, to)!;
          if (there.lands < 2 || there.lifts > 0 || there.shades > 0) continue;
          expect(there.cost, `${pitchName(from)} ${pitchName(to)}`).toBeGreaterThan(moveBetween(on, to, from)!.cost);
        }
      }
    });
  }
});

/** Moves of the soprano from the easiest to the hardest, as a teacher put them before any cost was looked at. */
const RANKED = [
  ...['A4 B4', 'B4 A4', 'G4 A4', 'A4 G4', 'D4 E4', 'A4 C5', 'C5 A4', 'E4 D4', 'C5 D5', 'G4 B4', 'B4 G4', 'C4 D4'],
  ...['D5 C5', 'E4 G4', 'C5 G4', 'G4 E4', 'F4 G4', 'B4 C5', 'C5 B4', 'D4 C4', 'E4 A4', 'G4 D4', 'G4 F4', 'A4 E4'],
  ...['F4 E4', 'A4 Bb4', 'B4 D5', 'A4 D4'],
];

/** Rank correlation with the order in which the values stand; equals share a rank. */
function spearman(values: readonly number[]): number {
  const middle = (values.length + 1) / 2;
  const ranks = values.map((value) => {
    const [less, equal] = [
      values.filter((each) => each < value).length,
      values.filter((each) => each === value).length,
    ];
    return less + (equal + 1) / 2 - middle;
  });
  const dot = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, each, at) => sum + each * b[at]!, 0);
  const order = values.map((_, at) => at + 1 - middle);
  return dot(ranks, order) / Math.sqrt(dot(ranks, ranks) * dot(order, order));
}

describe('moves', () => {
  const recorder = instrument('soprano-recorder-baroque');
  const move = (from: string, to: string, instrument = recorder) => moveBetween(instrument, pitch(from), pitch(to))!;
  const cost = (from: string, to: string): number => move(from, to).cost;

  it('shows what a cost is made of', () => {
    const parts = costParts(recorder, move('A4', 'E4'));
    expect(parts.map((part) => part.reason)).toEqual(['team', 'furtherFinger', 'teamLanding', 'bothHands']);
    for (const from of recorder.fingerings) {
      for (const to of recorder.fingerings) {
        const move = moveBetween(recorder, from.pitch, to.pitch)!;
        const sum = costParts(recorder, move).reduce((total, part) => total + part.points, 0);
        expect(Math.abs(move.cost - sum)).toBeLessThan(0.006);
      }
    }
  });

  it('names the kind', () => {
    expect(move('A4', 'A4').kind).toBe('none');
    expect(move('B4', 'A4').kind).toBe('single');
    expect(move('A4', 'E4').kind).toBe('team');
    expect(move('C5', 'B4').kind).toBe('swap');
    expect(moveBetween(recorder, pitch('C3'), pitch('D4'))).toBeNull();
  });

  const notes = ['C4', 'D4', 'E4', 'F4', 'F#4', 'G4', 'A4', 'Bb4', 'B4', 'C5', 'D5'];
  const all = notes.flatMap((from) => notes.filter((to) => to !== from).map((to) => move(from, to)));

  it('finds one finger easier than a team, a team in one hand easier than one across both', () => {
    const costs = (pick: (move: (typeof all)[number]) => boolean): number[] =>
      all.filter(pick).map((move) => move.cost);
    const singles = costs((move) => move.kind === 'single');
    const oneHand = costs((move) => move.kind === 'team' && !move.bothHands && !move.thumb);
    const bothHands = costs((move) => move.kind === 'team' && move.bothHands);
    expect(Math.max(...singles)).toBeLessThan(Math.min(...oneHand));
    expect(Math.max(...oneHand)).toBeLessThan(Math.min(...bothHands));
  });

  it('finds low C the hardest of single fingers, for all its holes have to seal', () => {
    expect(cost('D4', 'C4')).toBeGreaterThan(cost('E4', 'D4'));
    expect(cost('D4', 'C4')).toBeGreaterThan(cost('A4', 'C5'));
    expect(cost('E4', 'D4')).toBeGreaterThan(cost('D4', 'E4'));
  });

  it('orders moves as a teacher does', () => {
    expect(spearman(RANKED.map((names) => cost(...(names.split(' ') as [string, string]))))).toBeGreaterThan(0.95);
  });

  it('finds B-A, A-G and back the easiest moves there are', () => {
    const easiest = all.toSorted((a, b) => a.cost - b.cost).slice(0, 4);
    const names = easiest.map((move) => `${move.from.pitch.letter}${move.to.pitch.letter}`).toSorted();
    expect(names).toEqual(['AB', 'AG', 'BA', 'GA']);
  });

  it('respects what practitioners find harder', () => {
    const harder: readonly (readonly [[string, string], [string, string]])[] = [
      [
        ['C5', 'B4'],
        ['C5', 'A4'],
      ],
      [
        ['G4', 'E4'],
        ['A4', 'G4'],
      ],
      [
        ['E4', 'A4'],
        ['E4', 'G4'],
      ],
      [
        ['A4', 'D4'],
        ['E4', 'D4'],
      ],
      [
        ['B4', 'D5'],
        ['C5', 'D5'],
      ],
      [
        ['G4', 'D5'],
        ['C5', 'D5'],
      ],
      [
        ['F4', 'E4'],
        ['G4', 'E4'],
      ],
      [
        ['A4', 'Bb4'],
        ['A4', 'B4'],
      ],
    ];
    for (const [hard, easy] of harder) expect(cost(...hard), hard.join('-')).toBeGreaterThan(cost(...easy));
  });

  it('finds landing several fingers harder than lifting them', () => {
    for (const move of all.filter((candidate) => candidate.kind === 'team' && candidate.lifts === 0)) {
      const back = moveBetween(recorder, move.to.pitch, move.from.pitch)!;
      expect(move.cost).toBeGreaterThan(back.cost);
    }
  });

  it('gets harder as the time shrinks', () => {
    const [crotchetAt60, quaverAt120] = [1, 0.25];
    expect(costInTime(2, quaverAt120)).toBeGreaterThan(costInTime(2, crotchetAt60));
    expect(costInTime(2, crotchetAt60)).toBe(2);
  });

  it('holds on the german recorder and the whistle where it differs', () => {
    const german = instrument('soprano-recorder-german');
    const whistle = instrument('tin-whistle-d');
    expect(move('G4', 'F4', german).kind).toBe('single');
    expect(move('G4', 'F4', german).cost).toBeLessThan(move('G4', 'F4').cost);
    expect(move('A4', 'D4', whistle).cost).toBeGreaterThan(move('E4', 'D4', whistle).cost);
    expect(move('C#5', 'D5', whistle).crossesBreak).toBe(true);
    expect(move('C#5', 'D5', whistle).cost).toBeGreaterThan(move('C#5', 'B4', whistle).cost);
  });
});
