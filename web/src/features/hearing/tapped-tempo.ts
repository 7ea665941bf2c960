const FEWEST = 3;
/** A pause of so many seconds begins anew. */
const PAUSE = 2.5;

/**
 * Beats a minute by tapping along: the middle of the last steps between taps, so that one missed tap does not count.
 * @param taps times in milliseconds, in order.
 * @returns null until there are enough.
 */
export function tappedTempo(taps: readonly number[]): number | null {
  const steps = taps.slice(1).map((tap, index) => (tap - taps[index]!) / 1000);
  const since = steps.findLastIndex((step) => step > PAUSE);
  const together = steps.slice(since + 1).toSorted((a, b) => a - b);
  if (together.length < FEWEST - 1) return null;
  const middle = together[Math.floor(together.length / 2)]!;
  const perMinute = Math.round(60 / middle);
  return perMinute >= 20 && perMinute <= 300 ? perMinute : null;
}
