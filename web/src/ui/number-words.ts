import { listWords } from '@escalier/messages';
import { t } from './messages.ts';

/** "1 to 4, 7, 9 and 10": whole numbers from the least up, as they are said. @param say one of them. */
export function numbersWords(numbers: readonly number[], say: (number: number) => string = String): string {
  const runs: [number, number][] = [];
  for (const number of numbers.toSorted((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last !== undefined && number === last[1] + 1) last[1] = number;
    else runs.push([number, number]);
  }
  return listWords(
    runs.flatMap(([from, to]) => {
      if (to - from > 1) return [t('number-words.from-to-to', { from: say(from), to: say(to) })];
      return from === to ? [say(from)] : [say(from), say(to)];
    }),
  );
}
