import { readAbc } from '@escalier/core/formats';
import type { Instrument } from '@escalier/core/instruments';
import { hasWords, metreText, pitch, staffStep, type Tune } from '@escalier/core/music';
import { chooseNotes, readTune, type Knowledge, type Reading } from '@escalier/core/reading';

export interface StoredTune {
  readonly id: string;
  readonly title: string;
  readonly abc: string;
  readonly onStaircase: boolean;
  /** Hidden from the library, kept for the results that name it. */
  readonly archived: boolean;
}

/** A tune of the library as one class would meet it. */
export interface LibraryRow extends Pick<Tune, 'otherTitles' | 'composer' | 'tags'> {
  readonly id: string;
  readonly title: string;
  readonly metre: string;
  readonly key: string;
  readonly bars: number;
  readonly learnBars: number;
  readonly notes: readonly string[];
  readonly newNotes: readonly string[];
  readonly newElements: readonly string[];
  readonly unplayable: readonly string[];
  readonly difficulty: number;
  /** What there is to drill in it: `note F#4`, `rhythm note dotted-quarter`, `sign slur`, `leap 4` in staff steps. */
  readonly has: readonly string[];
  /** The key in which it has the fewest new notes, when that is fewer than as it stands. */
  readonly better: { readonly shift: number; readonly key: string; readonly newNotes: readonly string[] } | null;
  readonly hasWords: boolean;
  readonly isDuet: boolean;
  readonly onStaircase: boolean;
  readonly archived: boolean;
}

const SMALLEST_LEAP = 3;

/** From a fourth on, in staff steps, each size once. */
function leapsOf({ moves }: Reading): readonly number[] {
  const sizes = moves.all.map(({ from, to }) => Math.abs(staffStep(pitch(to)) - staffStep(pitch(from))));
  return [...new Set(sizes)].filter((steps) => steps >= SMALLEST_LEAP).toSorted((a, b) => a - b);
}

export function libraryRow(stored: StoredTune, instrument: Instrument, known: Knowledge): LibraryRow {
  const read = readAbc(stored.abc);
  if (!read.ok) throw new Error(`A stored tune does not read: ${stored.title}`);
  const tune = chooseNotes(read.value.tune, known);
  const reading = readTune(tune, instrument, known);
  const [best] = reading.keys;
  const isBetter =
    best !== undefined &&
    best.shift !== 0 &&
    (best.newNotes.length < reading.notes.new.length || reading.unplayable.length > 0);
  return {
    id: stored.id,
    title: stored.title,
    otherTitles: tune.otherTitles,
    composer: tune.composer,
    tags: tune.tags,
    metre: metreText(tune.bars[0]!.metre),
    key: reading.keySignature.name,
    bars: reading.form.allBars,
    learnBars: reading.form.distinctBars,
    notes: reading.notes.all.map((use) => use.name),
    newNotes: reading.notes.new.map((use) => use.name),
    newElements: reading.elements.new.map((element) => element.id),
    unplayable: reading.unplayable.map((use) => use.name),
    difficulty: reading.difficulty.total,
    has: [
      ...reading.notes.all.map(({ name }) => `note ${name}`),
      ...reading.elements.all.map(({ id }) => `rhythm ${id}`),
      ...reading.signs.all.map(({ id }) => `sign ${id}`),
      ...leapsOf(reading).map((steps) => `leap ${steps}`),
    ],
    better: isBetter ? { shift: best.shift, key: best.key, newNotes: best.newNotes } : null,
    hasWords: hasWords(tune),
    isDuet: tune.parts.length > 1,
    onStaircase: stored.onStaircase,
    archived: stored.archived,
  };
}
