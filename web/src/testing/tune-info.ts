import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { chunkLadder } from '@escalier/core/practice';
import { figuresOf, NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import type { TuneInfo } from '../workers/index.ts';
import { playbackOf } from '../workers/playback.ts';

/** What the worker would say of a tune in G to a class that knows G, A and B. */
export function tuneInfo(music: string): TuneInfo {
  const read = readAbc(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\n${music}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  const { tune } = read.value;
  const reading = readTune(tune, instrument('soprano-recorder-baroque'), {
    ...NOTHING_KNOWN,
    notes: new Set(['G4', 'A4', 'B4']),
  });
  return {
    reading,
    abc: '',
    figures: figuresOf(tune),
    chunks: chunkLadder(tune, reading),
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
