import { locale, type Locale } from './locale.ts';

const made = new Map<Locale, Intl.ListFormat>();

/** "E, G and A", as the school's English writes it. */
export function listWords(things: readonly string[]): string {
  let format = made.get(locale());
  if (format === undefined) made.set(locale(), (format = new Intl.ListFormat(locale())));
  return format.format(things);
}
