import { eventId, writeAbc } from '@escalier/core/formats';
import { findInstrument, type Instrument } from '@escalier/core/instruments';
import { pitch, pitchName, type Pitch, type Tune } from '@escalier/core/music';
import {
  bareVersions,
  chainOf,
  chainSheet,
  echoPatterns,
  echoSheet,
  onOneNote,
  preparation,
  type ChainRound,
  type EchoPattern,
  type EchoSet,
} from '@escalier/core/practice';
import { DEFAULT_TEMPO, readTune, type Knowledge } from '@escalier/core/reading';
import { playbackOf, type PieceTurn, type Playback } from './playback.ts';
import { t } from '../messages.ts';

export interface EchoSource {
  readonly instrumentId: string;
  /** Written pitches, the new one among them. */
  readonly notes: readonly string[];
  readonly newNote: string;
  readonly elements: readonly string[];
  readonly perGrade: number;
  readonly seed: number;
  /** Pinned patterns by their places. */
  readonly pinned: readonly (readonly [place: string, pattern: EchoPattern])[];
}

/** A pattern and how it is written. */
export interface WrittenEcho extends EchoPattern {
  readonly abc: string;
}

export interface WrittenEchoSet extends Omit<EchoSet, 'patterns'> {
  readonly patterns: readonly WrittenEcho[];
}

/** The graded patterns of a new note, each with its sheet; nothing for an instrument that is not known. */
export function echoSet(source: EchoSource): WrittenEchoSet {
  const instrument = findInstrument(source.instrumentId);
  if (instrument === null) return { patterns: [], missing: [] };
  const set = echoPatterns({
    on: instrument,
    notes: source.notes.map(pitch),
    newNote: pitch(source.newNote),
    elements: new Set(source.elements),
    perGrade: source.perGrade,
    seed: source.seed,
    pinned: new Map(source.pinned),
  });
  return {
    missing: set.missing,
    patterns: set.patterns.map((pattern, index) => ({
      ...pattern,
      abc: writeAbc(echoSheet([pattern], t('practice.pattern-index', { index: index + 1 }))),
    })),
  };
}

/** One way into a tune: its hardest moves, its hard spot note by note, its rhythm on one note, or a bare version of it. */
export interface WayIn {
  readonly kind: 'moves' | 'chain' | 'rhythm' | 'bare';
  readonly label: string;
  readonly about: string;
  readonly abc: string;
  readonly playback: Playback;
  /** How it is played where that is not once through; null for that. */
  readonly turns: readonly PieceTurn[] | null;
}

const BARE_STAGES = 4;

/** The ways into a tune for a class, in the order in which one would take them. */
export function waysInto(tune: Tune, instrument: Instrument, known: Knowledge): readonly WayIn[] {
  const tempo = tune.tempo ?? DEFAULT_TEMPO;
  const written = (way: Tune): Pick<WayIn, 'abc' | 'playback' | 'turns'> => ({
    turns: null,
    abc: writeAbc(way),
    playback: playbackOf(way, way.tempo ?? tempo, instrument.soundsAbove),
  });
  const { moves, sheet } = preparation(tune, instrument, known);
  const note = commonNote(tune, instrument, known);
  const bare = bareVersions(tune, BARE_STAGES).slice(0, -1);
  return [
    ...(sheet === null
      ? []
      : [
          {
            kind: 'moves' as const,
            label: t('practice.moves-first'),
            about: moves.map(({ from, to }) => `${from}–${to}`).join(', '),
            ...written(sheet),
          },
        ]),
    ...chains(tune, instrument, known).map(({ label, rounds }): WayIn => ({
      kind: 'chain',
      label,
      about: rounds.at(-1)!.notes.join('–'),
      ...written(chainSheet(rounds, label)),
      turns: chainTurns(rounds),
    })),
    {
      kind: 'rhythm',
      label: t('practice.rhythm-on-one-note'),
      about: pitchName(note),
      ...written(onOneNote(tune, note)),
    },
    ...bare.map((version, index): WayIn => ({
      kind: 'bare',
      label: t('practice.bare-index', { index: index + 1 }),
      about: t('practice.notes-of-of-notes', { notes: version.notes, of: version.of }),
      ...written(version.tune),
    })),
  ];
}

/** The hardest spot, growing from its first note and from its last. */
function chains(tune: Tune, instrument: Instrument, known: Knowledge) {
  const [spot] = readTune(tune, instrument, known).hardSpots;
  if (spot === undefined) return [];
  const { growing, backward } = chainOf(tune, spot);
  return [
    { label: t('practice.hard-spot-growing'), rounds: growing },
    { label: t('practice.hard-spot-from-its-end'), rounds: backward },
  ];
}

/** Each round first fingered in silence to the click, then played; two notes stand in a bar. */
function chainTurns(rounds: readonly ChainRound[]): readonly PieceTurn[] {
  let bar = 0;
  return rounds.flatMap(({ notes, tempo }): PieceTurn[] => {
    const bars = Math.ceil(notes.length / 2);
    const round = { from: eventId(0, bar, 0), to: eventId(0, bar + bars - 1, 1), perMinute: tempo };
    bar += bars;
    return [
      { ...round, who: 'class' },
      { ...round, who: 'together' },
    ];
  });
}

/** The note that comes most often, one that the class knows before one that is new. */
function commonNote(tune: Tune, instrument: Instrument, known: Knowledge): Pitch {
  const uses = readTune(tune, instrument, known).notes.all;
  const rank = (name: string, count: number): number => count + (known.notes.has(name) ? 1000 : 0);
  return uses.toSorted((a, b) => rank(b.name, b.count) - rank(a.name, a.count))[0]!.pitch;
}
