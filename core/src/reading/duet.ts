import {
  add,
  beatLength,
  compare,
  divide,
  equal,
  floor,
  midiNumber,
  performedNotes,
  pitchName,
  rational,
  staffStep,
  subtract,
  toNumber,
  valueLength,
  type PerformedNote,
  type Rational,
  type Tune,
} from '../music/index.ts';

/** A moment at which both parts sound and something has to be heard. */
export interface DuetMoment {
  readonly bar: number;
  /** Counted from 1 within the bar; 1.5 is half a beat later. */
  readonly beat: number;
  readonly notes: readonly [string, string];
  /** Between the two, less whole octaves; never negative. */
  readonly semitones: number;
}

export interface Duet {
  readonly sameLength: boolean;
  /** Semitones from the second part up to the first, at every new note of either. */
  readonly intervals: readonly number[];
  /** Seconds, sevenths and bare tritones on beats. */
  readonly clashes: readonly DuetMoment[];
  readonly crossings: readonly DuetMoment[];
  /** The second part goes down where the first goes up, in the same rhythm. */
  readonly mirror: boolean;
  /** The second part is the first backwards. */
  readonly backwards: boolean;
}

/** Semitones that rub on a beat: seconds, sevenths and the bare tritone. */
const CLASHES: ReadonlySet<number> = new Set([1, 2, 6, 10, 11]);

/** How two parts fit together; null for a tune of one part. */
export function readDuet(tune: Tune): Duet | null {
  if (tune.parts.length < 2) return null;
  const [first, second] = [performedNotes(tune, 0), performedNotes(tune, 1)];
  const moments = together(first, second);
  return {
    sameLength: lengthOf(first) === lengthOf(second),
    intervals: moments.map(([a, b]) => midiNumber(a.pitch) - midiNumber(b.pitch)),
    clashes: moments.flatMap(([a, b, at]) => clash(tune, a, b, at)),
    crossings: moments
      .filter(([a, b]) => midiNumber(a.pitch) < midiNumber(b.pitch))
      .map(([a, b, at]) => moment(tune, a, b, at)),
    mirror: isMirror(first, second),
    backwards: isBackwards(first, second),
  };
}

function lengthOf(notes: readonly PerformedNote[]): number {
  const last = notes.at(-1);
  return last === undefined ? 0 : toNumber(add(last.onset, last.length));
}

/** The pairs of notes that sound together, at every onset of either part. */
function together(
  first: readonly PerformedNote[],
  second: readonly PerformedNote[],
): readonly (readonly [PerformedNote, PerformedNote, Rational])[] {
  const onsets = [...first, ...second].map((note) => note.onset).toSorted(compare);
  const times = onsets.filter((time, index) => index === 0 || !equal(time, onsets[index - 1]!));
  const soundingAt = (notes: readonly PerformedNote[], time: Rational): PerformedNote | undefined =>
    notes.find((note) => compare(note.onset, time) <= 0 && compare(time, add(note.onset, note.length)) < 0);
  return times.flatMap((time) => {
    const [a, b] = [soundingAt(first, time), soundingAt(second, time)];
    return a === undefined || b === undefined ? [] : [[a, b, time] as const];
  });
}

function clash(tune: Tune, a: PerformedNote, b: PerformedNote, at: Rational): DuetMoment[] {
  const found = moment(tune, a, b, at);
  return CLASHES.has(found.semitones) && Number.isInteger(found.beat) ? [found] : [];
}

function moment(tune: Tune, a: PerformedNote, b: PerformedNote, at: Rational): DuetMoment {
  const later = compare(a.onset, b.onset) >= 0 ? a : b;
  const { metre, number } = tune.bars[later.barIndex]!;
  const inBar = divide(subtract(at, startOfBar(tune, later)), beatLength(metre));
  const beat = equal(inBar, rational(floor(inBar))) ? floor(inBar) + 1 : Math.round((toNumber(inBar) + 1) * 100) / 100;
  const semitones = Math.abs(midiNumber(a.pitch) - midiNumber(b.pitch)) % 12;
  return { bar: number, beat, notes: [pitchName(a.pitch), pitchName(b.pitch)], semitones };
}

/** When the bar of a performed note began. */
function startOfBar(tune: Tune, note: PerformedNote): Rational {
  const part = tune.parts.find((part) => part.bars[note.barIndex]?.[note.eventIndex] === note.note) ?? tune.parts[0];
  const before = part.bars[note.barIndex]!.slice(0, note.eventIndex);
  let start = note.onset;
  for (const event of before) start = subtract(start, valueLength(event.value));
  return start;
}

function isMirror(first: readonly PerformedNote[], second: readonly PerformedNote[]): boolean {
  if (first.length !== second.length || first.length < 3) return false;
  const steps = (notes: readonly PerformedNote[]): number[] =>
    notes.slice(1).map((note, index) => staffStep(note.pitch) - staffStep(notes[index]!.pitch));
  const [a, b] = [steps(first), steps(second)];
  return a.some((step) => step !== 0) && a.every((step, index) => step === -b[index]!);
}

function isBackwards(first: readonly PerformedNote[], second: readonly PerformedNote[]): boolean {
  if (first.length !== second.length || first.length < 3) return false;
  return first.every((note, index) => {
    const other = second[second.length - 1 - index]!;
    return midiNumber(note.pitch) === midiNumber(other.pitch) && equal(note.length, other.length);
  });
}
