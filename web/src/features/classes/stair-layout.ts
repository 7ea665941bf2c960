/** Where everything of the staircase picture stands, in pixels from the top left. Pure, so that it can be tested. */

/** As much of a step as its place depends on. */
interface StepSize {
  readonly rise: number;
  readonly lessons: number;
  /** How many pegs stand on it. */
  readonly pegs: number;
}

export interface StairInput {
  readonly width: number;
  readonly height: number;
  readonly steps: readonly StepSize[];
  /** Pupils who have passed every step stand on the landing behind the last tread. */
  readonly landingPegs: number;
  /** Lessons of the term: the ground that the stairs stand on. */
  readonly lessons: number;
}

export interface Tread {
  readonly left: number;
  readonly right: number;
  readonly top: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface StairLayout {
  readonly treads: readonly Tread[];
  readonly landing: Tread | null;
  readonly ground: number;
  readonly left: number;
  readonly right: number;
  readonly pegSize: number;
  /** Centres of the pegs of each step, then of the landing. */
  readonly pegs: readonly (readonly Point[])[];
  /** The x of a lesson boundary: 0 before the first lesson. */
  readonly lessonX: (lessons: number) => number;
}

const MARGIN = { left: 18, right: 18, top: 74, bottom: 40 };
/** On a tablet held upright the legend takes two lines, and the chips of the first step two rows. */
const NARROW = 800;
const NARROW_TOP = 100;
/** Room for the belt, two lines of title and the chips under the first tread. */
const FIRST_RISER = { wide: 98, narrow: 124 };
const LEAST_RISER = 20;
const LEGEND_HEIGHT = 42;
const LANDING_WIDTH = 46;
const PEG_SIZES = [34, 32, 30, 28, 26, 24, 22, 20];
const PEG_GAP = 3;
/** Pegs get smaller rather than stand in towers. */
const TALL_ENOUGH = 4;

export function layOutStairs(input: StairInput): StairLayout {
  const landingWidth = input.landingPegs > 0 ? LANDING_WIDTH : 0;
  const left = MARGIN.left;
  const right = input.width - MARGIN.right - landingWidth;
  const planned = input.steps.reduce((total, step) => total + step.lessons, 0);
  const span = Math.max(planned, input.lessons, 1);
  const lessonX = (lessons: number): number => left + ((right - left) * lessons) / span;
  const ground = input.height - MARGIN.bottom;
  const edges = edgesOf(input.steps);
  const widths = edges.map(([from, to]) => lessonX(to) - lessonX(from));
  const fitting = PEG_SIZES.filter((size) => fits(input, widths, ground, size));
  const pegSize =
    fitting.find((size) => mostRows(input, widths, size) <= TALL_ENOUGH) ?? fitting[0] ?? PEG_SIZES.at(-1)!;
  const tops = topsOf(input, widths, ground, pegSize);
  const treads = edges.map(([from, to], index): Tread => ({
    left: lessonX(from),
    right: lessonX(to),
    top: tops[index]!,
  }));
  const last = treads.at(-1);
  const landing =
    landingWidth === 0 || last === undefined
      ? null
      : { left: last.right, right: last.right + landingWidth, top: last.top };
  const pegs = treads.map((tread, index) => stack(tread, input.steps[index]!.pegs, pegSize));
  return {
    treads,
    landing,
    ground,
    left,
    right,
    pegSize,
    pegs: landing === null ? pegs : [...pegs, stack(landing, input.landingPegs, pegSize)],
    lessonX,
  };
}

/** First and last lesson boundary of each step. */
function edgesOf(steps: readonly StepSize[]): readonly (readonly [number, number])[] {
  let at = 0;
  return steps.map((step) => {
    const from = at;
    at += step.lessons;
    return [from, at] as const;
  });
}

function perRow(width: number, size: number): number {
  return Math.max(1, Math.floor((width - 4) / (size + PEG_GAP)));
}

function rowsOf(pegs: number, width: number, size: number): number {
  return Math.ceil(pegs / perRow(width, size));
}

function mostRows(input: StairInput, widths: readonly number[], size: number): number {
  return Math.max(0, ...input.steps.map((step, index) => rowsOf(step.pegs, widths[index]!, size)));
}

function stackHeight(pegs: number, width: number, size: number): number {
  return rowsOf(pegs, width, size) * (size + PEG_GAP);
}

/** The most that each tread may stand above the ground, so that the pegs on it stay in the picture. */
function ceilings(input: StairInput, widths: readonly number[], ground: number, size: number): readonly number[] {
  return input.steps.map((step, index) => ground - topMargin(input) - stackHeight(step.pegs, widths[index]!, size));
}

function topMargin(input: StairInput): number {
  return input.width < NARROW ? NARROW_TOP : MARGIN.top;
}

function leastClimbs(input: StairInput): readonly number[] {
  const first = input.width < NARROW ? FIRST_RISER.narrow : FIRST_RISER.wide;
  return input.steps.map((_, index) => first + index * LEAST_RISER);
}

function fits(input: StairInput, widths: readonly number[], ground: number, size: number): boolean {
  const least = leastClimbs(input);
  return ceilings(input, widths, ground, size).every((ceiling, index) => ceiling >= least[index]!);
}

/** Risers keep the proportions of the rises above a least height; the first carries its labels. */
function topsOf(input: StairInput, widths: readonly number[], ground: number, size: number): readonly number[] {
  const limits = ceilings(input, widths, ground, size);
  const least = leastClimbs(input);
  let risen = 0;
  const cumulative = input.steps.map((step, index) => (index === 0 ? 0 : (risen += step.rise)));
  const room = cumulative.map((climb, index) => (climb === 0 ? Infinity : (limits[index]! - least[index]!) / climb));
  const scale = Math.max(0, Math.min(...room, 22));
  return cumulative.map((climb, index) => ground - least[index]! - climb * scale);
}

/** Pegs stand from the left, row upon row; rows overlap when a tower would leave the picture. */
function stack(tread: Tread, count: number, size: number): readonly Point[] {
  const columns = perRow(tread.right - tread.left, size);
  const rows = Math.ceil(count / columns);
  const room = tread.top - 4 - size - LEGEND_HEIGHT;
  const rowHeight = Math.min(size + PEG_GAP, room / Math.max(1, rows - 1));
  return Array.from({ length: count }, (_, index) => ({
    x: tread.left + 5 + size / 2 + (index % columns) * (size + PEG_GAP),
    y: tread.top - 4 - size / 2 - Math.floor(index / columns) * rowHeight,
  }));
}
