import { beatsInBar, metreText, type Tune } from '../music/index.ts';
import {
  comparePlaces,
  phraseBars,
  phraseLines,
  tempoLadder,
  type HardSpot,
  type PhraseBar,
  type Place,
  type Reading,
} from '../reading/index.ts';

/** The teacher plays and the class answers; the class begins at once; all play together. */
export type ChunkStart = 'teacher' | 'class' | 'together';

export type ChunkReason =
  | { readonly kind: 'new' }
  | { readonly kind: 'hard'; readonly from: string; readonly to: string }
  /** What is learned last is forgotten first: it is repeated more often. */
  | { readonly kind: 'last-line' }
  | { readonly kind: 'join' }
  | { readonly kind: 'line'; readonly line: number }
  /** A line that is known already. */
  | { readonly kind: 'same-line'; readonly line: number; readonly as: number }
  /** A line that is as another from its start, and ends before it. */
  | { readonly kind: 'line-start'; readonly line: number; readonly as: number }
  /** A line that begins as one that is known: only its end is new. */
  | { readonly kind: 'new-end'; readonly line: number; readonly as: number }
  | { readonly kind: 'lines'; readonly lines: readonly [number, number] }
  | { readonly kind: 'whole' }
  /** Chosen by the teacher. */
  | { readonly kind: 'own' };

/** One piece of a tune as it is taught: from its first note to its last, so often, at a tempo. */
export interface Chunk {
  /** First and last bar, as printed; the pickup belongs to the bar that it leads to. */
  readonly bars: readonly [number, number];
  /** On the sheet, with the upbeat that leads to it. */
  readonly from: Place;
  readonly to: Place;
  readonly starts: ChunkStart;
  readonly times: number;
  /** Beats a minute. */
  readonly tempo: number;
  readonly why: ChunkReason;
}

export const CHUNK_BEATS = [2, 4, 8, 16] as const;
/** As much as a class keeps in mind from one hearing. */
export const DEFAULT_CHUNK_BEATS = 4;

const TIMES = { new: 2, hard: 4, lastLine: 4, join: 2, line: 2, known: 1 } as const;
/** Rungs of the tempo ladder: new bars at the slowest, joins one higher, lines near the tune's own tempo. */
const RUNG = { new: 0, join: 1 / 3, line: 2 / 3, whole: 1 } as const;
/** What a tune without hard spots is climbed by. */
const EASY_COST = 2.2;

type Span = readonly [number, number];

/**
 * The way through a tune piece by piece: bar by bar (or so many beats as the class keeps), pairs of pieces joined, the
 * line; lines that are the same or begin alike are said to be so and not taught again; then lines joined, then all of
 * it. Phrases end where the tune breathes at the end of a bar; a piece with a hard spot comes more often.
 */
export function chunkLadder(
  tune: Tune,
  reading: Pick<Reading, 'breaths' | 'hardSpots' | 'tempo'>,
  beats: number = DEFAULT_CHUNK_BEATS,
): readonly Chunk[] {
  return new Ladder(tune, reading, beats).climb();
}

class Ladder {
  readonly #bars: readonly PhraseBar[];
  readonly #keys: readonly string[];
  readonly #lines: readonly Span[];
  readonly #reading: Pick<Reading, 'breaths' | 'hardSpots' | 'tempo'>;
  readonly #size: number;
  readonly #ladder: readonly number[];
  readonly #learned = new Set<string>();
  readonly #chunks: Chunk[] = [];

  constructor(tune: Tune, reading: Pick<Reading, 'breaths' | 'hardSpots' | 'tempo'>, beats: number) {
    this.#bars = phraseBars(tune);
    this.#keys = this.#bars.map((bar) => soundOf(tune, bar));
    this.#lines = phraseLines(tune);
    this.#reading = reading;
    this.#size = Math.max(1, Math.round(beats / beatsInBar(tune.bars[0]!.metre)));
    this.#ladder = reading.hardSpots[0]?.drill.ladder ?? tempoLadder(reading.tempo.perMinute, EASY_COST);
  }

