/** The Englishes that Escalier speaks. */
export const LOCALES = ['en-GB', 'en-US'] as const;
export type Locale = (typeof LOCALES)[number];

/** What a school calls those it teaches. */
export const PUPIL_WORDS = ['pupil', 'student'] as const;
export type PupilWord = (typeof PUPIL_WORDS)[number];

/** How a school speaks. */
export interface English {
  readonly locale: Locale;
  readonly pupils: PupilWord;
}

export const USUAL_ENGLISH: English = { locale: 'en-GB', pupils: 'pupil' };

const state = { english: USUAL_ENGLISH };

export const english = (): English => state.english;
export const locale = (): Locale => state.english.locale;

/** Sets the English of all that is said from now on; tables made before keep theirs. */
export function setEnglish(chosen: English): void {
  state.english = chosen;
}

/** Gives what `words` says in another English. */
export function inEnglish<T>(chosen: English, words: () => T): T {
  const before = state.english;
  state.english = chosen;
  try {
    return words();
  } finally {
    state.english = before;
  }
}
