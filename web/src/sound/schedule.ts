import { secondsOf, type Beats, type BeatsPerMinute, type Seconds } from '@escalier/core/units';
import type { Playback } from '../workers/index.ts';

/** What the player plays. Times from the start. */
export interface Schedule {
  readonly notes: readonly SoundingNote[];
  readonly clicks: readonly { readonly at: Seconds; readonly strong: boolean }[];
  /** What the picture shows from when on: the id of a note on the sheet, a beat of a clock. */
  readonly cues: readonly { readonly at: Seconds; readonly id: string }[];
  /** MIDI number of the note that may sound under all; null where none fits. */
  readonly drone: number | null;
  /** Of clicks before the first note. */
  readonly lead: Seconds;
  readonly length: Seconds;
}

export interface SoundingNote {
  readonly at: Seconds;
  readonly seconds: Seconds;
  readonly midi: number;
  /** 0 for the melody, 1 for a second part, which is softer. */
  readonly part: number;
}

export interface Stretch {
  /** Indices of the first and last bar of the sheet; null plays all. */
  readonly bars: readonly [number, number] | null;
  readonly perMinute: BeatsPerMinute;
  readonly countIn: boolean;
}

/** A staccato space at the end of each note, so that equal notes are heard as two. */
const TONGUE = 0.06;

/** How long a note sounds of the time that is written. */
export function tongued(seconds: Seconds): Seconds {
  return Math.max(0.05, seconds - TONGUE);
}

export function scheduleOf(playback: Playback, stretch: Stretch): Schedule {
  const inSeconds = (beats: Beats): Seconds => secondsOf(beats, stretch.perMinute);
  const [from, to] = boundsOf(playback, stretch.bars);
  const countIn = stretch.countIn ? playback.countIn : [];
  const beat = countIn.length > 1 ? countIn[1]!.start - countIn[0]!.start : 1;
  const lead = inSeconds(countIn.length * beat);
  const within = <Timed extends { readonly start: Beats }>(list: readonly Timed[]): readonly Timed[] =>
    list.filter((each) => each.start >= from - 1e-9 && each.start < to - 1e-9);
  const played = within(playback.notes);
  const at = (start: Beats): Seconds => lead + inSeconds(start - from);
  return {
    lead,
    length: at(to),
    drone: playback.drone,
    notes: played.map((note) => ({
      at: at(note.start),
      seconds: tongued(inSeconds(note.beats)),
      midi: note.midi,
      part: note.part,
    })),
    cues: played.filter((note) => note.part === 0).map((note) => ({ at: at(note.start), id: note.id })),
    clicks: [
      ...countIn.map((click) => ({ at: inSeconds(click.start), strong: click.strong })),
      ...within(playback.clicks).map((click) => ({ at: at(click.start), strong: click.strong })),
    ],
  };
}

/** The first time that the stretch is played. */
function boundsOf(playback: Playback, bars: Stretch['bars']): readonly [Beats, Beats] {
  if (bars === null) return [0, playback.beats];
  const first = playback.bars.find((bar) => bar.index === bars[0]);
  const last = playback.bars.find((bar) => bar.index === bars[1] && bar.start >= (first?.start ?? 0));
  return first === undefined || last === undefined ? [0, playback.beats] : [first.start, last.end];
}
