import { add, divide, rational, sum, ZERO, type Rational } from './rational.ts';
import type { TuneEvent } from './tune.ts';
import { valueLength } from './value.ts';

/** A run of events under one tuplet sign: indices of its first and last event in the bar. */
export interface TupletGroup {
  readonly first: number;
  readonly last: number;
}

/**
 * The tuplet signs of a bar. A group is full when its written lengths make `actual` notes of one plain value: three
 * quavers, or a crotchet and a quaver, under a 3. What stays open at the end of a run is a group all the same.
 */
export function tupletGroups(events: readonly TuneEvent[]): readonly TupletGroup[] {
  const groups: TupletGroup[] = [];
  let first: number | null = null;
  let written: Rational = ZERO;
  for (const [index, event] of events.entries()) {
    const { tuplet } = event.value;
    if (tuplet === null) continue;
    first ??= index;
    written = add(written, valueLength({ ...event.value, tuplet: null }));
    const next = events[index + 1]?.value.tuplet ?? null;
    const goesOn = next !== null && next.actual === tuplet.actual && next.normal === tuplet.normal;
    if (goesOn && !isPlain(divide(written, rational(tuplet.actual)))) continue;
    groups.push({ first, last: index });
    first = null;
    written = ZERO;
  }
  return groups;
}

/** A minim, crotchet, quaver, semiquaver … */
function isPlain(length: Rational): boolean {
  return length.num === 1 && Number.isInteger(Math.log2(length.den));
}

/** The length of events as they sound, in whole notes. */
export function eventsLength(events: readonly TuneEvent[]): Rational {
  return sum(events.map((event) => valueLength(event.value)));
}
