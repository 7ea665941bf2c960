/** The value under which a share of the others lies; NaN of none. @param share 0 to 1; a half gives the median. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  const place = (sorted.length - 1) * share;
  const below = Math.floor(place);
  const here = sorted[below] ?? NaN;
  return here + ((sorted[below + 1] ?? here) - here) * (place - below);
}

export const median = (values: readonly number[]): number => quantile(values, 0.5);
