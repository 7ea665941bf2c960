import '../english.ts';
import { readAbc, eventId, placeOfId } from '@escalier/core/formats';
import { findInstrument, type Instrument, type Naming } from '@escalier/core/instruments';
import {
  hearNotes,
  listenTo,
  PLAIN_RULE,
  type Listened,
  type ListeningRule,
  type Reason,
  type Stretch,
  type Unclear,
} from '@escalier/core/listening';
import { pitchIn, pitchName, quartersPerMinute, type Key, type Tune } from '@escalier/core/music';
import type { Fault, Outcome, RemarkId } from '@escalier/core/records';
import { beatsOf, kindWords, listenedWords, sayNote, type KindWords } from '@escalier/core/words';
import { expose } from 'comlink';
import { noteWordsIn } from '../ui/note-words.ts';
import type { PieceEnds } from './playback.ts';

export interface ToListen {
  /** One channel, -1 to 1, `rate` a second. */
  readonly samples: Float32Array;
  readonly rate: number;
  readonly abc: string;
  readonly instrumentId: string;
  /** The tempo in beats of the tune. */
  readonly rule: ListeningRule;
  /** When only that was to be played. */
  readonly stretch?: PieceEnds | null;
  /** How a child is told of notes; by letters where it is not given. */
  readonly naming?: Naming;
}

/** A written note and when it is due by how the pupil played. */
export interface AskedNote {
  /** Of the engraved note. */
  readonly id: string;
  readonly midi: number;
  /** Seconds of the recording; null for a note that was not played. */
  readonly from: number | null;
  readonly to: number | null;
  readonly kind: 'right' | 'wrong' | 'missed' | 'slurred';
  /** Why it is marked; empty for a right one. */
  readonly words: string;
}

/** All that a screen shows of a recording. */
export interface ListenedView {
  readonly words: string;
  /** The same for a child. */
  readonly kindly: KindWords;
  readonly outcome: Outcome | null;
  readonly unclear: Unclear | null;
  readonly remarks: readonly RemarkId[];
  readonly reasons: readonly Reason['kind'][];
  readonly sure: number;
  /** Beats a minute as the tune counts them; null where too little was played. */
  readonly tempo: number | null;
  readonly tuning: number;
  readonly asked: readonly AskedNote[];
  /** Ids of the notes before which the pupil stopped. */
  readonly stops: readonly string[];
  /** Notes that were too many, and squeaks. */
  readonly extras: readonly { readonly at: number; readonly midi: number; readonly kind: 'extra' | 'squeak' }[];
  /** Seconds of all that is to be listened to again, in order. */
  readonly spots: readonly number[];
  /** For the record: where it went wrong. */
  readonly faults: readonly Fault[];
  readonly curve: readonly { readonly at: number; readonly cents: number; readonly level: number }[];
  readonly seconds: number;
}

const MOST_FAULTS = 60;

function listen({ samples, rate, abc, instrumentId, rule, stretch, naming }: ToListen): ListenedView | null {
  const read = readAbc(abc);
  const instrument = findInstrument(instrumentId);
  if (!read.ok || instrument === null) return null;
  const { tune } = read.value;
  const tempo =
    rule.tempo === null || tune.tempo === null ? null : quartersPerMinute({ ...tune.tempo, perMinute: rule.tempo });
  const listened = listenTo(
    hearNotes(samples, rate),
    tune,
    instrument,
    { ...PLAIN_RULE, ...rule, tempo },
    placesOf(stretch),
  );
  const { proposal, assessment, track } = listened;
  const asked = askedNotes(listened, tune, instrument);
  const extras = assessment.extras.flatMap(({ heard, kind }) => {
    const note = track.notes[heard]!;
    return kind === 'restart' ? [] : [{ at: note.onset, midi: note.midi, kind }];
  });
  return {
    words: listenedWords(listened, { tune, on: instrument, say: sayNote }),
    kindly: kindWords(listened, {
      tune,
      on: instrument,
      say: naming === undefined ? sayNote : (name) => noteWordsIn(name, naming, instrument),
    }),
    outcome: proposal.outcome,
    unclear: proposal.unclear,
    remarks: proposal.remarks,
    sure: proposal.sure,
    reasons: proposal.reasons.map(({ kind }) => kind),
    tempo: assessment.tempo === null ? null : beatsOf(assessment.tempo, tune),
    tuning: track.tuning,
    asked,
    extras,
    seconds: track.seconds,
    stops: assessment.hesitations.map(({ before }) => asked[before]!.id),
    spots: spotsOf(asked, extras, listened),
    faults: proposal.unclear === null ? faultsOf(listened, tune) : [],
    curve: track.curve,
  };
}

function placesOf(stretch: PieceEnds | null = null): Stretch | null {
  const [from, to] = [placeOfId(stretch?.from ?? ''), placeOfId(stretch?.to ?? '')];
  return from === null || to === null ? null : { from, to };
}

function askedNotes({ score, assessment, track }: Listened, tune: Tune, instrument: Instrument): AskedNote[] {
  return assessment.verdicts.map(({ kind, heard, came }, index) => {
    const { midi, barIndex, eventIndex } = score.notes[index]!;
    const note = heard === null ? null : track.notes[heard]!;
    return {
      id: eventId(0, barIndex, eventIndex),
      midi,
      kind,
      from: note?.onset ?? null,
      to: note?.offset ?? null,
      words: kind === 'wrong' ? nameOf(came!, tune.bars[barIndex]!.key, instrument) : WORDS[kind],
    };
  });
}

const nameOf = (midi: number, key: Key, instrument: Instrument): string =>
  sayNote(pitchName(pitchIn(key, midi - instrument.soundsAbove)));

const WORDS = { right: '', missed: 'Missing', slurred: 'Not tongued', wrong: '' } as const;

/** Where something is to be heard again: a missing note just after the one before it. */
function spotsOf(asked: readonly AskedNote[], extras: ListenedView['extras'], { assessment }: Listened): number[] {
  const last = (index: number): number => asked.slice(0, index).findLast(({ to }) => to !== null)?.to ?? 0;
  const notes = asked.flatMap(({ kind, from }, index) => (kind === 'right' ? [] : [from ?? last(index)]));
  const stops = assessment.hesitations.map(({ before }) => last(before));
  const spots = [...notes, ...stops, ...extras.map(({ at }) => at)].toSorted((a, b) => a - b);
  return spots.filter((at, index) => index === 0 || at - spots[index - 1]! > 0.3);
}

function faultsOf({ score, assessment }: Listened, tune: Tune): Fault[] {
  const at = (index: number, remark: RemarkId): Fault => {
    const { barIndex, eventIndex } = score.notes[index]!;
    return { remark, bar: tune.bars[barIndex]!.number, barIndex, eventIndex };
  };
  const faults = [
    ...assessment.verdicts.flatMap(({ kind }, index) =>
      kind === 'right' ? [] : [at(index, kind === 'slurred' ? 'tongue' : 'note')],
    ),
    ...assessment.hesitations.map(({ before }) => at(before, 'stopped')),
  ];
  return faults.slice(0, MOST_FAULTS);
}

const worker = { listen };
export type ListeningWorker = typeof worker;
expose(worker);
