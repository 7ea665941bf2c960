import { barId, eventId } from '@escalier/core/formats';
import {
  barLength,
  beatLength,
  beatsInBar,
  countInLength,
  eventsLength,
  midiNumber,
  performanceOrder,
  performedNotes,
  subtract,
  toNumber,
  tonic,
  add,
  withGraces,
  ZERO,
  valueLength,
  type PerformedNote,
  type Rational,
  type Tempo,
  type Tune,
} from '@escalier/core/music';
import type { Beats, BeatsPerMinute } from '@escalier/core/units';

/** A note to sound. Times in beats of the tempo, so that any tempo can play it. */
export interface PlayedNote {
  readonly midi: number;
  readonly start: Beats;
  readonly beats: Beats;
  /** Slurred into the next: no space between. */
  readonly legato: boolean;
  /** Where it stands on the sheet. */
  readonly id: string;
  readonly part: number;
}

/** A piece by the ids of its first and its last note or rest on the sheet. */
export interface PieceEnds {
  readonly from: string;
  readonly to: string;
}

/** One turn of a piece: played, or clicked while the class plays or fingers in silence. */
export interface PieceTurn extends PieceEnds {
  readonly perMinute: BeatsPerMinute;
  readonly who: 'teacher' | 'class' | 'together';
}

/** A note or rest of the first part as it is passed in the performance. */
export interface PlayedEvent {
  readonly id: string;
  readonly start: Beats;
  readonly end: Beats;
}

export interface Click {
  readonly start: Beats;
  readonly strong: boolean;
}

export interface PlayedBar {
  readonly id: string;
  readonly index: number;
  readonly start: Beats;
  readonly end: Beats;
}

export interface Playback {
  readonly perMinute: BeatsPerMinute;
  readonly beats: Beats;
  readonly notes: readonly PlayedNote[];
  readonly clicks: readonly Click[];
  readonly bars: readonly PlayedBar[];
  readonly events: readonly PlayedEvent[];
  /** Clicks before the first note: a full bar, and the missing part of the pickup's. */
  readonly countIn: readonly Click[];
  /** MIDI number of the key note, low: something to tune by. */
  readonly drone: number;
}

/** Everything that is to be heard, in performance order. */
export function playbackOf(tune: Tune, tempo: Tempo, soundsAbove: number): Playback {
  const inBeats = (length: Rational): Beats => toNumber(length) / toNumber(tempo.beat);
  const bars: PlayedBar[] = [];
  const events: PlayedEvent[] = [];
  const clicks: Click[] = [];
  let now: Rational = ZERO;
  for (const index of performanceOrder(tune)) {
    const { metre } = tune.bars[index]!;
    const length = eventsLength(tune.parts[0].bars[index]!);
    const missing = subtract(barLength(metre), length);
    const offset = index === 0 && missing.num > 0 ? inBeats(missing) : 0;
    for (let beat = 0; beat * inBeats(beatLength(metre)) - offset < inBeats(length) - 1e-9; beat++) {
      const at = beat * inBeats(beatLength(metre)) - offset;
      if (at >= -1e-9) clicks.push({ start: inBeats(now) + at, strong: beat % beatsInBar(metre) === 0 });
    }
    const end = add(now, length);
    bars.push({ id: barId(index), index, start: inBeats(now), end: inBeats(end) });
    let at = now;
    for (const [place, event] of tune.parts[0].bars[index]!.entries()) {
      const start = at;
      at = add(at, valueLength(event.value));
      events.push({ id: eventId(0, index, place), start: inBeats(start), end: inBeats(at) });
    }
    now = end;
  }
  const notes = tune.parts.flatMap((_, part) => playedNotes(performedNotes(tune, part), part, inBeats, soundsAbove));
  return {
    perMinute: tempo.perMinute,
    beats: inBeats(now),
    notes,
    clicks,
    bars,
    events,
    countIn: countIn(tune, inBeats),
    drone: droneOf(tune, soundsAbove),
  };
}

/** A staccato note sounds for half of its time; under a slur one note goes into the next. */
function playedNotes(
  performed: readonly PerformedNote[],
  part: number,
  inBeats: (length: Rational) => Beats,
  soundsAbove: number,
): readonly PlayedNote[] {
  let openSlurs = 0;
  return performed.flatMap((note): readonly PlayedNote[] => {
    openSlurs = Math.max(0, openSlurs + note.note.slurStarts - note.note.slurEnds);
    const isShort = note.note.articulations.includes('staccato');
    return withGraces(note).map(({ pitch, onset, length }) => ({
      id: eventId(part, note.barIndex, note.eventIndex),
      part,
      midi: midiNumber(pitch) + soundsAbove,
      start: inBeats(onset),
      beats: inBeats(length) * (isShort ? 0.5 : 1),
      legato: openSlurs > 0 && !isShort,
    }));
  });
}

/** The tonic of the first bar, an octave under where the instrument plays it. */
function droneOf(tune: Tune, soundsAbove: number): number {
  return midiNumber(tonic(tune.bars[0]!.key)) + soundsAbove - 12;
}

function countIn(tune: Tune, inBeats: (length: Rational) => number): readonly Click[] {
  const { metre } = tune.bars[0]!;
  const beat = inBeats(beatLength(metre));
  const count = Math.round(inBeats(countInLength(tune)) / beat);
  return Array.from({ length: count }, (_, index) => ({
    start: index * beat,
    strong: index % beatsInBar(metre) === 0,
  }));
}
