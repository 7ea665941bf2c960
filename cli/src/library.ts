import { readdir, readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { hasWords, metreText, type Tune } from '@escalier/core/music';
import { NOTHING_KNOWN, readTune, type Reading } from '@escalier/core/reading';
import { BadInput, type Command } from './command.ts';
import { t } from './messages.ts';

const FOLDER = fileURLToPath(new URL('../../demo/tunes', import.meta.url));
const RECORDER = instrument('soprano-recorder-baroque');
const WHISTLE = instrument('tin-whistle-d');

/** What a teacher chooses a tune by. */
export interface LibraryEntry extends Pick<Tune, 'title' | 'otherTitles' | 'composer' | 'source' | 'licence' | 'tags'> {
  readonly slug: string;
  readonly notes: readonly string[];
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  readonly metre: string;
  readonly key: string;
  readonly mode: string;
  readonly bars: number;
  readonly form: { readonly lines: string; readonly learn: number; readonly of: number };
  readonly pickup: boolean;
  readonly parts: number;
  /** For a round: the bars at which the voices begin. */
  readonly entries: readonly number[];
  readonly words: boolean;
  readonly chords: boolean;
  /** Null where a note is not on the instrument. */
  readonly difficulty: { readonly recorder: number | null; readonly whistle: number | null };
}

export const library: Command = {
  usage: 'library',
  about: t('library.the-tunes-that-ship-with-escalier'),
  example: t('library.library-json'),
  options: [],
  async run(words) {
    if (words.length > 0) throw new BadInput(t('library.the-library-takes-no-further-words'));
    const entries = (await shippedFiles()).map(({ slug, tune }) => entryOf(slug, tune));
    return { text: entries.map(inWords).join('\n'), json: entries };
  },
};

/** The tunes of the folder, by title. @throws Error naming the file when one of them is no tune. */
export async function shippedFiles(): Promise<readonly { readonly slug: string; readonly tune: Tune }[]> {
  const files = (await readdir(FOLDER)).filter((name) => name.endsWith('.abc'));
  const found = await Promise.all(
    files.map(async (name) => {
      const read = readAbc(await readFile(`${FOLDER}/${name}`, 'utf8'));
      if (!read.ok) throw new Error(`${name}: ${read.error.map((error) => error.message).join(' ')}`);
      return { slug: name.replace(/\.abc$/, ''), tune: read.value.tune };
    }),
  );
  return found.toSorted((a, b) => a.tune.title.localeCompare(b.tune.title, 'en'));
}

function entryOf(slug: string, tune: Tune): LibraryEntry {
  const reading = readTune(tune, RECORDER, NOTHING_KNOWN);
  const [first] = tune.bars;
  const { title, otherTitles, composer, source, licence, tags } = tune;
  return {
    slug,
    title,
    otherTitles,
    composer,
    source,
    licence,
    tags,
    notes: reading.notes.all.map((use) => use.name),
    elements: reading.elements.all.map((element) => element.id),
    signs: reading.signs.all.map((sign) => sign.id),
    metre: metreText(first!.metre),
    key: reading.keySignature.name,
    mode: first!.key.mode,
    bars: reading.form.allBars,
    form: {
      lines: reading.form.lines.map((line) => line.letter).join(''),
      learn: reading.form.distinctBars,
      of: reading.form.allBars,
    },
    pickup: first!.number === 0,
    parts: tune.parts.length,
    entries: tune.bars.flatMap((bar) => (bar.entry === null ? [] : [bar.number])),
    words: hasWords(tune),
    chords: tune.parts[0].bars.some((bar) => bar.some((event) => event.chordSymbol !== null)),
    difficulty: { recorder: difficultyIn(reading), whistle: difficultyIn(readTune(tune, WHISTLE, NOTHING_KNOWN)) },
  };
}

function difficultyIn({ unplayable, difficulty }: Reading): number | null {
  return unplayable.length > 0 ? null : difficulty.total;
}

function inWords(entry: LibraryEntry): string {
  const { title, key, metre, notes, difficulty } = entry;
  const hard = [
    difficulty.recorder === null ? '' : `recorder ${difficulty.recorder}`,
    difficulty.whistle === null ? '' : `whistle ${difficulty.whistle}`,
  ].filter((part) => part !== '');
  return t('library.title-key-metre-list-difficulty-list2', {
    title,
    key,
    metre,
    list: notes.join(' '),
    list2: hard.join(', '),
  });
}
