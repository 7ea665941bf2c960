import type { Syllable } from '../../music/index.ts';
import type { SourceText } from './source-text.ts';

/** What a w: line says for the next note: a syllable, nothing, or that the next bar has to come first. */
type Token = Syllable | 'none' | 'bar';

interface Verse {
  readonly tokens: readonly Token[];
  next: number;
}

interface MusicLine {
  readonly verses: readonly Verse[];
  bar: number;
}

/**
 * The words of a tune, given out note by note. Read here and not by abcjs, which gives "*" to rests, too.
 * @param text the ABC text whose indices the notes carry.
 */
export class Words {
  readonly #text: SourceText;
  readonly #lines: ReadonlyMap<number, MusicLine>;

  constructor(text: SourceText) {
    this.#text = text;
    this.#lines = musicLines(text.source.split('\n'));
  }

  /** The syllables that found no note, by the line of the text that they stand under, counted from 0. */
  leftOver(): readonly { readonly line: number; readonly syllables: readonly string[] }[] {
    return [...this.#lines].flatMap(([line, { verses }]) =>
      verses.flatMap(({ tokens, next }) => {
        const syllables = tokens.slice(next).flatMap((token) => (typeof token === 'object' ? [token.text] : []));
        return syllables.length === 0 ? [] : [{ line, syllables }];
      }),
    );
  }

  /** One entry a verse for the note at an index of the text; `bar` counts up at every bar line. */
  syllablesAt(index: number, bar: number): readonly (Syllable | null)[] {
    const line = this.#lines.get(this.#text.lineIndex(index));
    if (line === undefined) return [];
    const newBar = bar !== line.bar;
    line.bar = bar;
    return withoutTrailingGaps(line.verses.map((verse) => nextSyllable(verse, newBar)));
  }
}

function withoutTrailingGaps(syllables: readonly (Syllable | null)[]): readonly (Syllable | null)[] {
  const last = syllables.findLastIndex((syllable) => syllable !== null);
  return syllables.slice(0, last + 1);
}

function nextSyllable(verse: Verse, newBar: boolean): Syllable | null {
  const token = verse.tokens[verse.next];
  if (token === 'bar' && !newBar) return null;
  if (token === 'bar') verse.next += 1;
  const syllable = verse.tokens[verse.next];
  if (syllable === undefined || syllable === 'bar') return null;
  verse.next += 1;
  return syllable === 'none' ? null : syllable;
}

function musicLines(lines: readonly string[]): ReadonlyMap<number, MusicLine> {
  const found = new Map<number, MusicLine>();
  let music = -1;
  for (const [index, line] of lines.entries()) {
    if (/^w:/.test(line)) {
      const before = found.get(music)?.verses ?? [];
      found.set(music, { verses: [...before, { tokens: tokensOf(line.slice(2)), next: 0 }], bar: -1 });
    } else if (line.trim() !== '' && !/^([A-Za-z+]:|%)/.test(line)) music = index;
  }
  return found;
}

const WORD = /((?:\\.|[^\s\-_*|\\])+)|([-_*|])/g;

/** "Goo-se walk_ * |": a hyphen joins, each underscore holds over one more note, a star skips one. */
export function tokensOf(words: string): readonly Token[] {
  const tokens: Token[] = [];
  let afterWord = false;
  let end = 0;
  for (const match of words.matchAll(WORD)) {
    const [, word, sign] = match;
    const touches = match.index === end;
    end = match.index + match[0].length;
    if (word !== undefined) {
      tokens.push({ text: word.replace(/\\(.)/g, '$1').replaceAll('~', ' '), end: 'word' });
      afterWord = true;
      continue;
    }
    const last = tokens.findLastIndex((token) => typeof token === 'object');
    if (sign === '*') tokens.push('none');
    else if (sign === '|') tokens.push('bar');
    else if (sign === '-' && afterWord && touches) tokens[last] = { ...(tokens[last] as Syllable), end: 'join' };
    else if (sign === '-') tokens.push('none');
    else {
      if (last >= 0 && afterWord) tokens[last] = { ...(tokens[last] as Syllable), end: 'hold' };
      tokens.push('none');
    }
    afterWord = sign === '_' && afterWord;
  }
  return tokens;
}
