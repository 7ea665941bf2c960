// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { tuneInfo } from '../../testing/tune-info.ts';
import { barIdsOf, breathPlaces, marksOf, type LayerId } from './layers.ts';

const goose = tuneInfo('B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]');
const kinds = (...layers: LayerId[]): readonly string[] => marksOf(goose, layers, null).map((mark) => mark.kind);

describe('marksOf', () => {
  it('draws what is switched on, and nothing else', () => {
    expect(kinds()).toEqual([]);
    expect(kinds('new')).toEqual(['ring']);
    expect(kinds('same')).toEqual(['shade', 'shade', 'shade', 'shade']);
    expect(kinds('hard')).toEqual(['bracket']);
    expect(kinds('fingerings')).toEqual(['chart', 'chart']);
  });

  it('puts a bracket over the bars of the hard spot', () => {
    expect(marksOf(goose, ['hard'], null)).toEqual([{ kind: 'bracket', from: 'b6', to: 'b6' }]);
  });

  it('draws no comma where the sheet has a breath of its own', () => {
    const ids = marksOf(goose, ['breaths'], null).map((mark) => ('id' in mark ? mark.id : ''));
    expect(ids).toEqual(['n0-3-0', 'n0-5-2']);
  });
});

describe('breathPlaces', () => {
  it('are what is proposed, or the class’s own', () => {
    expect(breathPlaces(goose, null).map((place) => place.barIndex)).toEqual([1, 3, 5]);
    expect(breathPlaces(goose, [{ barIndex: 0, eventIndex: 1 }])).toEqual([
      { barIndex: 0, eventIndex: 1, small: true },
    ]);
  });
});

it('finds the bars of printed numbers, also the halves of one bar', () => {
  const split = tuneInfo('D|G A B2|A3:|:B|c4|G4|]');
  expect(barIdsOf(split, [0, 2])).toEqual(['b0', 'b2', 'b3']);
});
