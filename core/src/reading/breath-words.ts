import type { Syllable, Tune } from '../music/index.ts';

/** What the words say of a breath after a note of the sheet. */
export type WordGap =
  /** A full stop or the like: here a sentence ends. */
  | 'sentence-end'
  /** A comma. */
  | 'comma'
  /** Before a word that begins something new: "that", "and", "to". */
  | 'new-clause'
  /** Between two words of which the second does not belong to the first alone. */
  | 'between-words'
  /** After an article, a preposition or "oh": what follows belongs to it. */
  | 'little-word'
  /** In the middle of a word, or while a syllable is held. */
  | 'inside-word';

/** Words that lean on the next one, in the languages of the tunes that ship. */
const LITTLE_WORDS = new Set(
  (
    'a an the my your his her our their this that to of in on at by for from with into and or but as when if who ' +
    'der die das den dem ein eine im am zu zum zur von vom mit und auf ' +
    'le la les un une de du des au aux en et dans sur il lo gli di da e ' +
    'el los las una del al y con na do ve ke se od'
  ).split(' '),
);
/** Words that begin what belongs together, in the languages of the tunes that ship. */
const CLAUSE_WORDS = new Set(
  (
    'and but or nor for that which who when where while till until if as so than to with from in on at by upon over ' +
    'und oder aber dass wenn wo mit in im auf von et ou mais que qui quand pour dans sur avec ma che con y pero en'
  ).split(' '),
);
/** Sung before what they call. */
const CALLS = new Set(['o', 'oh', 'ah', 'hey']);

const gaps = new WeakMap<Tune, readonly (readonly (WordGap | null)[])[]>();

/**
 * What the first verse says after each note of the first part, by bar and event; null after rests, where the verse has
 * no words, and after its last syllable.
 */
export function wordGaps(tune: Tune): readonly (readonly (WordGap | null)[])[] {
  const known = gaps.get(tune);
  if (known !== undefined) return known;
  const found: (WordGap | null)[][] = tune.parts[0].bars.map((events) => events.map(() => null));
  let sung: Syllable | null = null;
  let before: { readonly barIndex: number; readonly eventIndex: number } | null = null;
  for (const [barIndex, events] of tune.parts[0].bars.entries()) {
    for (const [eventIndex, event] of events.entries()) {
      if (event.kind !== 'note') continue;
      const own: Syllable | null = event.syllables[0] ?? null;
      if (before !== null && sung !== null) found[before.barIndex]![before.eventIndex] = gapBetween(sung, own);
      sung = own ?? sung;
      before = { barIndex, eventIndex };
    }
  }
  gaps.set(tune, found);
  return found;
}

/** @param next null where the next note has no syllable of its own. */
function gapBetween(sung: Syllable, next: Syllable | null): WordGap | null {
  if (sung.end === 'join') return 'inside-word';
  if (next === null) return sung.end === 'hold' ? 'inside-word' : null;
  const word = plain(sung);
  if (/[.!?;:…—]["”’)]*$/.test(sung.text)) return 'sentence-end';
  if (/,["”’)]*$/.test(sung.text)) return 'comma';
  if (CALLS.has(word) || LITTLE_WORDS.has(word)) return 'little-word';
  return next.end !== 'join' && CLAUSE_WORDS.has(plain(next)) ? 'new-clause' : 'between-words';
}

function plain({ text }: Syllable): string {
  return text.replace(/[^\p{L}\p{N}’']/gu, '').toLowerCase();
}
