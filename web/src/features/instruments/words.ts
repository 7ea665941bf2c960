import { t } from './messages.ts';
export function className(classes: readonly { readonly id: string; readonly name: string }[], id: string): string {
  return classes.find((each) => each.id === id)?.name ?? t('words.another-class');
}

/** "1 to 4, 7, 9 and 10": numbers as they are said. */
export function numbersWords(numbers: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const number of numbers.toSorted((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last !== undefined && number === last[1] + 1) last[1] = number;
    else runs.push([number, number]);
  }
  const parts = runs.flatMap(([from, to]) => {
    if (to - from > 1) return [`${from} to ${to}`];
    return from === to ? [String(from)] : [String(from), String(to)];
  });
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}` : (parts[0] ?? '');
}
