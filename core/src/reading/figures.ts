import { pitchName, type Tune } from '../music/index.ts';
import { formBar, type FormBar } from './form.ts';
import { phraseBars, phraseLines, type PhraseBar, type Place } from './phrases.ts';

/** The same notes, the same rhythm with other notes, or the same shape from another note. */
export type FigureKind = 'exact' | 'rhythm' | 'shape';

export interface FigurePlace {
  /** First and last bar, as printed. */
  readonly bars: readonly [number, number];
  readonly notes: readonly string[];
  /** Its first and its last note or rest on the sheet. */
  readonly from: Place;
  readonly to: Place;
}

/** A stretch that comes again: what is learned once and found again. */
export interface Figure {
  /** a, b, c: in the order in which they first come. */
  readonly letter: string;
  readonly kind: FigureKind;
  readonly count: number;
  readonly places: readonly FigurePlace[];
  /** A place that begins like the others and ends differently. */
  readonly oddOneOut: FigurePlace | null;
}

/** More would cover the sheet with marks. */
const MOST_OF_A_KIND: Readonly<Record<FigureKind, number>> = { exact: 4, shape: 2, rhythm: 2 };
const LONGEST_IN_BARS = 4;
const FEWEST_NOTES = 3;
const MOST_NOTES = 12;

/** One note or rest, with its place in the order of the sheet. */
interface Step {
  readonly bar: FormBar;
  readonly number: number;
  readonly place: Place;
  /** Null for a rest. */
  readonly note: string | null;
  readonly value: string;
  /** Which of its bar's events. */
  readonly inBar: number;
}

/** From and up to a step, in the order of the sheet. */
interface Stretch {
  readonly first: number;
  readonly last: number;
}

interface Found {
  readonly kind: FigureKind;
  readonly stretches: readonly Stretch[];
  readonly odd: Stretch | null;
}

/**
 * The stretches of one to four bars, and of three notes or more, that come again in the first part. Each is as long as
 * can be: what only comes inside a longer one is not named for itself. Bars that only rest are no figure.
 */
export function figuresOf(tune: Tune): readonly Figure[] {
  const bars = phraseBars(tune);
  const forms = bars.map(({ number, events }) => formBar(number, events));
  const steps = stepsOf(bars, forms);
  const starts = barStartsIn(steps, forms);
  const lines = phraseLines(tune);
  const exact = kept([...byBars('exact', forms, starts, steps), ...byNotes(steps)], steps, isInside);
  const even = ({ first, forms: { length: bars } }: Window): boolean => standsEven(first, bars, lines);
  const shape = kept(byBars('shape', forms, starts, steps, even), steps, isCovered);
  const rhythm = kept(byBars('rhythm', forms, starts, steps, even), steps, isCovered).filter(
    (each) => !shape.some((other) => isCovered(each, other)),
  );
  return [exact, shape, rhythm]
    .flatMap((found) => found.slice(0, MOST_OF_A_KIND[found[0]?.kind ?? 'exact']))
    .toSorted((a, b) => a.stretches[0]!.first - b.stretches[0]!.first || length(b) - length(a))
    .map(({ kind, stretches, odd }, index) => ({
      letter: String.fromCharCode(97 + index),
      kind,
      count: stretches.length,
      places: stretches.map((each) => placeOf(each, steps)),
      oddOneOut: odd === null ? null : placeOf(odd, steps),
    }));
}

function stepsOf(bars: readonly PhraseBar[], forms: readonly FormBar[]): readonly Step[] {
  return bars.flatMap(({ number, events, places }, index) =>
    events.map((event, inBar): Step => ({
      bar: forms[index]!,
      number,
      place: places[inBar]!,
      note: event.kind === 'note' ? pitchName(event.pitch) + (event.tied ? '-' : '') : null,
      value: `${event.value.base}${'.'.repeat(event.value.dots)}${event.value.tuplet?.actual ?? ''}`,
      inBar,
    })),
  );
}

/** The first step of each bar, and behind them the end. */
function barStartsIn(steps: readonly Step[], forms: readonly FormBar[]): readonly number[] {
  return [...forms.map((form) => steps.findIndex((step) => step.bar === form)), steps.length];
}

