import type { Bar, Tune } from './tune.ts';

/** Longest performance that makes sense for a class, as a guard against signs that never end. */
const MOST_PLAYED_BARS = 4000;

interface Section {
  readonly first: number;
  readonly last: number;
}

/**
 * The order in which bars are played, as indices into `tune.bars`: repeats and endings carried out, then D.C. or
 * D.S. Repeats are not made again on the way back, as is the custom.
 */
export function performanceOrder(tune: Tune): readonly number[] {
  const { bars } = tune;
  const order = sectionsOf(bars).flatMap((section) => playSection(bars, section));
  const jumpIndex = order.find((index) => bars[index]!.jump !== null);
  if (jumpIndex === undefined) return order.slice(0, MOST_PLAYED_BARS);
  const before = order.slice(0, order.lastIndexOf(jumpIndex) + 1);
  return [...before, ...afterJump(bars, jumpIndex)].slice(0, MOST_PLAYED_BARS);
}

/** Stretches between repeat signs; a bar after an end repeat starts a new one unless it is a further ending. */
function sectionsOf(bars: readonly Bar[]): readonly Section[] {
  const sections: Section[] = [];
  let first = 0;
  for (let index = 0; index < bars.length; index++) {
    const next = bars[index + 1];
    const goesOn = next !== undefined && !next.repeatStart && next.ending !== null && bars[index]!.ending !== null;
    const ends =
      next === undefined || next.repeatStart || (bars[index]!.timesPlayed > 1 && !goesOn) || endsEndings(bars, index);
    if (!ends) continue;
    sections.push({ first, last: index });
    first = index + 1;
  }
  return sections;
}

/** The bracket of the last ending is over: what follows is a new section. */
function endsEndings(bars: readonly Bar[], index: number): boolean {
  return bars[index]!.ending !== null && bars[index + 1]?.ending === null;
}

function playSection(bars: readonly Bar[], { first, last }: Section): number[] {
  const inside = Array.from({ length: last - first + 1 }, (_, offset) => first + offset);
  const passes = Math.max(
    1,
    ...inside.map((index) => Math.max(bars[index]!.timesPlayed, ...(bars[index]!.ending ?? []))),
  );
  const played: number[] = [];
  for (let pass = 1; pass <= passes; pass++) {
    for (const index of inside) {
      const { ending } = bars[index]!;
      if (ending === null || ending.includes(pass)) played.push(index);
    }
  }
  return played;
}

function afterJump(bars: readonly Bar[], jumpIndex: number): number[] {
  const jump = bars[jumpIndex]!.jump!;
  const start = jump.startsWith('D.S.')
    ? Math.max(
        0,
        bars.findIndex((bar) => bar.segno),
      )
    : 0;
  const played: number[] = [];
  for (let index = start; index < bars.length; index++) {
    const bar = bars[index]!;
    if (isEarlierEnding(bars, index)) continue;
    played.push(index);
    if (jump.endsWith('fine') && bar.fine) return played;
    if (jump.endsWith('coda') && bar.toCoda) {
      const coda = bars.findIndex((other) => other.coda);
      for (let tail = coda; tail < bars.length; tail++) played.push(tail);
      return played;
    }
    if (index === jumpIndex) break;
  }
  return played;
}

/** On the way back only the last ending of a section is played. */
function isEarlierEnding(bars: readonly Bar[], index: number): boolean {
  const ending = bars[index]!.ending;
  if (ending === null) return false;
  for (let later = index + 1; later < bars.length; later++) {
    const other = bars[later]!.ending;
    if (other === null || bars[later]!.repeatStart) return false;
    if (Math.max(...other) > Math.max(...ending)) return true;
  }
  return false;
}