  climb(): readonly Chunk[] {
    for (const [index, line] of this.#lines.entries()) {
      this.#learnLine(line, index);
      const isPair = index % 2 === 1 && this.#lines.length > 2;
      if (!isPair) continue;
      const both: Span = [this.#lines[index - 1]![0], line[1]];
      this.#join(both, { kind: 'lines', lines: [index, index + 1] }, RUNG.line);
    }
    const all: Span = [0, this.#bars.length - 1];
    const last = this.#chunks.at(-1);
    if (this.#chunks.length === 0 || last!.why.kind !== 'line' || this.#lines.length > 1)
      this.#add(all, 'together', TIMES.known, RUNG.whole, { kind: 'whole' });
    return this.#chunks;
  }

  #learnLine(line: Span, index: number): void {
    const before = this.#lines.slice(0, index);
    const same = before.findIndex((other) => this.#key(other) === this.#key(line));
    if (same >= 0) {
      this.#add(line, 'class', TIMES.known, RUNG.line, { kind: 'same-line', line: index + 1, as: same + 1 });
      return;
    }
    const like = before.findIndex((other) => this.#common(other, line) * 2 >= line[1] - line[0] + 1);
    const known = like < 0 ? 0 : this.#common(before[like]!, line);
    const isLast = index > 0 && index === this.#lines.length - 1;
    const rest: Span = [line[0] + known, line[1]];
    for (const phrase of this.#phrases(rest)) this.#learnPhrase(phrase, line, isLast);
    const isStart = known > line[1] - line[0];
    const why: ChunkReason = isStart
      ? { kind: 'line-start', line: index + 1, as: like + 1 }
      : known > 0
        ? { kind: 'new-end', line: index + 1, as: like + 1 }
        : { kind: 'line', line: index + 1 };
    this.#join(line, why, RUNG.line);
  }

  /** Its pieces, each pair of pieces, and all of it. */
  #learnPhrase(phrase: Span, line: Span, isLast: boolean): void {
    const join = (span: Span): void => {
      if (span[0] > line[0] || span[1] < line[1]) this.#join(span, { kind: 'join' }, RUNG.join);
    };
    const pieces: Span[] = [];
    for (let first = phrase[0]; first <= phrase[1]; first += this.#size)
      pieces.push([first, Math.min(first + this.#size - 1, phrase[1])]);
    for (const [index, piece] of pieces.entries()) {
      this.#learn(piece, isLast);
      if (index % 2 === 1) join([pieces[index - 1]![0], piece[1]]);
    }
    join(phrase);
  }

  #learn(piece: Span, isLast: boolean): void {
    if (this.#isKnown(piece) || this.#isSilent(piece)) return;
    const hard = this.#hardIn(piece);
    if (hard !== null)
      this.#add(piece, 'teacher', TIMES.hard, RUNG.new, {
        kind: 'hard',
        from: hard.hardest.from,
        to: hard.hardest.to,
      });
    else if (isLast) this.#add(piece, 'teacher', TIMES.lastLine, RUNG.new, { kind: 'last-line' });
    else this.#add(piece, 'teacher', TIMES.new, RUNG.new, { kind: 'new' });
  }

  #join(span: Span, why: ChunkReason, rung: number): void {
    if (!this.#isKnown(span)) this.#add(span, 'together', why.kind === 'join' ? TIMES.join : TIMES.line, rung, why);
  }

  #add([first, last]: Span, starts: ChunkStart, times: number, rung: number, why: ChunkReason): void {
    this.#learned.add(this.#key([first, last]));
    this.#chunks.push({
      bars: [this.#bars[first]!.number, this.#bars[last]!.number],
      from: this.#bars[first]!.places[0]!,
      to: this.#bars[last]!.places.at(-1)!,
      starts,
      times,
      tempo: this.#ladder[Math.round(rung * (this.#ladder.length - 1))]!,
      why,
    });
  }

  /** The line cut where the tune breathes at the end of a bar; without such a place it is one phrase. */
  #phrases([first, last]: Span): readonly Span[] {
    const ends = this.#bars.flatMap((bar, index) =>
      index >= first && index < last && this.#breathesAfter(bar.places.at(-1)!) ? [index] : [],
    );
    return [...ends, last].map((end, index) => [index === 0 ? first : ends[index - 1]! + 1, end]);
  }

  #breathesAfter(place: Place): boolean {
    return this.#reading.breaths.some((breath) => breath.reasons.length > 0 && comparePlaces(breath, place) === 0);
  }

  #hardIn([first, last]: Span): HardSpot | null {
    const numbers = this.#bars.slice(first, last + 1).map((bar) => bar.number);
    return (
      this.#reading.hardSpots.find(({ bars: [from, to] }) =>
        numbers.some((number) => from <= number && number <= to),
      ) ?? null
    );
  }

  #isKnown(span: Span): boolean {
    return span[1] < span[0] || this.#learned.has(this.#key(span));
  }

  #isSilent([first, last]: Span): boolean {
    return this.#bars.slice(first, last + 1).every(({ events }) => events.every((event) => event.kind === 'rest'));
  }

  #key([first, last]: Span): string {
    return this.#keys.slice(first, last + 1).join(' | ');
  }

  /** How many bars two lines have in common from their start. */
  #common(a: Span, b: Span): number {
    const most = Math.min(a[1] - a[0], b[1] - b[0]) + 1;
    for (let bars = 0; bars < most; bars++) if (this.#keys[a[0] + bars] !== this.#keys[b[0] + bars]) return bars;
    return most;
  }
}

/** Bars of one sound are learned once, whatever words stand under them. */
function soundOf(tune: Tune, bar: PhraseBar): string {
  const { metre } = tune.bars[bar.barIndex]!;
  const events = bar.events.map((event) =>
    event.kind === 'rest'
      ? { value: event.value }
      : { value: event.value, pitch: event.pitch, tied: event.tied, slurs: [event.slurStarts, event.slurEnds] },
  );
  return `${metreText(metre)} ${JSON.stringify(events)}`;
}
