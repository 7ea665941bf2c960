import { readdir, readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { readAbc } from '@escalier/core/formats';
import { chordOf, harmonyOf } from '@escalier/core/lesson';
import { barStarts, midiNumber, valueLength, toNumber, type Note, type Tune } from '@escalier/core/music';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { findingsOf, NOTE_ORDERS, noteOrder, profileOf, type NoteOrderId } from '@escalier/core/staircase';
import { describe, expect, it } from 'vitest';
import { escalier } from './escalier.ts';
import type { LibraryEntry } from './library.ts';

const FOLDER = fileURLToPath(new URL('../../demo/tunes', import.meta.url));
const entries = JSON.parse((await escalier(['library', '--json'])).out) as readonly LibraryEntry[];
const count = (is: (entry: LibraryEntry) => boolean): number => entries.filter(is).length;
const has =
  (...names: string[]) =>
  (entry: LibraryEntry) =>
    entry.notes.some((name) => names.includes(name));
const needsOnly =
  (...names: string[]) =>
  (entry: LibraryEntry) =>
    entry.notes.every((name) => names.includes(name));

describe('the library', () => {
  it('is enough for a year', () => {
    expect(entries.length).toBeGreaterThanOrEqual(130);
    expect(count((entry) => entry.licence === 'public domain')).toBeGreaterThanOrEqual(60);
    expect(entries.every((entry) => entry.licence !== '' && entry.source !== '' && entry.composer !== '')).toBe(true);
  });

  /** Notes in the order in which they are taught; the first of them stands alone. */
  const orders = {
    'down from B': 'B4 A4 G4 E4 D4 F#4 C4',
    'B A G, then up': 'B4 A4 G4 C5 D5 E5',
    'up from low C': 'C4 D4 E4 F4 G4 A4 B4 C5',
    'whistle, from six fingers': 'D4 E4 F#4 G4 A4 B4 C#5 D5',
    'whistle, from the top': 'B4 A4 G4 F#4 E4 D4',
  };
  for (const [name, order] of Object.entries(orders)) {
    const notes = order.split(' ');
    it.each(notes)(`${name}: four tunes at least at %s that need nothing later`, (note) => {
      const taught = notes.slice(0, notes.indexOf(note) + 1);
      expect(count((entry) => has(note)(entry) && needsOnly(...taught)(entry))).toBeGreaterThanOrEqual(4);
    });
  }

  it.each([
    ['B, A and G alone', 8, (entry: LibraryEntry) => has('G4')(entry) && needsOnly('B4', 'A4', 'G4')(entry)],
    ['low C', 6, has('C4')],
    ['B flat', 5, has('Bb4')],
    ['high D', 5, has('D5')],
    ['high E', 5, has('E5')],
    ['high C sharp', 5, has('C#5')],
    [
      'the second octave of the whistle',
      8,
      (entry: LibraryEntry) => entry.difficulty.whistle !== null && has('E5', 'F#5', 'G5', 'A5', 'B5')(entry),
    ],
    ['a pickup', 20, (entry: LibraryEntry) => entry.pickup],
    ['a tie', 10, (entry: LibraryEntry) => entry.elements.includes('tie')],
    ['a slur', 3, (entry: LibraryEntry) => entry.signs.includes('slur')],
    ['dotted notes', 20, (entry: LibraryEntry) => entry.elements.includes('note dotted-quarter')],
    ['syncopation', 3, (entry: LibraryEntry) => entry.elements.includes('syncopation')],
    ['first and second endings', 3, (entry: LibraryEntry) => entry.signs.includes('endings')],
    ['D.C. al fine', 2, (entry: LibraryEntry) => entry.signs.includes('fine')],
    ['a round, with its entries', 8, (entry: LibraryEntry) => entry.tags.includes('round') && entry.entries.length > 1],
    ['two parts', 15, (entry: LibraryEntry) => entry.parts === 2],
    ['two parts on B A G', 3, (entry: LibraryEntry) => entry.parts === 2 && needsOnly('B4', 'A4', 'G4')(entry)],
    ['question and answer', 4, (entry: LibraryEntry) => entry.tags.includes('question and answer')],
    ['another title', 15, (entry: LibraryEntry) => entry.otherTitles.length > 0],
  ] as const)('has tunes with %s', (_, least, is) => {
    expect(count(is)).toBeGreaterThanOrEqual(least);
  });

  it('has words under a third of the tunes, and chords on all', () => {
    expect(count((entry) => entry.words)).toBeGreaterThanOrEqual(entries.length / 3);
    expect(count((entry) => entry.chords)).toBe(entries.length);
  });

  it('has many metres and modes', () => {
    const metres = new Set(entries.map((entry) => entry.metre));
    for (const metre of ['2/4', '3/4', '4/4', '6/8', '9/8', '2/2', '5/4']) expect(metres).toContain(metre);
    const modes = new Set(entries.map((entry) => entry.mode));
    for (const mode of ['major', 'minor', 'dorian', 'mixolydian', 'phrygian']) expect(modes).toContain(mode);
    const pentatonic = needsOnly('D4', 'E4', 'G4', 'A4', 'B4', 'D5', 'E5', 'G5');
    expect(count((entry) => pentatonic(entry) && entry.notes.length >= 5)).toBeGreaterThanOrEqual(5);
  });
});

describe('the words of the library', async () => {
  const names = (await readdir(FOLDER)).filter((name) => name.endsWith('.abc'));
  const sung = await Promise.all(
    names.map(async (name) => {
      const read = readAbc(await readFile(`${FOLDER}/${name}`, 'utf8'));
      if (!read.ok) throw new Error(name);
      const notes = read.value.tune.parts[0].bars.flat().flatMap((event) => (event.kind === 'note' ? [event] : []));
      return { name, notes, lost: read.value.leftOut };
    }),
  );

  it('are a whole verse each: from the first note to the last, to the end of a sentence, no syllable lost', () => {
    const wrong = sung.flatMap(({ name, notes, lost }) => {
      if (notes.every((note) => note.syllables.length === 0)) return [];
      const last = notes.findLastIndex((note) => note.syllables.length > 0);
      // What a tied note sounds on in has no syllable of its own.
      const isHeld = notes.slice(last, -1).every((note) => note.tied);
      const isWhole = notes[0]!.syllables.length > 0 && isHeld;
      const text = notes[last]!.syllables[0]?.text ?? '';
      return isWhole && /[.!?]["”’]?$/.test(text) && lost.length === 0 ? [] : [name];
    });
    expect(wrong).toEqual([]);
  });
});

describe('chords by rule', async () => {
  const names = (await readdir(FOLDER)).filter((name) => name.endsWith('.abc'));
  /** The share of strong beats that a tune's chords explain. */
  async function shares(without: RegExp): Promise<readonly number[]> {
    return Promise.all(
      names.map(async (name) => {
        const read = readAbc((await readFile(`${FOLDER}/${name}`, 'utf8')).replace(without, ''));
        if (!read.ok) throw new Error(name);
        const { all, explained } = harmonyOf(read.value.tune).strong;
        return all === 0 ? 1 : explained / all;
      }),
    );
  }
  const mostly = (found: readonly number[]): number => found.filter((share) => share >= 0.95).length / found.length;

  it('explain at least 95 % of the strong beats in at least 95 % of the tunes, as their own symbols do', async () => {
    expect(mostly(await shares(/"[A-G][^"]*"/g))).toBeGreaterThanOrEqual(0.95);
    expect(mostly(await shares(/$^/))).toBeGreaterThanOrEqual(0.95);
  });
});

const files = (await readdir(FOLDER)).filter((name) => name.endsWith('.abc'));
const tunes = await Promise.all(
  files.map(async (name) => [name, await readFile(`${FOLDER}/${name}`, 'utf8')] as const),
);

describe.each(tunes)('%s', (_, abc) => {
  const read = readAbc(abc);

  it('loses nothing when it is read, and rests on its beats', () => {
    if (!read.ok) throw new Error(read.error[0]?.message);
    expect(read.value.leftOut).toEqual([]);
    const rests = read.value.tune.parts.flatMap((part) => part.bars.flat().filter((event) => event.kind === 'rest'));
    expect(rests.every((rest) => toNumber(valueLength(rest.value)) >= 1 / 8)).toBe(true);
  });

  it('has each strong beat in its chord, or a note that moves on by step', () => {
    if (!read.ok) throw new Error(read.error[0]?.message);
    expect(outsideTheirChords(read.value.tune)).toEqual([]);
  });
});

/** The strong beats whose note is neither in the chord nor on its way to a neighbour. */
function outsideTheirChords(tune: Tune): readonly string[] {
  const starts = barStarts(tune);
  const melody = tune.parts[0].bars.flatMap((events, index) => {
    let at = toNumber(starts[index]!);
    return events.map((event) => {
      const here = { event, bar: tune.bars[index]!, at };
      at += toNumber(valueLength(event.value));
      return here;
    });
  });
  let chord: readonly number[] = [];
  return melody.flatMap(({ event, bar, at }, index) => {
    if (event.chordSymbol !== null) chord = chordOf(event.chordSymbol)!.classes;
    const { count: beats, unit } = bar.metre;
    const half = beats === 4 || (unit === 8 && beats === 6) ? beats / unit / 2 : beats / unit;
    if (event.kind === 'rest' || chord.length === 0 || at % half !== 0) return [];
    const isInside = chord.includes(midiNumber(event.pitch) % 12);
    return isInside || movesByStep(event, [melody[index - 1]?.event, melody[index + 1]?.event])
      ? []
      : [`bar ${bar.number}`];
  });
}

function movesByStep(note: Note, neighbours: readonly (Tune['parts'][0]['bars'][0][0] | undefined)[]): boolean {
  return neighbours.some((other) => {
    if (other?.kind !== 'note') return false;
    const distance = Math.abs(midiNumber(other.pitch) - midiNumber(note.pitch));
    return distance === 1 || distance === 2;
  });
}

describe('the staircases that ship', async () => {
  const file = fileURLToPath(new URL('../../demo/staircases.json', import.meta.url));
  const shipped = JSON.parse(await readFile(file, 'utf8')) as readonly {
    name: string;
    instrument: InstrumentId;
    order: NoteOrderId;
    steps: readonly { tune: string; lessons: number }[];
  }[];

  it('are one for each order of notes', () => {
    expect(shipped.map((each) => each.order)).toEqual(NOTE_ORDERS.map((order) => order.id));
  });

  it.each(shipped.map((each) => [each.name, each] as const))(
    '%s: nine belts, nothing worse than a hint',
    async (_, each) => {
      const on = instrument(each.instrument);
      const steps = await Promise.all(
        each.steps.map(async ({ tune }) => {
          const read = readAbc(await readFile(`${FOLDER}/${tune}.abc`, 'utf8'));
          if (!read.ok) throw new Error(tune);
          return profileOf(tune, read.value.tune, on);
        }),
      );
      expect(steps).toHaveLength(9);
      const lessons = each.steps.map((step) => step.lessons);
      const found = findingsOf({ steps, lessons, order: noteOrder(each.order).notes, knows: NOTHING_KNOWN });
      expect(found.filter((finding) => finding.weight === 'problem')).toEqual([]);
    },
  );
});
