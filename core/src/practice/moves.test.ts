import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrument, INSTRUMENT_IDS } from '../instruments/index.ts';
import { performedNotes, pitch, pitchName } from '../music/index.ts';
import { NOTHING_KNOWN } from '../reading/index.ts';
import { GOOSE_WALK } from '../testing/index.ts';
import { movesAround, moveTable, moveWalk, preparation, shortTune, toggleSheet } from './index.ts';

const recorder = instrument('soprano-recorder-baroque');
const pitches = (names: string) => names.split(' ').map(pitch);

describe('the table of moves', () => {
  it('has every move both ways, none on the diagonal', () => {
    const table = moveTable(recorder, pitches('B4 A4 G4 E4'));
    expect(table.moves.map((row) => row.map((move) => move?.kind ?? '-').join(' '))).toEqual([
      '- single team team',
      'single - single team',
      'team single - team',
      'team team team -',
    ]);
  });

  it('shows the moves around a new note, easiest pair first', () => {
    const around = movesAround(recorder, pitch('E4'), pitches('B4 A4 G4'));
    expect(around.map((pair) => pitchName(pair.from))).toEqual(['G4', 'A4', 'B4']);
    expect(around[0]!.cost).toBeCloseTo(around[0]!.there.cost + around[0]!.back.cost, 2);
    expect(movesAround(recorder, pitch('E4'), pitches('E4 C3'))).toEqual([]);
  });
});

describe('the walk through all moves', () => {
  it('begins with the easiest', () => {
    const walk = moveWalk(recorder, pitches('B4 A4 G4 E4')).map(pitchName);
    expect(walk).toHaveLength(13);
    expect(new Set(walk.slice(0, 4))).toEqual(new Set(['B4', 'A4', 'G4']));
  });

  it('makes each move once, ends where it began, and its first half is easier than its second', () => {
    fc.assert(
      fc.property(fc.constantFrom(...INSTRUMENT_IDS), fc.integer({ min: 2, max: 9 }), fc.nat(30), (id, count, from) => {
        const on = instrument(id);
        const sounds = [
          ...new Map(on.fingerings.map((fingering) => [pitchName(fingering.pitch), fingering.pitch])).values(),
        ];
        const natural = sounds.filter((sound) => sound.alter === 0);
        const notes = natural.slice(from % (natural.length - count), (from % (natural.length - count)) + count);
        const walk = moveWalk(on, notes);
        const moves = walk.slice(1).map((to, index) => `${pitchName(walk[index]!)}>${pitchName(to)}`);
        expect(moves).toHaveLength(notes.length * (notes.length - 1));
        expect(new Set(moves).size).toBe(moves.length);
        expect(walk[0]).toEqual(walk.at(-1));
      }),
      { numRuns: 80 },
    );
    const walk = moveWalk(recorder, pitches('D4 E4 G4 A4 B4 C5 D5'));
    const costs = walk.slice(1).map((to, index) => moveTable(recorder, [walk[index]!, to]).moves[0]![1]!.cost);
    const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
    expect(mean(costs.slice(0, costs.length / 2))).toBeLessThan(mean(costs.slice(costs.length / 2)));
  });

  it('is nothing for one note', () => {
    expect(moveWalk(recorder, pitches('B4'))).toEqual([]);
  });
});

describe('the drill before a tune', () => {
  const { moves, sheet } = preparation(GOOSE_WALK, recorder, NOTHING_KNOWN);

  it('is of the hardest moves, easiest of them first', () => {
    expect(moves.map((move) => `${move.from} ${move.to}`)).toEqual(['E4 G4', 'G4 E4', 'E4 A4', 'A4 E4']);
    expect(moves.every((move) => move.ladder.at(-1) === 84 && move.isNew)).toBe(true);
  });

  it('is a tune in which each of them comes', () => {
    const notes = performedNotes(sheet!).map((note) => pitchName(note.pitch));
    const pairs = notes.slice(1).map((to, index) => `${notes[index]} ${to}`);
    for (const { from, to } of moves)
      expect(pairs.filter((pair) => pair === `${from} ${to}`).length).toBeGreaterThan(1);
    expect(sheet!.bars).toHaveLength(8);
  });

  it('takes the key that needs the fewest signs', () => {
    const tempo = { beat: { num: 1, den: 4 }, perMinute: 60 };
    const keyOf = (from: string, to: string): number => toggleSheet([{ from, to }], tempo, '').bars[0]!.key.fifths;
    expect([keyOf('G4', 'A4'), keyOf('E4', 'F#4'), keyOf('A4', 'Bb4')]).toEqual([0, 1, -1]);
    expect(() => shortTune({ title: '', metre: { count: 4, unit: 4 }, bars: [[]] })).toThrow();
  });
});
