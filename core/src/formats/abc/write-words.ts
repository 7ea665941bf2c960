import type { Syllable, TuneEvent } from '../../music/index.ts';

/** The w: lines under one line of music, one for each verse that sings in it. */
export function wordLines(bars: readonly (readonly TuneEvent[])[]): string[] {
  const notes = bars.flat().flatMap((event) => (event.kind === 'note' ? [event] : []));
  const verses = Math.max(0, ...notes.map((note) => note.syllables.length));
  const lines = Array.from({ length: verses }, (_, verse) =>
    verseLine(notes.map((note) => note.syllables[verse] ?? null)),
  );
  while (lines.length > 0 && lines.at(-1) === '') lines.pop();
  return lines.map((line) => `w:${line === '' ? '*' : line}`);
}

/** "*" leaves a note without a syllable, "_" holds the one before, "-" goes on with the word. */
function verseLine(syllables: readonly (Syllable | null)[]): string {
  let holding = false;
  const tokens = syllables.map((syllable) => {
    if (syllable === null) return holding ? '_' : ' *';
    holding = syllable.end === 'hold';
    const text = escaped(syllable.text);
    return ` ${text}${syllable.end === 'join' ? '-' : ''}`;
  });
  return tokens
    .join('')
    .trim()
    .replace(/( \*)+$|^(\* ?)+$/, '');
}

function escaped(text: string): string {
  return text.replace(/[-_*|~\\]/g, (sign) => (sign === '-' ? '\\-' : '')).replace(/\s+/g, '~');
}
