import { primaryFingering, type Instrument } from '../instruments/index.ts';
import { byHeight, midiNumber, parsePitch, pitchName, sameSound, type Pitch } from '../music/index.ts';
import type { Knowledge } from './knowledge.ts';
import type { NoteUse } from './notes.ts';

/**
 * Why children take one note for another: one letter with and without a sign, one letter in two octaves, two names of
 * one fingering, or fingers that differ by one alone.
 */
export type MixUpKind = 'letter' | 'octave' | 'fingering' | 'finger';

/** Two notes that a class mixes up. */
export interface MixUp {
  readonly kind: MixUpKind;
  /** The lower first. */
  readonly pair: readonly [string, string];
  /** Where either stands in the tune, as printed. */
  readonly bars: readonly number[];
  /** Both stand in the tune; otherwise the class knows the other from before. */
  readonly bothHere: boolean;
}

const ORDER: readonly MixUpKind[] = ['letter', 'fingering', 'octave', 'finger'];

/**
 * The pairs to watch: a note of the tune with another of the tune or with one that the class knows. Neighbours by finger
 * are named only for a note that is new: of those that are known every other pair would be one.
 */
export function mixUpsOf(notes: readonly NoteUse[], known: Knowledge, instrument: Instrument): readonly MixUp[] {
  const here = new Map(notes.map((use) => [use.name, use]));
  const others = [...known.notes].filter((name) => !here.has(name)).flatMap((name) => parsePitch(name) ?? []);
  const found: MixUp[] = [];
  for (const [index, use] of notes.entries()) {
    const later = notes.slice(index + 1);
    for (const other of later) {
      const kind = kindOf(
        use.pitch,
        other.pitch,
        instrument,
        !known.notes.has(use.name) || !known.notes.has(other.name),
      );
      if (kind !== null) found.push(mixUp(kind, use.pitch, other.pitch, [...use.bars, ...other.bars], true));
    }
    for (const other of others) {
      const kind = kindOf(use.pitch, other, instrument, !known.notes.has(use.name));
      if (kind !== null) found.push(mixUp(kind, use.pitch, other, use.bars, false));
    }
  }
  return found.toSorted(
    (a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || Number(b.bothHere) - Number(a.bothHere),
  );
}

function mixUp(kind: MixUpKind, a: Pitch, b: Pitch, bars: readonly number[], bothHere: boolean): MixUp {
  const [low, high] = [a, b].toSorted(byHeight);
  return {
    kind,
    pair: [pitchName(low!), pitchName(high!)],
    bars: [...new Set(bars)].toSorted((x, y) => x - y),
    bothHere,
  };
}

function kindOf(a: Pitch, b: Pitch, instrument: Instrument, hasNew: boolean): MixUpKind | null {
  if (sameSound(a, b)) return 'fingering';
  const isOneLetter = a.letter === b.letter;
  if (isOneLetter) return a.alter === b.alter ? 'octave' : 'letter';
  const isNear = Math.abs(midiNumber(a) - midiNumber(b)) <= 4;
  return hasNew && isNear && fingersApart(a, b, instrument) === 1 ? 'finger' : null;
}

/** How many holes are covered otherwise; null when the instrument lacks one of them. */
function fingersApart(a: Pitch, b: Pitch, instrument: Instrument): number | null {
  const [first, second] = [primaryFingering(instrument, a), primaryFingering(instrument, b)];
  if (first === null || second === null) return null;
  return first.holes.filter((state, hole) => state !== second.holes[hole]).length;
}
