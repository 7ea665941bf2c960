/** A line of a sheet, in pixels of the sheet. */
export interface SheetLine {
  readonly top: number;
  readonly bottom: number;
}

/** What of a sheet is on the picture: from which line, and where it ends so that no line is cut. */
export interface Shown {
  /** Index of the first line that is shown. */
  readonly first: number;
  /** Index of the last. */
  readonly last: number;
}

/**
 * Whole lines that fit on a picture, from a line on; where the rest of the sheet fits, all of the rest, so that the
 * picture is as full as it can be.
 * @param height of the picture, in pixels.
 */
export function linesFrom(lines: readonly SheetLine[], from: number, height: number): Shown {
  const end = lines.length - 1;
  const fits = (first: number, last: number): boolean => lines[last]!.bottom - lines[first]!.top <= height;
  let first = Math.max(0, Math.min(from, end));
  while (first > 0 && fits(first - 1, end)) first--;
  let last = first;
  while (last < end && fits(first, last + 1)) last++;
  return { first, last };
}

/** The first lines of the pages into which a sheet falls on a picture. */
export function pagesOf(lines: readonly SheetLine[], height: number): readonly number[] {
  const pages: number[] = [];
  for (let next = 0; next < lines.length;) {
    const { first, last } = linesFrom(lines, next, height);
    pages.push(first);
    next = last + 1;
  }
  return pages;
}
