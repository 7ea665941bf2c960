import { english, LOCALES, PUPIL_WORDS, setEnglish, USUAL_ENGLISH, type English } from '@escalier/messages';

/** The school's English as this device last heard it: read before anything is said. */
const KEPT = 'escalier-english';

function read(text: string | null): English {
  const [locale, pupils] = (text ?? '').split(' ');
  return {
    locale: LOCALES.find((each) => each === locale) ?? USUAL_ENGLISH.locale,
    pupils: PUPIL_WORDS.find((each) => each === pupils) ?? USUAL_ENGLISH.pupils,
  };
}

const written = ({ locale, pupils }: English): string => `${locale} ${pupils}`;

// A worker has no storage: it is told in its address.
setEnglish(
  read(
    'localStorage' in globalThis
      ? localStorage.getItem(KEPT)
      : decodeURIComponent(globalThis.location?.hash.slice(1) ?? ''),
  ),
);

/** Keeps how the school speaks. @returns whether this page speaks otherwise, and has to be loaded again. */
export function keepEnglish(chosen: English): boolean {
  localStorage.setItem(KEPT, written(chosen));
  return written(chosen) !== written(english());
}

/** The address of a worker that is to speak as this page does. */
export const inEnglishOfPage = (url: string): string => `${url}#${encodeURIComponent(written(english()))}`;
