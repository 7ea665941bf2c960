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
  /** Before it, from the time that it has. */
  readonly grace: readonly number[];
}

/** A time signature and where it begins, in quarter notes. */
export interface MetreAt {
  readonly at: number;
  readonly metre: Metre;
}

/** A bar's place in time, in whole notes. */
export interface BarSlot {
  readonly metre: Metre;
  readonly from: Rational;
  readonly to: Rational;
}

interface Grid {
  /** The first begins at 0. */
  readonly metres: readonly MetreAt[];
  /** Length of the whole at least, in quarter notes. */
  readonly quarters: number;
  readonly pitchOf: (number: number) => Pitch;
}

/** A note or a silence on the grid, in whole notes. */
interface Span {
  readonly pitch: Pitch | null;
  readonly grace: readonly Pitch[];
  readonly start: Rational;
  readonly end: Rational;
}

const QUARTER = rational(1, 4);
const TRIPLET = { actual: 3, normal: 2 };

/** Bars of written notes from the sounding ones of each part: each beat is divided into four or into three. */
export function barsFromNotes(
  parts: readonly (readonly MidiNote[])[],
  grid: Grid,
): { readonly slots: readonly BarSlot[]; readonly parts: readonly (readonly (readonly TuneEvent[])[])[] } {
  const spans = parts.map((notes) => spansOf(notes, grid.pitchOf));
  const end = spans.reduce((last, part) => maximum(last, part.at(-1)?.end ?? ZERO), onGrid(grid.quarters));
  const slots = barSlots(grid.metres, end);
  return { slots, parts: spans.map((part) => slots.map((slot) => eventsIn(part, slot))) };
}

/** A time signature that comes inside a bar ends it there. */
function barSlots(metres: readonly MetreAt[], end: Rational): readonly BarSlot[] {
  const slots: BarSlot[] = [];
  for (const [index, { metre }] of metres.entries()) {
    const next = metres[index + 1];
    const until = next === undefined ? null : onGrid(next.at);
    let from = slots.at(-1)?.to ?? ZERO;
    while (compare(from, until ?? end) < 0 && compare(from, end) < 0) {
      const full = add(from, barLength(metre));
      const to = until !== null && compare(until, full) < 0 ? until : full;
      slots.push({ metre, from, to });
      from = to;
    }
  }
  return slots.length > 0 ? slots : [{ metre: metres[0]!.metre, from: ZERO, to: barLength(metres[0]!.metre) }];
}

/** From quarter notes to whole notes. */
function onGrid(quarters: number): Rational {
  return rational(Math.round(quarters * 4), 16);
}

function spansOf(notes: readonly MidiNote[], pitchOf: (number: number) => Pitch): readonly Span[] {
  const { snap, unitAt } = snapper(notes);
  const snapped = notes.map((note) => ({ note, start: snap(note.start), end: snap(note.end) }));
  const spans: Span[] = [];
  let now: Rational = ZERO;
  for (const [index, { note, start, end }] of snapped.entries()) {
    const next = snapped[index + 1]?.start;
    const from = compare(start, now) < 0 ? now : start;
    const ends = next !== undefined && compare(end, next) > 0 ? next : end;
    const until = compare(ends, from) > 0 ? ends : add(from, unitAt(from));
    if (compare(from, now) > 0) spans.push({ pitch: null, grace: [], start: now, end: from });
    spans.push({ pitch: pitchOf(note.number), grace: note.grace.map(pitchOf), start: from, end: until });
    now = until;
  }
  return spans;
}

/** What sounds in a bar, and silence to its end. */
function eventsIn(spans: readonly Span[], { from, to }: BarSlot): readonly TuneEvent[] {
  const end = spans.at(-1)?.end ?? ZERO;
  const silence = compare(end, to) < 0 ? [{ pitch: null, grace: [], start: end, end: to }] : [];
  return [...spans, ...silence].flatMap((span) => eventsWithin(span, from, to));
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
      isInThirds(Math.floor(quarters + 1e-6)) ? rational(Math.round(quarters * 3), 12) : onGrid(quarters),
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
    const grace = index === 0 && compare(start, span.start) === 0 ? span.grace : [];
    return { ...PLAIN_NOTE, pitch: span.pitch, value, grace, tied: goesOn || index < values.length - 1 };
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
