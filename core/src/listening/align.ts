import { DISTANT, leftOver } from './left-over.ts';
import type { HeardNote } from './runs.ts';
import type { ListeningScore } from './score.ts';
import type { Match } from './match.ts';
import { localPace, type Pace } from './pace.ts';
import { THRESHOLDS } from './thresholds.ts';

/** Costs of what may have happened; one wrong note is 1. */
const COST = {
  wrong: 1,
  /** An octave or a twelfth too high: blown too hard. */
  overblown: 0.9,
  missed: 1,
  /** Each further one of a run of missed notes, from the fourth on: a bar was left out. */
  missedInRun: 0.3,
  /** A wrong note so soft that it may be somebody else's. */
  distant: 0.2,
  /** A note so faint that it may be none. */
  faint: 0.35,
  slurred: 0.55,
  /** A note that is as long as one, and stands for two. */
  slurredShort: 0.6,
  restart: 1.5,
  restartInBar: 2.3,
};
const RUN_OF_MISSED = 3;
/** Score notes that may be passed over between two matches one by one; a longer gap is looked at only as a whole. */
const NEAR = 20;
/** Heard notes that may belong to nothing between two that do. */
const LEFT_OVER = 6;
/** Repeated notes that one heard note may stand for. */
const MERGED = 3;
/** Natural logarithms of time against expectation: free up to, and the cost beyond. */
const TIMING = { free: 0.12, slope: 1.2, late: 0.8, early: 0.9 };

export interface Alignment {
  /** In the order of playing; the score goes back where the pupil started again. */
  readonly matches: readonly Match[];
  readonly cost: number;
}

/** Whether a note is the one asked for. @param offset cents by which all is higher. */
export function isRight(note: HeardNote, midi: number, offset: number): boolean {
  const { steady, wavering, waver } = THRESHOLDS.another;
  return Math.abs(deviation(note, midi, offset)) < (note.waver > waver ? wavering : steady);
}

export function deviation(note: HeardNote, midi: number, offset: number): number {
  return note.midi * 100 + note.cents - offset - midi * 100;
}

/**
 * Lays what was heard along the score, at the least cost: dynamic programming over pairs of a heard and a written note,
 * with steps over missed and left-over notes and jumps back to where a pupil may start again.
 * @param offset cents by which all is higher than written. @param pace null before a tempo is known.
 */
export function align(
  heard: readonly HeardNote[],
  { notes }: ListeningScore,
  offset: number,
  pace: Pace | null,
): Alignment {
  const table = new Table(heard, notes, offset, pace);
  for (let row = 0; row < heard.length; row++) table.fill(row);
  return table.cheapest();
}

/** A place in the table: its cost, and the place it came from; -1 for the beginning. */
interface Way {
  readonly cost: number;
  readonly from: number;
}

/** A row for each heard note; in it a state for each written one and for how many notes before are merged into it. */
class Table {
  private readonly heard: readonly HeardNote[];
  private readonly notes: ListeningScore['notes'];
  private readonly offset: number;
  private readonly pace: Pace | null;
  private readonly states: number;
  private readonly cost: Float64Array;
  private readonly from: Int32Array;
  /** What leaving out the first so many heard notes costs. */
  private readonly left: readonly number[];
  /** For each row and written note: the state up to it from which a leap is cheapest, and the cheapest from it on. */
  private readonly upTo: Int32Array;
  private readonly fromOn: Int32Array;

  constructor(heard: readonly HeardNote[], notes: ListeningScore['notes'], offset: number, pace: Pace | null) {
    this.heard = heard;
    this.notes = notes;
    this.offset = offset;
    this.pace = pace;
    this.states = notes.length * MERGED;
    this.cost = new Float64Array(heard.length * this.states).fill(Infinity);
    this.from = new Int32Array(heard.length * this.states).fill(-1);
    this.upTo = new Int32Array(heard.length * notes.length);
    this.fromOn = new Int32Array(heard.length * notes.length);
    const left = [0];
    for (const each of leftOver(heard)) left.push(left.at(-1)! + each.cost);
    this.left = left;
  }

  fill(row: number): void {
    const { notes } = this;
    for (let at = 0; at < notes.length; at++) {
      const sub = substitution(this.heard[row]!, notes[at]!.midi, this.offset);
      if (sub === Infinity) continue;
      for (let merged = 0; merged < MERGED && notes[at - merged]?.midi === notes[at]!.midi; merged++) {
        if (merged > 0 && sub >= COST.overblown) break;
        const own = sub + slur(this.heard[row]!, notes, at, merged, this.pace);
        const { cost, from } = this.wayTo(row, at - merged, own);
        const place = row * this.states + at * MERGED + merged;
        [this.cost[place], this.from[place]] = [cost, from];
      }
    }
    this.rememberCheapest(row);
  }

  /** The cheapest way to a heard note that is taken for a written one. */
  private wayTo(row: number, first: number, own: number): Way {
    let best: Way = { cost: this.left[row]! + missed(first) + own, from: -1 };
    for (let before = row - 1; before >= Math.max(0, row - 1 - LEFT_OVER); before--) {
      const skipped = this.left[row]! - this.left[before + 1]! + own;
      best = this.onward(row, before, first, skipped, best);
      best = this.jump(before, first, skipped, best);
    }
    return best;
  }

