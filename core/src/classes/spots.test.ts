import { expect, it } from 'vitest';
import type { HardSpot } from '../reading/index.ts';
import type { TroubleSpot } from '../records/index.ts';
import { classSpots } from './index.ts';

const foreseen = (first: number, last = first) => ({ bars: [first, last] }) as unknown as HardSpot;
const trouble = (bar: number, pupils: number): TroubleSpot => ({ bar, barIndex: bar - 1, pupils, of: 9, remarks: [] });
const said = (spots: ReturnType<typeof classSpots>) =>
  spots.map(
    (spot) => `${spot.bars.join('-')} ${spot.foreseen === null ? 'heard' : 'foreseen'} ${spot.stopped}/${spot.of}`,
  );

it('puts where the class stopped before what was foreseen', () => {
  expect(said(classSpots([foreseen(7), foreseen(4)], [trouble(3, 5), trouble(7, 2), trouble(1, 1)]))).toEqual([
    '3-3 heard 5/9',
    '7-7 foreseen 2/9',
    '4-4 foreseen 0/9',
  ]);
});

it('is what was foreseen as long as nobody was heard', () => {
  expect(said(classSpots([foreseen(7, 8)], []))).toEqual(['7-8 foreseen 0/0']);
});
