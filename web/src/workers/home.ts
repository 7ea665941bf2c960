import { eventId, readAbc, writeAbc } from '@escalier/core/formats';
import { tenMinutes, type HomeFacts, type HomePart, type HomePartKind } from '@escalier/core/home';
import { findInstrument, type Naming } from '@escalier/core/instruments';
import type { Tune } from '@escalier/core/music';
import { knowledgeByName, type KnownNames, type Place } from '@escalier/core/reading';
import { homePartWords } from '@escalier/core/words';
import { noteWordsIn } from '../ui/note-words.ts';
import type { PieceEnds, PieceTurn } from './playback.ts';

/** What a day of practice is made of, as plain data. */
export interface HomeSource extends Omit<HomeFacts, 'on' | 'tunes' | 'known'> {
  readonly instrumentId: string;
  readonly naming: Naming;
  readonly tunes: readonly { readonly abc: string; readonly passed: boolean }[];
  readonly known: KnownNames;
}

/** A part of the practice as the room shows and plays it. */
export interface HomePartView {
  readonly kind: HomePartKind;
  readonly minutes: number;
  readonly tempo: number;
  readonly title: string;
  readonly say: string;
  /** The music on the screen. */
  readonly abc: string;
  /** Among the tunes; null for patterns. */
  readonly tune: number | null;
  /** Who plays when; null for playing along with all of it. */
  readonly turns: readonly PieceTurn[] | null;
  /** The bars that it is about, by index; null for all. */
  readonly bars: readonly [number, number] | null;
  /** What is to be played alone, when only some of the music is. */
  readonly alone: PieceEnds | null;
  /** As the core has it, to move on from. */
  readonly part: HomePart;
}

/** The parts of today; null for an instrument or a tune that cannot be read. */
export function homeParts(source: HomeSource): readonly HomePartView[] | null {
  const instrument = findInstrument(source.instrumentId);
  const read = source.tunes.map(({ abc }) => readAbc(abc));
  if (instrument === null || read.length === 0 || read.some(({ ok }) => !ok)) return null;
  const tunes = read.map((result) => (result as { readonly value: { readonly tune: Tune } }).value.tune);
  const parts = tenMinutes({
    ...source,
    on: instrument,
    known: knowledgeByName(source.known),
    tunes: tunes.map((tune, index) => ({ tune, passed: source.tunes[index]!.passed })),
  });
  const say = (name: string): string => noteWordsIn(name, source.naming, instrument);
  return parts.map((part): HomePartView => {
    const words = homePartWords(part, say, (index) => tunes[index]!.title);
    const tune = 'tune' in part ? part.tune : null;
    const shown = 'sheet' in part ? part.sheet : tunes[part.tune]!;
    return {
      kind: part.kind,
      minutes: part.minutes,
      tempo: part.tempo,
      ...words,
      part,
      tune,
      abc: tune === null ? writeAbc(shown) : source.tunes[tune]!.abc,
      turns: turnsOf(part, shown),
      bars: barsOf(part, shown),
      alone: aloneOf(part, shown),
    };
  });
}

const idOf = ({ barIndex, eventIndex }: Place): string => eventId(0, barIndex, eventIndex);

/** Heard, then answered: bar by bar for patterns, once for a piece. */
function turnsOf(part: HomePart, shown: Tune): readonly PieceTurn[] | null {
  const perMinute = part.tempo;
  const both = (from: string, to: string): readonly PieceTurn[] => [
    { from, to, perMinute, who: 'teacher' },
    { from, to, perMinute, who: 'class' },
  ];
  if (part.kind === 'warm-up')
    return shown.parts[0].bars.flatMap((events, barIndex) =>
      both(eventId(0, barIndex, 0), eventId(0, barIndex, events.length - 1)),
    );
  if (part.kind !== 'piece') return null;
  const { from, to, starts } = part.chunk;
  return starts === 'teacher'
    ? both(idOf(from), idOf(to))
    : [{ from: idOf(from), to: idOf(to), perMinute, who: 'together' }];
}

function aloneOf(part: HomePart, shown: Tune): PieceEnds | null {
  if (part.kind === 'piece') return { from: idOf(part.chunk.from), to: idOf(part.chunk.to) };
  const bars = part.kind === 'task' ? barsOf(part, shown) : null;
  if (bars === null) return null;
  return { from: eventId(0, bars[0], 0), to: eventId(0, bars[1], shown.parts[0].bars[bars[1]]!.length - 1) };
}

function barsOf(part: HomePart, { bars }: Tune): readonly [number, number] | null {
  const printed = part.kind === 'task' ? part.bars : part.kind === 'piece' ? part.chunk.bars : null;
  if (printed === null) return null;
  const from = bars.findIndex(({ number }) => number === printed[0]);
  const to = bars.findLastIndex(({ number }) => number === printed[1]);
  return from < 0 || to < from ? null : [from, to];
}