/** Windows of whole bars that are alike, longest first. */
function byBars(
  kind: FigureKind,
  forms: readonly FormBar[],
  starts: readonly number[],
  steps: readonly Step[],
  mayBegin: (window: Window) => boolean = () => true,
): readonly Found[] {
  const shortest = kind === 'exact' ? 2 : 1;
  const found: Found[] = [];
  for (let bars = Math.min(LONGEST_IN_BARS, forms.length >> 1); bars >= shortest; bars--) {
    const windows = forms.flatMap((_, first): Window[] => {
      const window = forms.slice(first, first + bars);
      if (window.length < bars || window[0]!.heads.length === 0 || window.at(-1)!.heads.length === 0) return [];
      const found = { first, forms: window, stretch: { first: starts[first]!, last: starts[first + bars]! - 1 } };
      return mayBegin(found) ? [found] : [];
    });
    for (const group of groupedBy(windows, (window) => keyOf(kind, window.forms)).values()) {
      const apart = withoutOverlap(group, (window) => window.stretch);
      if (apart.length < 2 || !isWorthNaming(kind, apart, steps)) continue;
      const odd = kind === 'exact' ? oddWindow(apart, windows) : null;
      found.push({ kind, stretches: apart.map(({ stretch }) => stretch), odd: odd?.stretch ?? null });
    }
  }
  return found;
}

/** Phrases of four bars begin with a line, those of two at its start or two bars on. */
function standsEven(first: number, bars: number, lines: readonly (readonly [number, number])[]): boolean {
  const line = lines.find(([from, to]) => from <= first && first <= to);
  return line === undefined || (first - line[0]) % bars === 0;
}

interface Window {
  readonly first: number;
  readonly forms: readonly FormBar[];
  readonly stretch: Stretch;
}

function keyOf(kind: FigureKind, forms: readonly FormBar[]): string {
  if (kind === 'exact') return forms.map((form) => form.notes).join(' | ');
  const rhythm = forms.map((form) => form.rhythm).join(' | ');
  if (kind === 'rhythm') return rhythm;
  const steps = forms.flatMap((form) => form.steps);
  return `${rhythm}: ${steps.map((step) => step - steps[0]!).join(' ')}`;
}

/** A rhythm counts when it has more than one value, a shape when it moves; neither when all its places are the same notes. */
function isWorthNaming(kind: FigureKind, windows: readonly Window[], steps: readonly Step[]): boolean {
  const { first, last } = windows[0]!.stretch;
  const sounding = steps.slice(first, last + 1).filter(({ note }) => note !== null);
  if (sounding.length < FEWEST_NOTES) return false;
  const exact = new Set(windows.map(({ forms }) => keyOf('exact', forms)));
  if (kind === 'exact') return true;
  if (exact.size === 1) return false;
  if (kind === 'rhythm') return new Set(sounding.map(({ value }) => value)).size > 1;
  return new Set(sounding.map(({ note }) => note)).size > 1;
}

/** The first other window whose first half, at least, is the same. */
function oddWindow(group: readonly Window[], windows: readonly Window[]): Window | null {
  const like = group[0]!;
  const half = Math.ceil(like.forms.length / 2);
  const isTaken = (window: Window): boolean => group.some((each) => overlap(each.stretch, window.stretch));
  return (
    windows.find(
      (window) =>
        !isTaken(window) && window.forms.slice(0, half).every((form, index) => form.notes === like.forms[index]!.notes),
    ) ?? null
  );
}

/** Runs of notes, without a rest, that come again at the same place of the bar. */
function byNotes(steps: readonly Step[]): readonly Found[] {
  const found: Found[] = [];
  for (let notes = Math.min(MOST_NOTES, steps.length >> 1); notes >= FEWEST_NOTES; notes--) {
    const runs = steps.flatMap((_, first): Stretch[] => {
      const run = steps.slice(first, first + notes);
      const isRun = run.length === notes && run.every(({ note }) => note !== null);
      return isRun && new Set(run.map(({ note }) => note)).size > 1 ? [{ first, last: first + notes - 1 }] : [];
    });
    const textOf = ({ first, last }: Stretch): string =>
      `${steps[first]!.inBar}: ${soundsOf(steps, { first, last }).join(' ')}`;
    for (const group of groupedBy(runs, textOf).values()) {
      const apart = withoutOverlap(group, (run) => run);
      if (apart.length >= 2) found.push({ kind: 'exact', stretches: apart, odd: oddRun(apart, runs, steps) });
    }
  }
  return found;
}

