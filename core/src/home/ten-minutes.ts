import type { Instrument } from '../instruments/index.ts';
import { tuneTempi } from '../lesson/index.ts';
import { byHeight, pitch, type Pitch, type Tune } from '../music/index.ts';
import {
  chainOf,
  chainSheet,
  chunkLadder,
  echoPatterns,
  echoSheet,
  teachingOrder,
  type Chain,
  type Chunk,
  type EchoPattern,
} from '../practice/index.ts';
import { DEFAULT_TEMPO, readTune, type HardestMove, type Knowledge, type Reading } from '../reading/index.ts';

/** One tune of the way up to the pupil's own step. */
export interface HomeTune {
  readonly tune: Tune;
  readonly passed: boolean;
}

/** One thing that the teacher set for the week. */
export interface HomeTask {
  /** Among the tunes. */
  readonly tune: number;
  /** First and last bar, as printed; null for all of it. */
  readonly bars: readonly [number, number] | null;
  /** Beats a minute; null for the pupil's own. */
  readonly tempo: number | null;
}

/** How far a pupil is with the tune: kept on the device alone. */
export interface HomeProgress {
  /** On the ladder of pieces. */
  readonly piece: number;
  /** On the ladder of tempi. */
  readonly rung: number;
}

export const FIRST_DAY: HomeProgress = { piece: 0, rung: 0 };

export interface HomeFacts {
  readonly on: Instrument;
  readonly tunes: readonly HomeTune[];
  /** The tune that the pupil is on. */
  readonly now: number;
  /** What is known before that tune. */
  readonly known: Knowledge;
  readonly chunkBeats: number;
  readonly task: HomeTask | null;
  readonly progress: HomeProgress;
  /** Tunes that the pupil likes. */
  readonly loved: readonly number[];
  /** Counted from any day on: another day brings other patterns and another old tune. */
  readonly day: number;
}

interface PartOf<Kind extends string> {
  readonly kind: Kind;
  readonly minutes: number;
  /** Beats a minute. */
  readonly tempo: number;
}

/** One part of the practice, with the music that it is about. */
export type HomePart =
  /** Patterns to answer, each heard first. */
  | (PartOf<'warm-up'> & { readonly sheet: Tune; readonly patterns: readonly EchoPattern[] })
  /** The notes of the hardest move, one more in each round. */
  | (PartOf<'hard-spot'> & {
      readonly sheet: Tune;
      readonly chain: Chain;
      readonly hardest: HardestMove;
      readonly bars: readonly [number, number];
    })
  | (PartOf<'piece'> & { readonly tune: number; readonly chunk: Chunk; readonly of: number })
  | (PartOf<'task'> & { readonly tune: number; readonly bars: readonly [number, number] | null })
  | (PartOf<'whole'> & { readonly tune: number; readonly tempi: readonly number[] })
  /** An old tune, for pleasure. */
  | (PartOf<'old'> & { readonly tune: number; readonly isLoved: boolean });

export type HomePartKind = HomePart['kind'];

export const HOME_MINUTES = 10;
/** A crotchet of the warm-up takes its time. */
const WARM_UP_TEMPO = 76;
/** What is missing gives its time to the piece, or to the whole tune when there is no piece. */
const MINUTES: Readonly<Record<HomePartKind, number>> = {
  'warm-up': 2,
  'hard-spot': 2,
  piece: 3,
  task: 3,
  whole: 2,
  old: 1,
};

/**
 * Ten minutes of practice for the tune that a pupil is on: patterns on the newest note; the hardest move, note by note;
 * the next piece, or what the teacher set; the whole tune; and one from before. The same day gives the same parts.
 */
export function tenMinutes(facts: HomeFacts): readonly HomePart[] {
  const own = facts.tunes[facts.now];
  if (own === undefined) throw new RangeError(`There is no tune ${facts.now}`);
  const reading = readTune(own.tune, facts.on, facts.known);
  const tempi = tuneTempi(reading, false);
  const tempo = at(tempi, facts.progress.rung);
  const parts = [
    warmUp(facts, reading),
    hardSpot(facts, own.tune, reading),
    facts.task === null ? piece(facts, own.tune, reading) : task(facts.task, tempo),
    { kind: 'whole', minutes: 0, tune: facts.now, tempo, tempi } as const,
    old(facts),
  ].filter((part) => part !== null);
  return shared(parts);
}

