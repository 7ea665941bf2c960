import {
  keyAlter,
  midiNumber,
  performedNotes,
  quartersPerMinute,
  toNumber,
  type PerformedNote,
  type Tune,
} from '../music/index.ts';
import type { Instrument } from '../instruments/index.ts';
import { comparePlaces, phraseBars, type Place } from '../reading/index.ts';
import type { ListeningScore, ScoreNote } from './score.ts';

/** A note that is to be heard, and where it is printed. */
export interface TuneNote extends ScoreNote {
  /** Indices into the tune's bars and into that bar's notes and rests. */
  readonly barIndex: number;
  readonly eventIndex: number;
  /** What would sound if the key signature were forgotten; null where it changes nothing. */
  readonly unsigned: number | null;
}

export interface TuneScore extends ListeningScore {
  readonly notes: readonly TuneNote[];
}

/** Where a tune gives no tempo, in quarter notes a minute. */
const USUAL_TEMPO = 90;

/** What a pupil with an instrument is to be heard playing, repeats played out. */
export function tuneScore(tune: Tune, instrument: Instrument, part = 0): TuneScore {
  const starts = new Set(
    phraseBars(tune).flatMap(({ places }) => (places[0] === undefined ? [] : [placeKey(places[0])])),
  );
  const tempo = tune.tempo === null ? USUAL_TEMPO : quartersPerMinute(tune.tempo);
  let bar = -1;
  const notes = performedNotes(tune, part).map((played): TuneNote => {
    const isStart = played.barIndex !== bar || starts.has(placeKey(played));
    bar = played.barIndex;
    return {
      onset: toNumber(played.onset) * 4,
      duration: toNumber(played.length) * 4,
      midi: midiNumber(played.pitch) + instrument.soundsAbove,
      isStart,
      barIndex: played.barIndex,
      eventIndex: played.eventIndex,
      unsigned: unsigned(tune, played, instrument),
    };
  });
  return { notes, tempo };
}

const placeKey = ({ barIndex, eventIndex }: { readonly barIndex: number; readonly eventIndex: number }): string =>
  `${barIndex} ${eventIndex}`;

function unsigned(tune: Tune, { pitch, barIndex }: PerformedNote, instrument: Instrument): number | null {
  const alter = keyAlter(tune.bars[barIndex]!.key, pitch.letter);
  return alter !== 0 && pitch.alter === alter ? midiNumber({ ...pitch, alter: 0 }) + instrument.soundsAbove : null;
}

/** Some of a tune as it is printed, its first and its last note or rest counted. */
export interface Stretch {
  readonly from: Place;
  readonly to: Place;
}

/** What of it is to be heard when only a stretch is played, once; without notes where the stretch has none. */
export function stretchScore(score: TuneScore, { from, to }: Stretch): TuneScore {
  const seen = new Set<string>();
  const within = score.notes.filter((note) => {
    const isIn = comparePlaces(note, from) >= 0 && comparePlaces(note, to) <= 0 && !seen.has(placeKey(note));
    if (isIn) seen.add(placeKey(note));
    return isIn;
  });
  const start = within[0]?.onset ?? 0;
  return { ...score, notes: within.map((note) => ({ ...note, onset: note.onset - start })) };
}

/** The same without the repeats: many a pupil leaves them out, and has played the tune. Null where there are none. */
export function withoutRepeats(score: TuneScore): TuneScore | null {
  const seen = new Set<string>();
  let shift = 0;
  const notes: TuneNote[] = [];
  for (const [index, note] of score.notes.entries()) {
    const next = score.notes[index + 1];
    if (seen.has(placeKey(note))) shift += (next?.onset ?? note.onset) - note.onset;
    else notes.push({ ...note, onset: note.onset - shift });
    seen.add(placeKey(note));
  }
  return notes.length === score.notes.length ? null : { ...score, notes };
}
