/** Readings of a pitch's level per frame. */
export const LEVELS_A_FRAME = 2;
/** Frames before a run's first in which its level is read too. */
export const FRAMES_BEFORE = 6;

/** Readings of the level before and behind a dip in which it is compared. */
const REACH = { before: 20, behind: 26 };
/** dB under the level around, or under that before: what is this far down is a room's echo, not a note. */
const ECHO = 9;
const FADED = 7;
/** dB of the smallest dip that is looked at. */
const SHALLOWEST = 3;
/** Readings behind which a level before is forgotten. */
const HELD = 125;
/** Readings at both ends in which no dip is looked for; and within which two lowest places are of one fall. */
const EDGE = 5;
const ONE_FALL = 14;

export interface Dip {
  readonly at: number;
  readonly depth: number;
  /** Readings at half the depth. */
  readonly width: number;
}

/** Where the level falls and comes back, in readings from the start of `levels`. */
export function dipsOf(levels: readonly number[]): Dip[] {
  const dips: Dip[] = [];
  const start = FRAMES_BEFORE * LEVELS_A_FRAME;
  const top = loudest(levels, start, levels.length);
  for (let at = start + EDGE; at < levels.length - EDGE; at++) {
    const here = levels[at]!;
    if (here > levels[at - 1]! || here >= levels[at + 1]!) continue;
    const [before, behind] = [
      loudest(levels, Math.max(start - 2, at - REACH.before), at),
      loudest(levels, at + 1, at + REACH.behind),
    ];
    const depth = Math.min(before, behind) - here;
    if (depth < SHALLOWEST || loudest(levels, at - HELD, at) - behind > FADED) continue;
    if (top - Math.max(before, behind) > ECHO) continue;
    let [left, right] = [at, at];
    while (left > 0 && levels[left]! < here + depth / 2) left--;
    while (right < levels.length - 1 && levels[right]! < here + depth / 2) right++;
    const last = dips.at(-1);
    const dip = { at, depth, width: right - left };
    // One fall has one lowest place.
    if (last !== undefined && at - last.at < ONE_FALL && last.width + dip.width > at - last.at) {
      if (dip.depth > last.depth) dips[dips.length - 1] = dip;
    } else dips.push(dip);
  }
  return dips;
}

function loudest(levels: readonly number[], from: number, to: number): number {
  let most = -Infinity;
  for (let at = Math.max(0, from); at < Math.min(to, levels.length); at++) most = Math.max(most, levels[at]!);
  return most;
}
