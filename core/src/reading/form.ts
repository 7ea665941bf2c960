import { midiNumber, pitchName, staffStep, type Tune, type TuneEvent } from '../music/index.ts';
import { phraseBars, phraseLines } from './phrases.ts';

/** A line of the sheet, or four bars where the sheet has no lines. */
export interface FormLine {
  /** A, A' (the same but for the end), B … */
  readonly letter: string;
  /** First and last bar, as printed. */
  readonly bars: readonly [number, number];
}

export interface Sequence {
  readonly bars: readonly [number, number];
  /** Staff steps up (positive) or down from the first to the second. */
  readonly steps: number;
}

/** What in a tune is the same again, so that little is left to learn. Bars by their printed numbers. */
export interface Form {
  readonly lines: readonly FormLine[];
  /** Groups of bars that are the same note for note. */
  readonly sameBars: readonly (readonly number[])[];
  /** Groups of bars with one rhythm, of which not all are the same. */
  readonly sameRhythm: readonly (readonly number[])[];
  /** Pairs of bars that are the same but for the last notes. */
  readonly differAtEnd: readonly (readonly [number, number])[];
  readonly sequences: readonly Sequence[];
  /** Pairs of bars in which every step up is answered by the same step down. */
  readonly mirrored: readonly (readonly [number, number])[];
  readonly distinctBars: number;
  /** One bar for each kind, in the order in which to teach them: what comes most often first. */
  readonly learnBars: readonly number[];
  readonly allBars: number;
}

export interface FormBar {
  readonly number: number;
  readonly notes: string;
  readonly rhythm: string;
  readonly heads: readonly string[];
  readonly steps: readonly number[];
}

/** Reads the form of the first part from the sheet. */
export function readForm(tune: Tune): Form {
  const bars = phraseBars(tune).map(({ number, events }) => formBar(number, events));
  const kinds = grouped(bars, (bar) => bar.notes);
  const rhythms = grouped(bars, (bar) => bar.rhythm).filter(
    (group) => group.length > 1 && new Set(group.map((bar) => bar.notes)).size > 1,
  );
  const firsts = kinds.map((group) => group[0]!);
  return {
    lines: lettered(phraseLines(tune).map(([first, last]) => bars.slice(first, last + 1))),
    sameBars: kinds.filter((group) => group.length > 1 && group[0]!.heads.length > 0).map(numbers),
    sameRhythm: rhythms.map(numbers),
    differAtEnd: pairsOf(firsts)
      .filter(([a, b]) => differAtEnd(a, b))
      .map(([a, b]) => [a.number, b.number]),
    sequences: pairsOf(firsts).flatMap(([a, b]) => sequence(a, b)),
    mirrored: pairsOf(firsts)
      .filter(([a, b]) => isMirror(a, b))
      .map(([a, b]) => [a.number, b.number]),
    distinctBars: kinds.length,
    learnBars: kinds.toSorted((a, b) => b.length - a.length).map((group) => group[0]!.number),
    allBars: bars.length,
  };
}

function numbers(group: readonly FormBar[]): readonly number[] {
  return group.map((bar) => bar.number);
}

export function formBar(number: number, events: readonly TuneEvent[]): FormBar {
  const notes = events.flatMap((event) => (event.kind === 'note' ? [event] : []));
  return {
    number,
    notes: events
      .map(
        (event) =>
          `${event.kind === 'note' ? pitchName(event.pitch) + (event.tied ? '-' : '') : 'z'}${valueText(event)}`,
      )
      .join(' '),
    rhythm: events
      .map((event) => `${event.kind === 'note' ? (event.tied ? '-' : 'n') : 'z'}${valueText(event)}`)
      .join(' '),
    heads: notes.map((note) => `${midiNumber(note.pitch)}${valueText(note)}`),
    steps: notes.map((note) => staffStep(note.pitch)),
  };
}

function valueText({ value: { base, dots, tuplet } }: TuneEvent): string {
  return `${base}${'.'.repeat(dots)}${tuplet === null ? '' : tuplet.actual}`;
}

function grouped(bars: readonly FormBar[], keyOf: (bar: FormBar) => string): readonly (readonly FormBar[])[] {
  const groups = new Map<string, FormBar[]>();
  for (const bar of bars) {
    const group = groups.get(keyOf(bar));
    if (group === undefined) groups.set(keyOf(bar), [bar]);
    else group.push(bar);
  }
  return [...groups.values()];
}

function pairsOf(bars: readonly FormBar[]): readonly (readonly [FormBar, FormBar])[] {
  return bars.flatMap((a, index) => bars.slice(index + 1).map((b) => [a, b] as const));
}

/** More than half of the notes from the start are the same, and the rest is not. */
function differAtEnd(a: FormBar, b: FormBar): boolean {
  const same = a.heads.findIndex((head, index) => head !== b.heads[index]);
  const common = same < 0 ? a.heads.length : same;
  const longer = Math.max(a.heads.length, b.heads.length);
  return longer >= 3 && common < longer && common >= 2 && common * 2 >= longer;
}

function sequence(a: FormBar, b: FormBar): Sequence[] {
  const steps = (b.steps[0] ?? 0) - (a.steps[0] ?? 0);
  const isMoved =
    a.steps.length >= 3 &&
    a.rhythm === b.rhythm &&
    steps !== 0 &&
    a.steps.every((step, index) => b.steps[index] === step + steps);
  return isMoved && new Set(a.steps).size > 1 ? [{ bars: [a.number, b.number], steps }] : [];
}

function isMirror(a: FormBar, b: FormBar): boolean {
  if (a.steps.length < 3 || a.rhythm !== b.rhythm || new Set(a.steps).size === 1) return false;
  return a.steps.every(
    (step, index) => index === 0 || step - a.steps[index - 1]! === -(b.steps[index]! - b.steps[index - 1]!),
  );
}

/** Lines that begin alike for at least half of their bars share a letter. */
function lettered(lines: readonly (readonly FormBar[])[]): readonly FormLine[] {
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
  const heads: { readonly line: readonly FormBar[]; variants: (readonly FormBar[])[] }[] = [];
  return lines.map((line): FormLine => {
    const bars = [line[0]!.number, line.at(-1)!.number] as const;
    const known = heads.findIndex((head) => startsAlike(head.line, line));
    if (known < 0) {
      heads.push({ line, variants: [line] });
      return { letter: letters[heads.length - 1] ?? '?', bars };
    }
    const head = heads[known]!;
    const variant = head.variants.findIndex((other) => sameLine(other, line));
    if (variant < 0) head.variants.push(line);
    const marks = "'".repeat(variant < 0 ? head.variants.length - 1 : variant);
    return { letter: `${letters[known] ?? '?'}${marks}`, bars };
  });
}

function sameLine(a: readonly FormBar[], b: readonly FormBar[]): boolean {
  return a.length === b.length && a.every((bar, index) => bar.notes === b[index]!.notes);
}

function startsAlike(a: readonly FormBar[], b: readonly FormBar[]): boolean {
  const same = a.findIndex((bar, index) => bar.notes !== b[index]?.notes);
  const common = same < 0 ? a.length : same;
  return common * 2 >= Math.max(a.length, b.length) && common > 0;
}
