import type { Playback } from '../workers/index.ts';

/** What the player plays: a stretch of a tune at a tempo. Times in seconds from the start of the stretch. */
export interface Schedule {
  readonly notes: readonly {
    readonly at: number;
    readonly seconds: number;
    readonly midi: number;
    readonly id: string;
    readonly part: number;
  }[];
  readonly clicks: readonly { readonly at: number; readonly strong: boolean }[];
  /** Seconds of clicks before the first note. */
  readonly lead: number;
  readonly length: number;
}

export interface Stretch {
  /** Indices of the first and last bar of the sheet; null plays all. */
  readonly bars: readonly [number, number] | null;
  readonly perMinute: number;
  readonly countIn: boolean;
}

/** A staccato space at the end of each note, so that equal notes are heard as two. */
const TONGUE = 0.06;

export function scheduleOf(playback: Playback, stretch: Stretch): Schedule {
  const second = 60 / stretch.perMinute;
  const [from, to] = boundsOf(playback, stretch.bars);
  const countIn = stretch.countIn ? playback.countIn : [];
  const beat = countIn.length > 1 ? countIn[1]!.start - countIn[0]!.start : 1;
  const lead = countIn.length * beat * second;
  const within = <Timed extends { readonly start: number }>(list: readonly Timed[]): readonly Timed[] =>
    list.filter((each) => each.start >= from - 1e-9 && each.start < to - 1e-9);
  return {
    lead,
    length: lead + (to - from) * second,
    notes: within(playback.notes).map((note) => ({
      at: lead + (note.start - from) * second,
      seconds: Math.max(0.05, note.beats * second - TONGUE),
      midi: note.midi,
      id: note.id,
      part: note.part,
    })),
    clicks: [
      ...countIn.map((click) => ({ at: click.start * second, strong: click.strong })),
      ...within(playback.clicks).map((click) => ({ at: lead + (click.start - from) * second, strong: click.strong })),
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
