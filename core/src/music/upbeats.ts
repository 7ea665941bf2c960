import { barLength } from './metre.ts';
import { add, compare, subtract, ZERO, type Rational } from './rational.ts';
import type { Tune } from './tune.ts';
import { eventsLength } from './tuplets.ts';

const kept = new WeakMap<Tune, readonly Rational[]>();

/**
 * How much of its full bar has gone by when each bar begins, in whole notes. Only an upbeat begins late: the pickup at
 * the start, and the rest of a bar that a repeat has split. Any other short bar begins on one.
 */
export function barStarts(tune: Tune): readonly Rational[] {
  const known = kept.get(tune);
  if (known !== undefined) return known;
  const starts: Rational[] = [];
  for (const [index, bar] of tune.bars.entries()) {
    const events = tune.parts[0].bars[index]!;
    const before = tune.bars[index - 1];
    if (bar.number === 0) {
      const missing = subtract(barLength(bar.metre), eventsLength(events));
      starts.push(missing.num > 0 ? missing : ZERO);
    } else if (before?.number === bar.number)
      starts.push(add(starts[index - 1]!, eventsLength(tune.parts[0].bars[index - 1]!)));
    else starts.push(ZERO);
  }
  kept.set(tune, starts);
  return starts;
}

/** What is counted in before a tune, in whole notes: a full bar, and what a pickup leaves of the bar that it begins in. */
export function countInLength(tune: Tune): Rational {
  const full = barLength(tune.bars[0]!.metre);
  const missing = subtract(full, eventsLength(tune.parts[0].bars[0]!));
  return compare(missing, ZERO) > 0 ? add(full, missing) : full;
}
