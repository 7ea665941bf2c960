import { midiNumber, namePitch, PITCH_NAMINGS, pitchName, sameSound, type Key, type Pitch } from '../music/index.ts';
import { chooseFingerings, chosenIn, kindOfInstrument } from './chosen.ts';
import type { Fingering, HoleState, Instrument } from './fingering.ts';
import { INSTRUMENTS } from './tables.ts';

export const INSTRUMENT_IDS = INSTRUMENTS.map((instrument) => instrument.id);
export type InstrumentId = (typeof INSTRUMENTS)[number]['id'];

const MOST_KEPT = 200;
const keptChosen = new Map<string, Instrument>();

/** By its id, also one that carries chosen fingerings (`withChosen`). */
export function findInstrument(id: string): Instrument | null {
  const known = INSTRUMENTS.find((instrument) => instrument.id === id) ?? keptChosen.get(id);
  if (known !== undefined) return known;
  const base = INSTRUMENTS.find((instrument) => instrument.id === kindOfInstrument(id));
  if (base === undefined) return null;
  const chosen = chooseFingerings(base, id, chosenIn(id));
  if (keptChosen.size >= MOST_KEPT) keptChosen.clear();
  keptChosen.set(id, chosen);
  return chosen;
}

export function instrument(id: InstrumentId): Instrument {
  return INSTRUMENTS.find((candidate) => candidate.id === id)!;
}

/** The primary fingering first, then alternates; empty when the note is not on the instrument. */
export function fingeringsOf(instrument: Instrument, p: Pitch): readonly Fingering[] {
  const spelled = byName(instrument).get(pitchName(p));
  if (spelled !== undefined) return spelled;
  const sound = instrument.fingerings.find((fingering) => sameSound(fingering.pitch, p));
  return sound === undefined ? [] : (byName(instrument).get(pitchName(sound.pitch)) ?? []);
}

const indexes = new WeakMap<Instrument, ReadonlyMap<string, readonly Fingering[]>>();

function byName(instrument: Instrument): ReadonlyMap<string, readonly Fingering[]> {
  const known = indexes.get(instrument);
  if (known !== undefined) return known;
  const index = new Map<string, Fingering[]>();
  for (const fingering of instrument.fingerings) {
    const name = pitchName(fingering.pitch);
    const list = index.get(name);
    if (list === undefined) index.set(name, [fingering]);
    else list.push(fingering);
  }
  indexes.set(instrument, index);
  return index;
}

export function primaryFingering(instrument: Instrument, p: Pitch): Fingering | null {
  return fingeringsOf(instrument, p)[0] ?? null;
}

/** The lowest and the highest written note. */
export function rangeOf(instrument: Instrument): readonly [Pitch, Pitch] {
  const chart = chartOf(instrument);
  return [chart[0]!.spellings[0]!, chart.at(-1)!.spellings[0]!];
}

/** One sound of an instrument: its names, the usual one first, and its fingerings, the primary first. */
export interface ChartRow {
  readonly spellings: readonly Pitch[];
  readonly fingerings: readonly Fingering[];
}

/** The whole chart from low to high, a row for each sound. */
export function chartOf(instrument: Instrument): readonly ChartRow[] {
  const names = new Map<number, readonly Pitch[]>();
  for (const { pitch, primary } of instrument.fingerings) {
    if (primary) names.set(midiNumber(pitch), [...(names.get(midiNumber(pitch)) ?? []), pitch]);
  }
  return [...names.values()].map((spellings) => ({
    spellings: spellings.toSorted((a, b) => unusual(a) - unusual(b)),
    fingerings: fingeringsOf(instrument, spellings[0]!),
  }));
}

/** Beginners meet B flat and E flat, and the other black keys as sharps. */
function unusual({ letter, alter }: Pitch): number {
  const isUsual = alter === 0 || (alter < 0 ? 'BE'.includes(letter) : 'FCG'.includes(letter));
  return isUsual ? 0 : 1;
}

/** Whether makers give different fingerings for the note, so that its own chart has to be asked. */
export function makersDiffer(instrument: Instrument, p: Pitch): boolean {
  return instrument.makersDiffer.some((pitch) => sameSound(pitch, p));
}

/** The schools of naming a note; finger counts depend on the instrument. */
export const NAMINGS = [...PITCH_NAMINGS, 'finger-count'] as const;
export type Naming = (typeof NAMINGS)[number];

/** What stands under a note in the class's school of naming; finger counts depend on the instrument. */
export function nameNote(p: Pitch, naming: Naming, key: Key, instrument: Instrument): string {
  if (naming !== 'finger-count') return namePitch(p, naming, key);
  return fingerCount(instrument, p) ?? namePitch(p, 'letters', key);
}

/**
 * How many front holes are covered, where the count tells the note: the fingers from the top down without a gap, the
 * thumb closed; "+" is more breath. Other notes show the holes themselves, with the thumb before them where it would
 * be missed: `0 2` for C5, `–2` for D5 on the recorder; a hole that is half covered has a ½ behind it. It is the
 * fingering that the chart shows first. Null when the note is not on the instrument.
 */
export function fingerCount(instrument: Instrument, p: Pitch): string | null {
  const [primary] = fingeringsOf(instrument, p);
  return primary === undefined ? null : (plainCount(instrument, primary) ?? holeNumbers(instrument, primary));
}

function thumbState(instrument: Instrument, fingering: Fingering): HoleState | null {
  const thumb = instrument.holes.findIndex((hole) => hole.finger === 'thumb');
  return thumb < 0 ? null : fingering.holes[thumb]!;
}

function plainCount(instrument: Instrument, fingering: Fingering): string | null {
  const front = fingering.holes.filter((_, index) => instrument.holes[index]!.finger !== 'thumb');
  const firstOpen = front.findIndex((state) => state !== 'closed');
  const covered = firstOpen < 0 ? front.length : firstOpen;
  const thumb = thumbState(instrument, fingering);
  const plain = front.slice(covered).every((state) => state === 'open') && (thumb === null || thumb === 'closed');
  return plain ? `${covered}${fingering.register > 1 ? '+' : ''}` : null;
}

function holeNumbers(instrument: Instrument, fingering: Fingering): string {
  const numbers = instrument.holes
    .map((hole, index) => {
      const state = fingering.holes[index]!;
      return hole.finger === 'thumb' || state === 'open' ? '' : `${hole.name}${state === 'half' ? '½' : ''}`;
    })
    .join('');
  const thumb = thumbState(instrument, fingering);
  if (thumb === null) return `${numbers}${fingering.register > 1 ? '+' : ''}`;
  if (thumb !== 'closed') return `${thumb === 'half' ? 'ø' : '–'}${numbers}`;
  return numbers.length === 1 ? `0 ${numbers}` : numbers;
}
