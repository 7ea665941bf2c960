import type { Extent } from '@escalier/core/records';
import type { TuneInfo } from '../../workers/index.ts';

/** A part of a tune from one bar of its sheet to another, whichever was named first; the pickup goes with bar 1. */
export function extentOf({ barNumbers }: TuneInfo, a: number, b: number, slowly: boolean): Extent {
  const [from, to] = a <= b ? [a, b] : [b, a];
  const first = from <= 1 && barNumbers[0] === 0 ? 0 : from;
  const printed = (index: number): number => Math.max(1, barNumbers[index] ?? 1);
  return { bars: [printed(from), printed(to)], indices: [first, to], slowly };
}

/** The lines of the tune as parts of it; none for a tune of one line. */
export function linesOf(info: TuneInfo): readonly Extent[] {
  const { lines } = info.reading.form;
  if (lines.length < 2) return [];
  return lines.map(({ bars: [first, last] }) =>
    extentOf(info, info.barNumbers.indexOf(first), info.barNumbers.lastIndexOf(last), false),
  );
}

export function sameBars(a: Extent, b: Extent): boolean {
  return a.indices.join() === b.indices.join();
}
