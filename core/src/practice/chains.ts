import { performedNotes, pitch, pitchName, PLAIN_NOTE, PLAIN_REST, type Tune, type TuneEvent } from '../music/index.ts';
import type { HardSpot } from '../reading/index.ts';
import { plainValue } from './rhythm.ts';
import { shortTune } from './short-tune.ts';

/** One round of a chain: its notes, two beats each, first fingered without a sound and then played. */
export interface ChainRound {
  readonly notes: readonly string[];
  /** Beats a minute. */
  readonly tempo: number;
}

/** The notes of a hard spot, put together one by one. */
export interface Chain {
  /** From the first note on: five–two, five–two–three. */
  readonly growing: readonly ChainRound[];
  /** From the last two notes: the end is sure before the beginning comes. */
  readonly backward: readonly ChainRound[];
}

export const CHAIN_BEATS = 2;
const MOST_NOTES = 5;
const FEWEST_NOTES = 3;

/**
 * The chain of a hard spot: three to five notes from its hard move on, those that are struck again once; all of them at
 * last a rung faster at a time.
 */
export function chainOf(tune: Tune, spot: HardSpot): Chain {
  const notes = spotNotes(tune, spot);
  const [slow, ...faster] = spot.drill.ladder;
  const round = (some: readonly string[]): ChainRound => ({ notes: some, tempo: slow! });
  const lengths = notes.slice(1).map((_, index) => index + 2);
  const whole = faster.map((tempo): ChainRound => ({ notes, tempo }));
  return {
    growing: [...lengths.map((length) => round(notes.slice(0, length))), ...whole],
    backward: [...lengths.map((length) => round(notes.slice(-length))), ...whole],
  };
}

function spotNotes(tune: Tune, { hardest, bars: [first, last] }: HardSpot): readonly string[] {
  const inside = (index: number): boolean => {
    const { number } = tune.bars[index]!;
    return number >= first && number <= last;
  };
  for (let part = 0; part < tune.parts.length; part++) {
    const played = performedNotes(tune, part).map((note) => ({ name: pitchName(note.pitch), at: note.barIndex }));
    const struck = played.filter((note, index) => index === 0 || note.name !== played[index - 1]!.name);
    const at = struck.findIndex(
      (note, index) => note.name === hardest.from && struck[index + 1]?.name === hardest.to && inside(note.at),
    );
    if (at < 0) continue;
    const end = Math.min(at + MOST_NOTES, struck.length);
    const isFar = struck.slice(at + 2, end).findIndex((note) => !inside(note.at));
    const to = isFar < 0 ? end : Math.max(at + 2 + isFar, Math.min(at + FEWEST_NOTES, struck.length));
    return struck.slice(Math.max(0, Math.min(at, to - FEWEST_NOTES)), to).map((note) => note.name);
  }
  return [hardest.from, hardest.to];
}

/** A chain to read and to play: each round on its own bars, two beats a note, the rest of its last bar silent. */
export function chainSheet(rounds: readonly ChainRound[], title: string): Tune {
  const half = plainValue('half');
  const bars = rounds.flatMap(({ notes }) => {
    const events: TuneEvent[] = notes.map((name) => ({ ...PLAIN_NOTE, value: half, pitch: pitch(name) }));
    if (events.length % 2 === 1) events.push({ ...PLAIN_REST, value: half });
    return Array.from({ length: events.length / 2 }, (_, bar) => events.slice(2 * bar, 2 * bar + 2));
  });
  const tempo = { beat: { num: 1, den: 4 }, perMinute: rounds[0]!.tempo };
  return shortTune({ title, metre: { count: 4, unit: 4 }, bars, tempo, barsOnLine: 4 });
}
