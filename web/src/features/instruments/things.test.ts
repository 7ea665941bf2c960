// @vitest-environment node
import type { BeltList, BeltStock } from '@escalier/contract/instruments';
import { describe, expect, it } from 'vitest';
import { beltNeeds, stockWords, waitingBelts } from './belt-needs.ts';
import { numbersWords } from '../../ui/number-words.ts';

const step = (belt: string, passed: number, likely: number, atMost: number) => ({
  belt,
  position: 1,
  passed,
  likely,
  atMost,
});
const classes: BeltList['classes'] = [
  { id: 'p', name: '4 Plover', lessonsLeft: 17, steps: [step('straw', 21, 3, 3), step('moss', 11, 10, 13)] },
  { id: 'o', name: '4 Otter', lessonsLeft: 16, steps: [step('straw', 22, 2, 4)] },
];
const stock = (belt: string, more: Partial<BeltStock> = {}): BeltStock => ({
  belt,
  way: 'pieces',
  onHand: 0,
  cmEach: 60,
  reservePercent: 10,
  version: 1,
  ...more,
});

describe('belts to have ready', () => {
  it('are summed over the classes, and compared with what is in stock', () => {
    const [straw, moss] = beltNeeds(
      classes,
      [stock('straw', { onHand: 5 }), stock('moss', { onHand: 40 }), stock('plum')],
      new Map(),
    );
    expect(straw).toMatchObject({ passed: 43, likely: 5, atMost: 7, missing: 2 });
    expect(straw!.sums).toContain('short: 7 − 5 in stock = 2');
    expect(stockWords(straw!)).toBe('2 more');
    expect(stockWords(moss!)).toBe('enough');
    expect(beltNeeds(classes, [stock('plum')], new Map())).toEqual([]);
  });

  it('of cord are a length for each child, with a reserve', () => {
    const [straw] = beltNeeds(classes, [stock('straw', { way: 'cord', onHand: 100 })], new Map());
    // 7 × 60 cm and a tenth more are 462 cm; 362 are missing.
    expect(straw!.missing).toBe(362);
    expect(straw!.sums).toContain('cord: 0 + 7 = 7 × 60 cm + 10 % = 462 cm');
    expect(stockWords(straw!)).toBe('3.7 m more');
  });
});

describe('belts to hand out', () => {
  it('are counted by belt, and needed beside those to come', () => {
    const one = (belt: string, givenAt: string | null) => ({
      pupilId: 'p',
      name: 'Aino',
      stepId: 's',
      position: 1,
      belt,
      passedAt: '2026-03-03T09:00:00Z',
      givenAt,
    });
    const earned = [one('straw', null), one('straw', null), one('moss', null), one('straw', '2026-03-03T10:00:00Z')];
    const waiting = waitingBelts([{ id: 'p', name: '4 Plover', earned }]);
    expect([...waiting]).toEqual([
      ['straw', 2],
      ['moss', 1],
    ]);
    const [straw] = beltNeeds(classes, [stock('straw', { onHand: 5 })], waiting);
    expect(straw).toMatchObject({ missing: 4 });
    expect(straw!.sums).toContain('needed: 2 to hand out + 7 to come = 9 pieces');
  });
});

describe('numbers as they are said', () => {
  it.each([
    [[1, 2, 3, 4, 7], '1 to 4 and 7'],
    [[2, 1], '1 and 2'],
    [[5], '5'],
    [[], ''],
    [[1, 3, 4, 5, 9], '1, 3 to 5 and 9'],
  ])('%j', (numbers, words) => {
    expect(numbersWords(numbers)).toBe(words);
  });
});
