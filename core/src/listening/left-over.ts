import type { HeardNote } from './runs.ts';
import { THRESHOLDS } from './thresholds.ts';

/** What a heard note is that belongs to no note of the score, and its cost. */
export interface LeftOver {
  readonly kind: 'extra' | 'squeak' | 'rest-of-note' | 'faint';
  readonly cost: number;
}

const COST = { extra: 1, squeak: 0.15, rest: 0.1, distant: 0.1 };
/** dB under its neighbours from which a note that is not in the tune is somebody else's. */
export const DISTANT = 6;
const { squeak: SQUEAK, another: ANOTHER } = THRESHOLDS;
/** dB of a dip at and from which a second note is doubtful and sure. */
const DIP = { doubtful: 8, sure: 18 };

/** Of each heard note by itself. */
export function leftOver(heard: readonly HeardNote[]): LeftOver[] {
  const out: LeftOver[] = [];
  for (const [index, note] of heard.entries()) {
    const [before, after] = [heard[index - 1], heard[index + 1]];
    if (note.isFaint) out.push({ kind: 'faint', cost: 0 });
    else if (note.under > DISTANT) out.push({ kind: 'faint', cost: COST.distant });
    else if (isSqueak(note, before, after)) out.push({ kind: 'squeak', cost: COST.squeak });
    else if (before !== undefined && out[index - 1]!.kind === 'squeak' && isTorn(heard[index - 2], before, note))
      out.push({ kind: 'rest-of-note', cost: COST.rest });
    else if (note.dip !== null && note.dip < DIP.sure) {
      const share = Math.max(0, (note.dip - DIP.doubtful) / (DIP.sure - DIP.doubtful));
      out.push({ kind: 'rest-of-note', cost: COST.rest + (COST.extra - COST.rest) * share });
    } else out.push({ kind: 'extra', cost: COST.extra });
  }
  return out;
}

function isSqueak(note: HeardNote, before: HeardNote | undefined, after: HeardNote | undefined): boolean {
  if (note.offset - note.onset > SQUEAK.longest) return false;
  const near = [before, after].filter((each) => each !== undefined);
  const over = near.filter((each) => note.midi - each.midi >= SQUEAK.above);
  // At the start of a note it lies over the note; within one over both sides.
  return after === undefined ? over.length === near.length && near.length > 0 : over.includes(after);
}

function isTorn(first: HeardNote | undefined, squeak: HeardNote, note: HeardNote): boolean {
  return (
    first !== undefined &&
    Math.abs(first.midi * 100 + first.cents - note.midi * 100 - note.cents) < ANOTHER.steady &&
    squeak.onset - first.offset < SQUEAK.torn &&
    note.onset - squeak.offset < SQUEAK.torn
  );
}
