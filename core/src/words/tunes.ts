import type { LengthWords, NoteValue } from '../music/index.ts';
import { valueWords } from '../music/index.ts';
import type { Breath, BreathReason, HardestMove } from '../reading/index.ts';
import { describeMove } from './moves.ts';
import { t } from './messages.ts';

/** "on the second line", counted from the bottom, for the treble staff. */
export function staffPlace(step: number): string {
  const ordinals = ['first', 'second', 'third', 'fourth', 'fifth'];
  const bottomLine = 30;
  const offset = step - bottomLine;
  if (offset >= 0 && offset <= 8) {
    return offset % 2 === 0
      ? t('tunes.on-the-ordinals-line', { ordinals: ordinals[offset / 2]! })
      : t('tunes.in-the-ordinals-space', { ordinals: ordinals[(offset - 1) / 2]! });
  }
  if (offset === -1) return t('tunes.hanging-under-the-staff');
  if (offset === 9) return t('tunes.sitting-on-top-of-the-staff');
  const side = offset < 0 ? 'below' : 'above';
  const away = offset < 0 ? -offset : offset - 8;
  const ledger = ordinals[Math.floor(away / 2) - 1] ?? `${Math.floor(away / 2)}th`;
  if (away % 2 === 0) return t('tunes.on-the-ledger-ledger-line-side', { ledger, side });
  return offset < 0
    ? t('tunes.hanging-under-the-ledger-ledger-line', { ledger, side })
    : t('tunes.on-top-of-the-ledger-ledger', { ledger, side });
}

const SPECIAL_WORDS: ReadonlyMap<string, string> = new Map([
  ['tie', 'tie'],
  ['pickup', 'pickup'],
  ['syncopation', 'syncopation'],
  ['compound', t('tunes.beats-in-three')],
]);

/** "dotted crotchet", "minim rest", "tie": an element in the class's words for lengths. */
export function elementWords(id: string, words: LengthWords): string {
  const special = SPECIAL_WORDS.get(id);
  if (special !== undefined) return special;
  const match = /^(note|rest) (double-dotted-|dotted-)?([a-z-]+?)(?: in (\d))?$/.exec(id);
  if (match === null) return id;
  const [, kind, dotted, base, group] = match;
  const dots = dotted === undefined ? 0 : dotted === 'dotted-' ? 1 : 2;
  const tuplet = group === undefined ? null : { actual: Number(group), normal: 2 };
  const text = valueWords({ base: base as NoteValue['base'], dots, tuplet }, words);
  return kind === 'rest' ? t('tunes.replace-rest', { length: text.replace(/ note$/, '') }) : text;
}

/** "dotted crotchets", "minim rests", "ties", "syncopation": more than one of an element. */
export function elementsWords(id: string, words: LengthWords): string {
  const one = elementWords(id, words);
  if (id === 'syncopation' || id === 'compound') return one;
  return one.replace(/( in a triplet)?$/, 's$1');
}

/** "key signature of one sharp", "3/4", "repeat": a sign in words. */
export function signWords(id: string): string {
  const [kind, detail = ''] = id.split(' ');
  if (kind === 'metre') return t('tunes.detail-time', { detail });
  if (kind === 'dynamic') return detail;
  if (kind !== 'key') return id;
  const count = Math.abs(Number(detail));
  return t('tunes.key-signature-of-count-value-value2', { n: count, sign: Number(detail) > 0 ? 'sharp' : 'flat' });
}

const INTERVALS = [
  '',
  t('tunes.a-semitone'),
  t('tunes.a-tone'),
  t('tunes.a-minor-third'),
  t('tunes.a-major-third'),
  t('tunes.a-fourth'),
  t('tunes.a-tritone'),
  t('tunes.a-fifth'),
  t('tunes.a-minor-sixth'),
  t('tunes.a-major-sixth'),
  t('tunes.a-minor-seventh'),
  t('tunes.a-major-seventh'),
  t('tunes.an-octave'),
];

/** "down a tone": a shift as it is said. */
export function shiftWords(semitones: number): string {
  if (semitones === 0) return t('tunes.as-it-stands');
  return `${semitones > 0 ? 'up' : 'down'} ${INTERVALS[Math.abs(semitones)] ?? t('tunes.number-semitones', { number: Math.abs(semitones) })}`;
}

/** "a minor second": the distance of two notes that sound together. */
export function intervalWords(semitones: number): string {
  return TOGETHER[semitones] ?? INTERVALS[semitones] ?? t('tunes.semitones-semitones', { semitones });
}

const TOGETHER: Readonly<Record<number, string>> = { 1: t('tunes.a-minor-second'), 2: t('tunes.a-major-second') };

/** "A4 to E4: three fingers land together, in both hands, twice; the move is new." */
export function hardSpotWords({ from, to, move, times, isNew }: HardestMove): string {
  const often = ['', '', t('tunes.twice'), t('tunes.three-times')][times] ?? t('tunes.times-times', { times });
  return t('tunes.from-to-to-move-often-value', {
    from,
    to,
    move: describeMove(move),
    often,
    newness: isNew ? t('tunes.the-move-is-new') : '',
  });
}

const BREATH_WORDS: Readonly<Record<BreathReason, string>> = {
  rest: t('tunes.at-a-rest'),
  marked: t('tunes.marked-on-the-sheet'),
  words: t('tunes.where-the-words-pause'),
  'line-end': t('tunes.at-the-end-of-a-line'),
  'bar-end': t('tunes.at-the-end-of-a-bar'),
  upbeat: t('tunes.before-an-upbeat'),
  'long-note': t('tunes.after-a-long-note'),
};

/** "at the end of a line, after a long note": why one breathes here. */
export function breathWords({ reasons }: Breath): string {
  return reasons.map((reason) => BREATH_WORDS[reason]).join(', ') || t('tunes.before-the-air-runs-out');
}
