// @vitest-environment node
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layOutStairs, type StairInput } from './stair-layout.ts';
import { pegLabels } from './peg-labels.ts';
import { noteWords } from '../../ui/note-words.ts';
import { riseLines } from './words.ts';

function stairs(
  steps: readonly (readonly [rise: number, lessons: number, pegs: number])[],
  size = { width: 1100, height: 480 },
): StairInput {
  return {
    ...size,
    steps: steps.map(([rise, lessons, pegs]) => ({ rise, lessons, pegs })),
    landingPegs: 0,
    lessons: 26,
  };
}

describe('layOutStairs', () => {
  it('makes treads as deep as their lessons and risers as high as their rise', () => {
    const { treads, lessonX } = layOutStairs(
      stairs([
        [12, 3, 2],
        [2, 3, 3],
        [8, 6, 3],
        [8, 4, 1],
      ]),
    );
    const depth = (index: number): number => treads[index]!.right - treads[index]!.left;
    const riser = (index: number): number => treads[index - 1]!.top - treads[index]!.top;
    expect(depth(2)).toBeCloseTo(2 * depth(0));
    expect(treads[1]!.left).toBeCloseTo(lessonX(3));
    expect(riser(2)).toBeGreaterThan(riser(1));
    expect(riser(2)).toBeCloseTo(riser(3));
  });

  it('keeps every peg in the picture and over its own tread, for any class of 30', () => {
    const step = fc.tuple(fc.float({ min: 1, max: 14, noNaN: true }), fc.integer({ min: 2, max: 6 }));
    const size = fc.constantFrom({ width: 1100, height: 480 }, { width: 700, height: 560 });
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 4, maxLength: 8 }),
        fc.array(fc.nat(7), { minLength: 30, maxLength: 30 }),
        size,
        (list, places, box) => {
          const counts = list.map((_, index) => places.filter((place) => place % list.length === index).length);
          const layout = layOutStairs(
            stairs(
              list.map(([rise, lessons], index) => [rise, lessons, counts[index]!]),
              box,
            ),
          );
          for (const [index, pegs] of layout.pegs.entries()) {
            const tread = layout.treads[index]!;
            for (const peg of pegs) {
              expect(peg.y - layout.pegSize / 2).toBeGreaterThan(40);
              expect(peg.y).toBeLessThan(tread.top);
              expect(peg.x).toBeGreaterThan(tread.left);
              expect(peg.x - layout.pegSize / 2).toBeLessThan(tread.right);
            }
          }
        },
      ),
    );
  });

  it('gives those who have passed all a landing of their own', () => {
    const layout = layOutStairs({
      ...stairs([
        [12, 3, 2],
        [2, 3, 3],
      ]),
      landingPegs: 2,
    });
    expect(layout.landing?.left).toBe(layout.treads.at(-1)!.right);
    expect(layout.pegs).toHaveLength(3);
  });
});

describe('pegLabels', () => {
  it('tells pupils apart by two letters', () => {
    expect(pegLabels(['Malia', 'Marek', 'Mila', 'Jo', 'Jo'])).toEqual(['Ma', 'Mr', 'Mi', 'Jo', 'J1']);
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 35 }), (names) => {
        expect(new Set(pegLabels(names)).size).toBe(names.length);
      }),
    );
  });
});

describe('words', () => {
  it('writes notes as they are said in class', () => {
    expect(['F#4', 'Bb4', 'C5', 'D6'].map(noteWords)).toEqual(['F♯', 'B♭', 'C′', 'D′′']);
  });

  it('shows only the parts of a rise that count', () => {
    const rise = {
      total: 3,
      parts: [
        { of: 'tune', count: 1, points: 1 },
        { of: 'notes', count: 1, points: 2 },
        { of: 'signs', count: 0, points: 0 },
      ],
    } as const;
    expect(riseLines(rise)).toEqual(['another tune: 1', '1 new note: 2']);
  });
});
