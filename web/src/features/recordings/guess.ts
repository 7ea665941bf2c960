/** Who plays what in a file, as far as its name tells. */
export interface Guess {
  /** Null where no pupil fits, or several do. */
  readonly pupilId: string | null;
  /** Names that fit equally well. */
  readonly either: readonly string[];
  /** From 1; null where the name says nothing. */
  readonly step: number | null;
}

interface Named {
  readonly id: string;
  readonly name: string;
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const wordsOf = (text: string): readonly string[] =>
  plain(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');

/**
 * Reads "Malia R step 4.wav", "malia_4.m4a" or "step-4/Malia.ogg": the pupil of whose name most words stand in it, and a
 * number that is a step, or the title of one.
 * @param path the name, with its folder where it has one. @param titles of the steps, the first one first.
 */
export function guess(path: string, pupils: readonly Named[], titles: readonly string[]): Guess {
  const words = new Set(wordsOf(path.replace(/\.[^./]+$/, '')));
  const fits = pupils.map(({ id, name }) => ({
    id,
    name,
    found: wordsOf(name).filter((word) => words.has(word)).length,
  }));
  const most = Math.max(0, ...fits.map(({ found }) => found));
  const best = most === 0 ? [] : fits.filter(({ found }) => found === most);
  return {
    pupilId: best.length === 1 ? best[0]!.id : null,
    either: best.length > 1 ? best.map(({ name }) => name) : [],
    step: stepIn(plain(path), words, titles),
  };
}

function stepIn(path: string, words: ReadonlySet<string>, titles: readonly string[]): number | null {
  const said = /step[\s_-]*(\d{1,2})/.exec(path);
  const number = Number(said?.[1] ?? [...words].find((word) => /^\d{1,2}$/.test(word)));
  if (number >= 1 && number <= titles.length) return number;
  const title = titles.findIndex((title) => {
    const all = wordsOf(title);
    return all.length > 0 && all.every((word) => words.has(word));
  });
  return title < 0 ? null : title + 1;
}
