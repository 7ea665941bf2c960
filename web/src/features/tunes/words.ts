import type { LengthWords } from '@escalier/core/music';
import { elementWords, signWords } from '@escalier/core/words';
import { noteWords } from '../../ui/note-words.ts';
import { t } from './messages.ts';

/** "bar 4", "bars 4 and 7", "bars 1 to 8": bar numbers as they are said. */
export function barsWords(bars: readonly number[], capital = false): string {
  const runs: [number, number][] = [];
  for (const bar of bars) {
    const last = runs.at(-1);
    if (last !== undefined && bar === last[1] + 1) last[1] = bar;
    else runs.push([bar, bar]);
  }
  const parts = runs.flatMap(([from, to]) => {
    if (from === to) return [from === 0 ? 'pickup' : String(from)];
    return to === from + 1
      ? [from === 0 ? 'pickup' : String(from), String(to)]
      : [`${from === 0 ? 'pickup' : from} to ${to}`];
  });
  const list = parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}` : (parts[0] ?? '');
  const text =
    bars.length === 1
      ? bars[0] === 0
        ? t('words.in-the-pickup')
        : t('bar.one', { bar: list })
      : t('bar.several', { list });
  return capital ? text.charAt(0).toUpperCase() + text.slice(1) : text;
}

/** "E and F♯". */
export function notesList(names: readonly string[]): string {
  const shown = names.map(noteWords);
  return shown.length > 1 ? `${shown.slice(0, -1).join(', ')} and ${shown.at(-1)!}` : (shown[0] ?? '');
}

const INTERVALS = [
  '',
  t('words.a-step'),
  t('words.a-third'),
  t('words.a-fourth'),
  t('words.a-fifth'),
  t('words.a-sixth'),
  t('words.a-seventh'),
  t('words.an-octave'),
];

/** "a fourth up": staff steps as an interval. */
export function stepsWords(steps: number): string {
  return `${INTERVALS[Math.abs(steps)] ?? `${Math.abs(steps)} steps`} ${steps > 0 ? 'up' : 'down'}`;
}

const LEAPS = [
  '',
  '',
  '',
  t('words.a-fourth'),
  t('words.a-fifth'),
  t('words.a-sixth'),
  t('words.a-seventh'),
  t('words.an-octave'),
];

/** "leap of a fifth", "slur", "dotted crotchet", "the note F♯": what tunes are gathered by. */
export function hasWordsOf(id: string, lengths: LengthWords): string {
  const space = id.indexOf(' ');
  const [kind, rest] = [id.slice(0, space), id.slice(space + 1)];
  switch (kind) {
    case 'note':
      return t('words.the-note-note', { note: noteWords(rest) });
    case 'leap':
      return t('words.leap-of-leaps', { leaps: LEAPS[Number(rest)] ?? t('words.more-than-an-octave') });
    case 'rhythm':
      return elementWords(rest, lengths);
    default:
      return signWords(rest);
  }
}
