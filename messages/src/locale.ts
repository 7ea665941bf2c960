/** The Englishes that Escalier speaks. */
export const LOCALES = ['en-GB', 'en-US'] as const;
export type Locale = (typeof LOCALES)[number];

const state: { locale: Locale } = { locale: 'en-GB' };

export const locale = (): Locale => state.locale;

/** Sets the English of all that is said from now on; tables made before keep theirs. */
export function setLocale(chosen: Locale): void {
  state.locale = chosen;
}

/** Gives what `words` says in another English: for a server that serves several schools at once. */
export function inLocale<T>(chosen: Locale, words: () => T): T {
  const before = state.locale;
  state.locale = chosen;
  try {
    return words();
  } finally {
    state.locale = before;
  }
}