/** What "More" brings: the next piece, or the next tempo. "Again" changes nothing. */
export function movedOn(progress: HomeProgress, part: HomePart): HomeProgress {
  if (part.kind === 'piece') return { ...progress, piece: Math.min(progress.piece + 1, part.of - 1) };
  if (part.kind === 'whole') return { ...progress, rung: Math.min(progress.rung + 1, part.tempi.length - 1) };
  return progress;
}

function shared(parts: readonly HomePart[]): readonly HomePart[] {
  const given = parts.reduce((sum, { kind }) => sum + MINUTES[kind], 0);
  const takes = parts.find(({ kind }) => kind === 'piece' || kind === 'task') ?? parts.find((p) => p.kind === 'whole');
  return parts.map((part) => ({
    ...part,
    minutes: MINUTES[part.kind] + (part === takes ? HOME_MINUTES - given : 0),
  }));
}

function at<Thing>(things: readonly Thing[], index: number): Thing {
  return things[Math.min(index, things.length - 1)]!;
}

/** Patterns on the note that is newest to the pupil, among those that are known. */
function warmUp({ on, known, day }: HomeFacts, reading: Reading): HomePart | null {
  const before = [...known.notes].map(pitch);
  const fresh = reading.notes.new.map(({ name }) => pitch(name));
  const order = teachingOrder(on, before, fresh);
  const notes = [...before, ...fresh].toSorted(byHeight);
  const newest: Pitch | undefined = order.at(-1) ?? hardestNote(reading) ?? notes.at(-1);
  if (newest === undefined) return null;
  const set = echoPatterns({ on, notes, newNote: newest, elements: known.elements, perGrade: 1, seed: day });
  const patterns = set.patterns.filter(({ grade }) => grade !== 'elsewhere').slice(-3);
  if (patterns.length === 0) return null;
  return { kind: 'warm-up', minutes: 0, tempo: WARM_UP_TEMPO, sheet: echoSheet(patterns, 'Warm-up'), patterns };
}

function hardestNote({ hardSpots: [spot] }: Reading): Pitch | null {
  return spot === undefined ? null : pitch(spot.hardest.to);
}

function hardSpot({ progress }: HomeFacts, tune: Tune, { hardSpots: [spot] }: Reading): HomePart | null {
  if (spot === undefined) return null;
  const { growing, backward } = chainOf(tune, spot);
  const tempo = at(spot.drill.ladder, progress.rung);
  const slow = growing.filter((round) => round.tempo === growing[0]!.tempo).map(({ notes }) => ({ notes, tempo }));
  return {
    kind: 'hard-spot',
    minutes: 0,
    tempo,
    chain: { growing, backward },
    hardest: spot.hardest,
    bars: spot.bars,
    sheet: chainSheet(slow, 'Note by note'),
  };
}

function piece({ chunkBeats, now, progress }: HomeFacts, tune: Tune, reading: Reading): HomePart | null {
  const ladder = chunkLadder(tune, reading, chunkBeats).filter(({ why }) => why.kind !== 'whole');
  if (ladder.length === 0) return null;
  const chunk = at(ladder, progress.piece);
  return { kind: 'piece', minutes: 0, tune: now, chunk, tempo: chunk.tempo, of: ladder.length };
}

function task({ tune, bars, tempo }: HomeTask, own: number): HomePart {
  return { kind: 'task', minutes: 0, tune, bars, tempo: tempo ?? own };
}

/** One of those that the pupil likes, or has passed: another on each day. */
function old({ tunes, now, loved, day }: HomeFacts): HomePart | null {
  const before = tunes.flatMap(({ passed }, index) => (passed && index !== now ? [index] : []));
  const liked = before.filter((index) => loved.includes(index));
  const from = liked.length > 0 ? liked : before;
  const index = from[day % from.length];
  if (index === undefined) return null;
  const { tune } = tunes[index]!;
  const { perMinute: tempo } = tune.tempo ?? DEFAULT_TEMPO;
  return { kind: 'old', minutes: 0, tune: index, tempo, isLoved: liked.length > 0 };
}
