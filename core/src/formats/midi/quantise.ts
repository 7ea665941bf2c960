import {
  add,
  barLength,
  compare,
  floor,
  multiply,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  subtract,
  toNumber,
  valueOfLength,
  valuesOfLength,
  divide,
  ZERO,
  type Metre,
  type NoteValue,
  type Pitch,
  type Rational,
  type TuneEvent,
} from '../../music/index.ts';

/** A sounding note of a track, in quarter notes from the start. */
export interface MidiNote {
  readonly number: number;
  readonly start: number;
  readonly end: number;
}

interface Grid {
  readonly metre: Metre;
  /** Length of the whole in quarter notes. */
  readonly quarters: number;
  readonly pitchOf: (number: number) => Pitch;
}

/** A note or a silence on the grid, in whole notes. */
interface Span {
  readonly pitch: Pitch | null;
  readonly start: Rational;
  readonly end: Rational;
}

const QUARTER = rational(1, 4);
const TRIPLET = { actual: 3, normal: 2 };

/** Bars of written notes from sounding ones: each beat is divided into four or into three. */
export function barsFromNotes(notes: readonly MidiNote[], grid: Grid): readonly (readonly TuneEvent[])[] {
  const full = barLength(grid.metre);
  const { snap, unitAt } = snapper(notes);
  const snapped = notes.map((note) => ({ note, start: snap(note.start), end: snap(note.end) }));
  const spans: Span[] = [];
  let now: Rational = ZERO;
  for (const [index, { note, start, end }] of snapped.entries()) {
    const next = snapped[index + 1]?.start;
    const from = compare(start, now) < 0 ? now : start;
    const ends = next !== undefined && compare(end, next) > 0 ? next : end;
    const until = compare(ends, from) > 0 ? ends : add(from, unitAt(from));
    if (compare(from, now) > 0) spans.push({ pitch: null, start: now, end: from });
    spans.push({ pitch: grid.pitchOf(note.number), start: from, end: until });
    now = until;
  }
  const lengthInBars = Math.ceil(toNumber(divide(maximum(now, snap(grid.quarters)), full)) - 1e-9);
  const total = multiply(full, rational(Math.max(1, lengthInBars)));
  if (compare(now, total) < 0) spans.push({ pitch: null, start: now, end: total });
  return Array.from({ length: Math.max(1, lengthInBars) }, (_, bar) => {
    const [from, to] = [multiply(full, rational(bar)), multiply(full, rational(bar + 1))];
    return spans.flatMap((span) => eventsWithin(span, from, to));
  });
}

function maximum(a: Rational, b: Rational): Rational {
  return compare(a, b) > 0 ? a : b;
}

/** Rounds times to a grid that is chosen for each beat as a whole. */
interface Snapper {
  /** From quarter notes to whole notes. */
  readonly snap: (quarters: number) => Rational;
  /** The shortest length on the grid of the beat that a time, in whole notes, is in. */
  readonly unitAt: (time: Rational) => Rational;
}

function snapper(notes: readonly MidiNote[]): Snapper {
  const errors = new Map<number, { sixteenths: number; thirds: number }>();
  for (const time of notes.flatMap((note) => [note.start, note.end])) {
    const beat = Math.floor(time + 1e-6);
    const sums = errors.get(beat) ?? { sixteenths: 0, thirds: 0 };
    sums.sixteenths += Math.abs(time - Math.round(time * 4) / 4);
    sums.thirds += Math.abs(time - Math.round(time * 3) / 3);
    errors.set(beat, sums);
  }
  const isInThirds = (beat: number): boolean => {
    const sums = errors.get(beat);
    return sums !== undefined && sums.thirds + 0.02 < sums.sixteenths;
  };
  return {
    snap: (quarters) =>
      isInThirds(Math.floor(quarters + 1e-6))
        ? rational(Math.round(quarters * 3), 12)
        : rational(Math.round(quarters * 4), 16),
    unitAt: (time) => (isInThirds(floor(divide(time, QUARTER))) ? rational(1, 12) : rational(1, 16)),
  };
}

/** The part of a span in one bar; split at beats where thirds and sixteenths meet, tied over bar lines. */
function eventsWithin(span: Span, from: Rational, to: Rational): TuneEvent[] {
  const start = maximum(span.start, from);
  const end = compare(span.end, to) < 0 ? span.end : to;
  if (compare(end, start) <= 0) return [];
  const values = pieces(subtract(start, from), subtract(end, from));
  const goesOn = compare(span.end, to) > 0;
  return values.map((value, index): TuneEvent => {
    if (span.pitch === null) return { ...PLAIN_REST, value };
    return { ...PLAIN_NOTE, pitch: span.pitch, value, tied: goesOn || index < values.length - 1 };
  });
}

function pieces(start: Rational, end: Rational): readonly NoteValue[] {
  const length = subtract(end, start);
  const isThird = (time: Rational): boolean => time.den % 3 === 0;
  if (!isThird(start) && !isThird(end)) return valuesOfLength(length) ?? [];
  const beatEnd = multiply(QUARTER, rational(floor(divide(start, QUARTER)) + 1));
  if (compare(end, beatEnd) > 0) return [...pieces(start, beatEnd), ...pieces(beatEnd, end)];
  const value = valueOfLength(length, TRIPLET);
  return value === null ? (valuesOfLength(length) ?? []) : [value];
}
