import { wordsIn } from './englishes.ts';
import { english } from './locale.ts';

/** Text and names of values by turns, text first: "{n} of {total}" is `['', 'n', ' of ', 'total']`. */
export type Parts = readonly string[];

/** What the build makes of a message, so that a device reads no braces; two of them where one and many differ. */
export type Built = string | Parts | { readonly one: Parts; readonly many: Parts };

export type Values = Readonly<Record<string, string | number>>;

const PLURALS = new Intl.PluralRules('en');

/** Whether `n` of something is said like one of it. */
export const isOne = (n: number): boolean => PLURALS.select(Math.abs(n)) === 'one';

/** Says a built message in the English that is set; `n` among the values chooses between one and many. */
export function sayBuilt(message: Built, values: Values = {}): string {
  const words = (text: string): string => wordsIn(english(), text);
  if (typeof message === 'string') return words(message);
  const parts = 'one' in message ? (isOne(Number(values.n)) ? message.one : message.many) : message;
  return parts.map((part, index) => (index % 2 === 0 ? words(part) : String(values[part]))).join('');
}
