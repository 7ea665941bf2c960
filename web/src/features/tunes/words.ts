import { listWords } from '@escalier/messages';
import { numbersWords } from '../../ui/number-words.ts';
import type { LengthWords } from '@escalier/core/music';
import { elementWords, signWords } from '@escalier/core/words';
import { noteWords } from '../../ui/note-words.ts';
import { t } from './messages.ts';

/** "bar 4", "bars 4 and 7", "bars 1 to 8": bar numbers as they are said. */
export function barsWords(bars: readonly number[], capital = false): string {
  const list = numbersWords(bars, (bar) => (bar === 0 ? t('words.pickup') : String(bar)));
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
  return listWords(names.map(noteWords));
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
  return `${INTERVALS[Math.abs(steps)] ?? t('words.number-steps', { number: Math.abs(steps) })} ${steps > 0 ? 'up' : 'down'}`;
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
