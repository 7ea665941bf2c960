import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { describe, expect, it } from 'vitest';
import type { TuneInfo } from '../../workers/index.ts';
import { playbackOf } from '../../workers/playback.ts';
import { barIdsOf, breathPlaces, marksOf, type LayerId } from './layers.ts';

function info(music: string): TuneInfo {
  const read = readAbc(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\n${music}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  const { tune } = read.value;
  const reading = readTune(tune, instrument('soprano-recorder-baroque'), {
    ...NOTHING_KNOWN,
    notes: new Set(['G4', 'A4', 'B4']),
  });
  return {
    reading,
    composer: '',
    source: '',
    licence: '',
    key: tune.bars[0]!.key,
    hasWords: false,
    newNoteIds: ['n0-3-0'],
    printedBreathIds: ['n0-1-2'],
    pitches: { 'n0-0-0': 'B4', 'n0-3-0': 'E4', 'n1-0-0': 'G4' },
    barNumbers: tune.bars.map((bar) => bar.number),
    playback: playbackOf(tune, reading.tempo, 12),
  };
}

const goose = info('B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]');
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
  const split = info('D|G A B2|A3:|:B|c4|G4|]');
  expect(barIdsOf(split, [0, 2])).toEqual(['b0', 'b2', 'b3']);
});