function oddRun(group: readonly Stretch[], runs: readonly Stretch[], steps: readonly Step[]): Stretch | null {
  const like = soundsOf(steps, group[0]!);
  const at = steps[group[0]!.first]!.inBar;
  const common = Math.max(FEWEST_NOTES, like.length - 1);
  if (like.length <= FEWEST_NOTES) return null;
  return (
    runs.find(
      (run) =>
        steps[run.first]!.inBar === at &&
        !group.some((stretch) => overlap(stretch, run)) &&
        soundsOf(steps, run)
          .slice(0, common)
          .every((sound, index) => sound === like[index]),
    ) ?? null
  );
}

function soundsOf(steps: readonly Step[], { first, last }: Stretch): readonly string[] {
  return steps.slice(first, last + 1).map(({ note, value }) => `${note ?? 'z'}${value}`);
}

/** What covers most is named first; what always comes inside another is not named. */
function kept(
  found: readonly Found[],
  steps: readonly Step[],
  isPart: (inner: Found, outer: Found) => boolean,
): readonly Found[] {
  const notesIn = ({ first, last }: Stretch): number =>
    steps.slice(first, last + 1).filter(({ note }) => note !== null).length;
  const saved = ({ stretches }: Found): number => (stretches.length - 1) * notesIn(stretches[0]!);
  const chosen: Found[] = [];
  for (const each of found.toSorted((a, b) => saved(b) - saved(a) || length(b) - length(a)))
    if (!chosen.some((other) => isPart(each, other))) chosen.push(each);
  return chosen.filter((each) => !chosen.some((other) => other !== each && isPart(each, other)));
}

function length({ stretches }: Found): number {
  return stretches[0]!.last - stretches[0]!.first + 1;
}

/** It comes no more often than the other, and each of its places lies in one of the other, or in its odd one. */
function isInside({ stretches }: Found, outer: Found): boolean {
  const places = outer.odd === null ? outer.stretches : [...outer.stretches, outer.odd];
  if (stretches.length > places.length) return false;
  return stretches.every((each) => places.some(({ first, last }) => first <= each.first && each.last <= last));
}

/** Each of its notes lies in a place of the other. */
function isCovered({ stretches }: Found, outer: Found): boolean {
  const taken = new Set(outer.stretches.flatMap(stepsIn));
  return stretches.flatMap(stepsIn).every((step) => taken.has(step));
}

function stepsIn({ first, last }: Stretch): readonly number[] {
  return Array.from({ length: last - first + 1 }, (_, step) => first + step);
}

function overlap(a: Stretch, b: Stretch): boolean {
  return a.first <= b.last && b.first <= a.last;
}

function withoutOverlap<Thing>(things: readonly Thing[], stretchOf: (thing: Thing) => Stretch): readonly Thing[] {
  const apart: Thing[] = [];
  for (const thing of things)
    if (apart.length === 0 || stretchOf(apart.at(-1)!).last < stretchOf(thing).first) apart.push(thing);
  return apart;
}

function groupedBy<Thing>(
  things: readonly Thing[],
  keyOfThing: (thing: Thing) => string,
): ReadonlyMap<string, Thing[]> {
  const groups = new Map<string, Thing[]>();
  for (const thing of things) {
    const key = keyOfThing(thing);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [thing]);
    else group.push(thing);
  }
  return groups;
}

function placeOf({ first, last }: Stretch, steps: readonly Step[]): FigurePlace {
  const inside = steps.slice(first, last + 1);
  return {
    bars: [inside[0]!.number, inside.at(-1)!.number],
    notes: inside.flatMap(({ note }) => (note === null ? [] : [note.replace('-', '')])),
    from: inside[0]!.place,
    to: inside.at(-1)!.place,
  };
}
