import { add, barStarts, beatLength, divide, valueLength, type Note, type Tune } from '../music/index.ts';
import { comparePlaces, type Place } from './phrases.ts';

/** A syllable of the first verse with its word. */
export interface SungSyllable {
  readonly word: string;
  readonly syllable: string;
  /** As printed. */
  readonly bar: number;
  readonly place: Place;
}

/** A word whose stressed syllable is sung off the beat: it drags the class with it. */
export interface Sung {
  readonly syllables: readonly SungSyllable[];
  readonly offBeat: readonly SungSyllable[];
}

/**
 * First syllables that are not stressed in English words of two syllables and more: away, begin, return, today, until.
 * Words that begin otherwise are taken to be stressed at their start, as most nouns and all endings in -er, -y, -ing are.
 */
const UNSTRESSED = new Set(['a', 'ap', 'ar', 'be', 'com', 'con', 'de', 'ex', 'for', 'good', 're', 'sur', 'to', 'un']);

/** The first verse of the first part; null when nothing is sung. */
export function sungIn(tune: Tune): Sung | null {
  const words = wordsOf(tune);
  if (words.length === 0) return null;
  return {
    syllables: words.flat(),
    offBeat: words.flatMap((word) => {
      const stressed = word[stressOf(word)]!;
      return word.length > 1 && !stressed.onBeat && word.some((other) => other.onBeat) ? [stressed] : [];
    }),
  };
}

/** The syllable that is sung on a note: its own, or the one before it that is held over it. */
export function syllableAt(sung: Sung, place: Place): SungSyllable | null {
  return sung.syllables.findLast((syllable) => comparePlaces(syllable.place, place) <= 0) ?? null;
}

interface Placed extends SungSyllable {
  readonly onBeat: boolean;
}

function wordsOf(tune: Tune): readonly (readonly Placed[])[] {
  const words: { readonly parts: { readonly note: Note; readonly place: Place; readonly onBeat: boolean }[] }[] = [];
  let isOpen = false;
  for (const [barIndex, events] of tune.parts[0].bars.entries()) {
    const beat = beatLength(tune.bars[barIndex]!.metre);
    let now = barStarts(tune)[barIndex]!;
    for (const [eventIndex, event] of events.entries()) {
      const syllable = event.kind === 'note' ? event.syllables[0] : undefined;
      if (event.kind === 'note' && syllable !== undefined && syllable !== null) {
        if (!isOpen) words.push({ parts: [] });
        words.at(-1)!.parts.push({
          note: event,
          place: { barIndex, eventIndex },
          onBeat: divide(now, beat).den === 1,
        });
        isOpen = syllable.end === 'join';
      }
      now = add(now, valueLength(event.value));
    }
  }
  return words.map(({ parts }) => {
    const texts = parts.map(({ note }) => bare(note.syllables[0]!.text));
    return parts.map(({ place, onBeat }, index) => ({
      word: texts.join(''),
      syllable: texts[index]!,
      bar: tune.bars[place.barIndex]!.number,
      place,
      onBeat,
    }));
  });
}

function stressOf(word: readonly SungSyllable[]): number {
  return word.length > 1 && UNSTRESSED.has(word[0]!.syllable.toLowerCase()) ? 1 : 0;
}

/** Without the signs around it: "moon," is moon. */
function bare(text: string): string {
  return text.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
}
