import { DISTANT, leftOver } from './left-over.ts';
import type { HeardNote } from './runs.ts';
import type { ListeningScore } from './score.ts';
import { localPace, type Pace } from './pace.ts';

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
/** Cents off at which a note is another one; where the pitch wavers it may be further off. */
const ANOTHER = { steady: 60, wavering: 80, waver: 6 };

/** Which score note a heard one was taken for: `merged` notes before it on the same pitch are in it too. */
export interface Match {
  readonly heard: number;
  readonly score: number;
  readonly merged: number;
}

export interface Alignment {
  /** In the order of playing; the score goes back where the pupil started again. */
  readonly matches: readonly Match[];
  readonly cost: number;
}

/** Whether a note is the one asked for. @param offset cents by which all is higher. */
export function isRight(note: HeardNote, midi: number, offset: number): boolean {
  return Math.abs(deviation(note, midi, offset)) < (note.waver > ANOTHER.waver ? ANOTHER.wavering : ANOTHER.steady);
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
  const size = notes.length;
  const left = leftOver(heard);
  const leftSums = [0];
  for (const each of left) leftSums.push(leftSums.at(-1)! + each.cost);
  const states = size * MERGED;
  const cost = new Float64Array(heard.length * states).fill(Infinity);
  const from = new Int32Array(heard.length * states).fill(-1);
  /** Least cost of a heard note over the score notes from one on, and which state has it. */
  const later: Float64Array[] = [];
  const laterState: Int32Array[] = [];
  const earlier: Float64Array[] = [];
  const earlierState: Int32Array[] = [];

  for (const [j, note] of heard.entries()) {
    for (let i = 0; i < size; i++) {
      const sub = substitution(note, notes[i]!.midi, offset);
      for (let merged = 0; merged < MERGED && i - merged >= 0 && notes[i - merged]!.midi === notes[i]!.midi; merged++) {
        if (sub === Infinity || (merged > 0 && sub >= COST.overblown)) break;
        const state = i * MERGED + merged;
        const first = i - merged;
        const own = sub + slur(note, notes, i, merged, pace);
        let best = leftSums[j]! + missed(first) + own;
        let way = -1;
        for (let before = j - 1; before >= 0 && before >= j - 1 - LEFT_OVER; before--) {
          const skipped = leftSums[j]! - leftSums[before + 1]! + own;
          const row = before * states;
          for (let at = first - 1; at >= 0 && at >= first - 1 - NEAR; at--) {
            const gap = skipped + missed(first - 1 - at);
            for (let inside = 0; inside < MERGED; inside++) {
              const so = cost[row + at * MERGED + inside]!;
              if (so + gap >= best) continue;
              const total =
                so + gap + timing(heard[before]!, note, notes[at - inside]!.onset, notes[first]!.onset, pace);
              if (total < best) [best, way] = [total, row + at * MERGED + inside];
            }
          }
          if (first - 2 - NEAR >= 0) {
            const total = earlier[before]![first - 2 - NEAR]! + skipped + missed(first);
            if (total < best) [best, way] = [total, row + earlierState[before]![first - 2 - NEAR]!];
          }
          const back = later[before]![first]! + skipped + (notes[first]!.isStart ? COST.restart : COST.restartInBar);
          if (back < best) [best, way] = [back, row + laterState[before]![first]!];
        }
        cost[j * states + state] = best;
        from[j * states + state] = way;
      }
    }
    const row = j * states;
    const [l, ls, e, es] = [
      new Float64Array(size + 1).fill(Infinity),
      new Int32Array(size + 1),
      new Float64Array(size).fill(Infinity),
      new Int32Array(size),
    ];
    for (let i = size - 1; i >= 0; i--) {
      [l[i], ls[i]] = [l[i + 1]!, ls[i + 1]!];
      for (let merged = 0; merged < MERGED; merged++)
        if (cost[row + i * MERGED + merged]! < l[i]!)
          [l[i], ls[i]] = [cost[row + i * MERGED + merged]!, i * MERGED + merged];
    }
    for (let i = 0; i < size; i++) {
      if (i > 0) [e[i], es[i]] = [e[i - 1]!, es[i - 1]!];
      for (let merged = 0; merged < MERGED; merged++)
        if (cost[row + i * MERGED + merged]! < e[i]!)
          [e[i], es[i]] = [cost[row + i * MERGED + merged]!, i * MERGED + merged];
    }
    later.push(l);
    laterState.push(ls);
    earlier.push(e);
    earlierState.push(es);
  }

  let best = leftSums[heard.length]! + missed(size);
  let end = -1;
  for (let j = 0; j < heard.length; j++)
    for (let state = 0; state < states; state++) {
      const total =
        cost[j * states + state]! +
        leftSums[heard.length]! -
        leftSums[j + 1]! +
        missed(size - 1 - Math.floor(state / MERGED));
      if (total < best) [best, end] = [total, j * states + state];
    }
  const matches: Match[] = [];
  for (let at = end; at >= 0; at = from[at]!) {
    const state = at % states;
    matches.push({ heard: Math.floor(at / states), score: Math.floor(state / MERGED), merged: state % MERGED });
  }
  return { matches: matches.toReversed(), cost: best };
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