  /** From one of the written notes before, the ones between missed. */
  private onward(row: number, before: number, first: number, skipped: number, best: Way): Way {
    for (let at = first - 1; at >= Math.max(0, first - 1 - NEAR); at--) {
      const gap = skipped + missed(first - 1 - at);
      for (let merged = 0; merged < MERGED; merged++) {
        const from = before * this.states + at * MERGED + merged;
        const so = this.cost[from]! + gap;
        if (so >= best.cost) continue;
        const [start, end] = [this.notes[at - merged]!.onset, this.notes[first]!.onset];
        const cost = so + timing(this.heard[before]!, this.heard[row]!, start, end, this.pace);
        if (cost < best.cost) best = { cost, from };
      }
    }
    return best;
  }

  /** Over a long gap, or back to begin again. */
  private jump(before: number, first: number, skipped: number, best: Way): Way {
    const row = before * this.notes.length;
    const far = first - 2 - NEAR;
    if (far >= 0) {
      const from = this.upTo[row + far]!;
      const at = Math.floor((from % this.states) / MERGED);
      const cost = this.cost[from]! + skipped + missed(first - 1 - at);
      if (cost < best.cost) best = { cost, from };
    }
    const from = this.fromOn[row + first]!;
    const cost = this.cost[from]! + skipped + (this.notes[first]!.isStart ? COST.restart : COST.restartInBar);
    return cost < best.cost ? { cost, from } : best;
  }

  private rememberCheapest(row: number): void {
    const { notes, cost } = this;
    const own = (at: number): number => {
      const first = row * this.states + at * MERGED;
      let best = first;
      for (let each = first + 1; each < first + MERGED; each++) if (cost[each]! < cost[best]!) best = each;
      return best;
    };
    // Each note further back costs one more that is missed.
    const leap = (place: number): number =>
      cost[place]! - COST.missedInRun * Math.floor((place % this.states) / MERGED);
    const base = row * notes.length;
    for (let at = 0; at < notes.length; at++) {
      const before = at === 0 ? own(0) : this.upTo[base + at - 1]!;
      this.upTo[base + at] = leap(own(at)) < leap(before) ? own(at) : before;
    }
    for (let at = notes.length - 1; at >= 0; at--) {
      const behind = at === notes.length - 1 ? own(at) : this.fromOn[base + at + 1]!;
      this.fromOn[base + at] = cost[own(at)]! < cost[behind]! ? own(at) : behind;
    }
  }

  /** The whole story, from its end. */
  cheapest(): Alignment {
    const { heard, notes, states, left } = this;
    let best: Way = { cost: left[heard.length]! + missed(notes.length), from: -1 };
    for (let place = 0; place < this.cost.length; place++) {
      const row = Math.floor(place / states);
      const rest = missed(notes.length - 1 - Math.floor((place % states) / MERGED));
      const cost = this.cost[place]! + left[heard.length]! - left[row + 1]! + rest;
      if (cost < best.cost) best = { cost, from: place };
    }
    const matches: Match[] = [];
    for (let at = best.from; at >= 0; at = this.from[at]!) {
      const state = at % states;
      matches.push({ heard: Math.floor(at / states), score: Math.floor(state / MERGED), merged: state % MERGED });
    }
    return { matches: matches.toReversed(), cost: best.cost };
  }
}

/** Twice: first by pitch alone, then with the pace that follows from it. */
export function alignInTime(
  heard: readonly HeardNote[],
  score: ListeningScore,
  offset: number,
): Alignment & { pace: Pace } {
  const first = align(heard, score, offset, null);
  const pace = localPace(heard, score, first.matches, (note, midi) => isRight(note, midi, offset));
  return { ...align(heard, score, offset, pace), pace };
}

function missed(count: number): number {
  return COST.missed * Math.min(count, RUN_OF_MISSED) + COST.missedInRun * Math.max(0, count - RUN_OF_MISSED);
}

function substitution(note: HeardNote, midi: number, offset: number): number {
  const off = deviation(note, midi, offset);
  if (isRight(note, midi, offset)) return 0.003 * Math.abs(off) + (note.isFaint ? COST.faint : 0);
  if (note.isFaint) return Infinity;
  const up = Math.round(off / 100);
  const distant = note.under > DISTANT ? COST.distant : 0;
  return distant + (up === 12 || up === 19 ? COST.overblown : COST.wrong + 0.01 * Math.min(12, Math.abs(up)));
}

function slur(note: HeardNote, notes: ListeningScore['notes'], i: number, merged: number, pace: Pace | null): number {
  if (merged === 0) return 0;
  if (pace === null) return merged * COST.slurred + 0.25;
  let beats = 0;
  for (let at = i - merged; at <= i; at++) beats += notes[at]!.duration;
  const share = (note.offset - note.onset) / (beats * pace.at(note.onset));
  return merged * COST.slurred + (share < 0.72 ? COST.slurredShort : 0);
}

function timing(before: HeardNote, note: HeardNote, from: number, to: number, pace: Pace | null): number {
  if (pace === null) return 0;
  const ratio = Math.log((note.onset - before.onset) / ((to - from) * pace.at(note.onset)));
  const cost = TIMING.slope * Math.max(0, Math.abs(ratio) - TIMING.free);
  return Math.min(cost, ratio > 0 ? TIMING.late : TIMING.early);
}
