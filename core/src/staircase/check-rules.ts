import type { Pin, StaircaseRules } from './objective.ts';
import type { TuneProfile } from './profile.ts';

/** What cannot be met of what a teacher asks for. */
export type RuleProblem =
  | { readonly kind: 'unknown-tune'; readonly pin: Pin; readonly tune: string }
  | { readonly kind: 'no-such-step'; readonly pin: Pin; readonly steps: number }
  /** Another wish wants the opposite. */
  | { readonly kind: 'contradiction'; readonly pin: Pin; readonly other: Pin }
  /** Tunes that are all to come before each other. */
  | { readonly kind: 'circle'; readonly tunes: readonly string[] }
  | { readonly kind: 'pinned-unplayable'; readonly pin: Pin; readonly notes: readonly string[] }
  /** So many tunes fit, fewer than the steps. */
  | { readonly kind: 'too-few-tunes'; readonly fitting: number; readonly steps: number };

export interface CheckedRules {
  /** The rules without the wishes that cannot be met. */
  readonly rules: StaircaseRules;
  readonly problems: readonly RuleProblem[];
}

/** Takes out what contradicts, so that the best staircase for the rest can still be shown. The earlier of two wishes stays. */
export function checkRules(tunes: readonly TuneProfile[], rules: StaircaseRules): CheckedRules {
  const problems: RuleProblem[] = [];
  const kept: Pin[] = [];
  for (const pin of rules.pins) {
    const problem = problemOf(pin, kept, tunes, rules.steps);
    if (problem === null) kept.push(pin);
    else problems.push(problem);
  }
  const never = new Set(kept.flatMap((pin) => (pin.kind === 'never' ? [pin.tune] : [])));
  const notes = new Set([...rules.order, ...rules.knows.notes]);
  const fitting = tunes.filter(
    (tune) =>
      !never.has(tune.id) &&
      tune.unplayable.length === 0 &&
      (rules.order.length === 0 || tune.notes.every((note) => notes.has(note.name))),
  ).length;
  if (fitting < rules.steps) problems.push({ kind: 'too-few-tunes', fitting, steps: rules.steps });
  return { rules: { ...rules, pins: kept }, problems };
}

function problemOf(pin: Pin, kept: readonly Pin[], tunes: readonly TuneProfile[], steps: number): RuleProblem | null {
  for (const id of pin.kind === 'before' ? [pin.tune, pin.then] : [pin.tune]) {
    const tune = tunes.find((tune) => tune.id === id);
    if (tune === undefined) return { kind: 'unknown-tune', pin, tune: id };
    if (pin.kind !== 'never' && tune.unplayable.length > 0)
      return { kind: 'pinned-unplayable', pin, notes: tune.unplayable };
  }
  if ((pin.kind === 'at' || pin.kind === 'by') && (pin.step < 1 || pin.step > steps))
    return { kind: 'no-such-step', pin, steps };
  const other = kept.find((each) => contradicts(pin, each));
  if (other !== undefined) return { kind: 'contradiction', pin, other };
  const circle = pin.kind === 'before' ? circleFrom(pin.then, pin.tune, kept) : null;
  return circle === null ? null : { kind: 'circle', tunes: [pin.tune, ...circle] };
}

function contradicts(one: Pin, other: Pin): boolean {
  return contradictsThisWay(one, other) || contradictsThisWay(other, one);
}

function contradictsThisWay(one: Pin, other: Pin): boolean {
  if (one.kind === 'never')
    return other.kind !== 'never' && (other.tune === one.tune || (other.kind === 'before' && other.then === one.tune));
  if (one.kind === 'at' && other.kind === 'at') return (one.tune === other.tune) !== (one.step === other.step);
  if (one.kind === 'at' && other.kind === 'by') return one.tune === other.tune && one.step > other.step;
  return false;
}

/** A way from one tune to another by wishes of what comes before what. */
function circleFrom(
  from: string,
  to: string,
  pins: readonly Pin[],
  seen: readonly string[] = [],
): readonly string[] | null {
  if (from === to) return [to];
  for (const pin of pins) {
    if (pin.kind !== 'before' || pin.tune !== from || seen.includes(pin.then)) continue;
    const rest = circleFrom(pin.then, to, pins, [...seen, from]);
    if (rest !== null) return [from, ...rest];
  }
  return null;
}
