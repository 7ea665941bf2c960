import type { Playback } from '../workers/index.ts';

/** What the player plays. Times in seconds from the start. */
export interface Schedule {
  readonly notes: readonly SoundingNote[];
  readonly clicks: readonly { readonly at: number; readonly strong: boolean }[];
  /** What the picture shows from when on: the id of a note on the sheet, a beat of a clock. */
  readonly cues: readonly { readonly at: number; readonly id: string }[];
  /** MIDI number of the note that may sound under all; null where none fits. */
  readonly drone: number | null;
  /** Seconds of clicks before the first note. */
  readonly lead: number;
  readonly length: number;
}

export interface SoundingNote {
  readonly at: number;
  readonly seconds: number;
  readonly midi: number;
  /** 0 for the melody, 1 for a second part, which is softer. */
  readonly part: number;
}

export interface Stretch {
  /** Indices of the first and last bar of the sheet; null plays all. */
  readonly bars: readonly [number, number] | null;
  readonly perMinute: number;
  readonly countIn: boolean;
}

/** A staccato space at the end of each note, so that equal notes are heard as two. */
const TONGUE = 0.06;

/** How long a note sounds of the time that is written. */
export function tongued(seconds: number): number {
  return Math.max(0.05, seconds - TONGUE);
}

export function scheduleOf(playback: Playback, stretch: Stretch): Schedule {
  const second = 60 / stretch.perMinute;
  const [from, to] = boundsOf(playback, stretch.bars);
  const countIn = stretch.countIn ? playback.countIn : [];
  const beat = countIn.length > 1 ? countIn[1]!.start - countIn[0]!.start : 1;
  const lead = countIn.length * beat * second;
  const within = <Timed extends { readonly start: number }>(list: readonly Timed[]): readonly Timed[] =>
    list.filter((each) => each.start >= from - 1e-9 && each.start < to - 1e-9);
  const played = within(playback.notes);
  const at = (start: number): number => lead + (start - from) * second;
  return {
    lead,
    length: lead + (to - from) * second,
    drone: playback.drone,
    notes: played.map((note) => ({
      at: at(note.start),
      seconds: tongued(note.beats * second),
      midi: note.midi,
      part: note.part,
    })),
    cues: played.filter((note) => note.part === 0).map((note) => ({ at: at(note.start), id: note.id })),
    clicks: [
      ...countIn.map((click) => ({ at: click.start * second, strong: click.strong })),
      ...within(playback.clicks).map((click) => ({ at: at(click.start), strong: click.strong })),
    ],
  };
}

/** The first time that the stretch is played. */
function boundsOf(playback: Playback, bars: Stretch['bars']): readonly [number, number] {
  if (bars === null) return [0, playback.beats];
  const first = playback.bars.find((bar) => bar.index === bars[0]);
  const last = playback.bars.find((bar) => bar.index === bars[1] && bar.start >= (first?.start ?? 0));
  return first === undefined || last === undefined ? [0, playback.beats] : [first.start, last.end];
}
