import { fingeringsOf, moveBetween, rangeOf, type Instrument } from '../instruments/index.ts';
import { keyName, midiNumber, pitch, pitchName, transposePitch, type Tune } from '../music/index.ts';
import { hardToGet } from './hard-to-get.ts';
import type { Knowledge } from './knowledge.ts';
import type { MoveUse } from './moves.ts';
import type { NoteUse } from './notes.ts';
import { shiftFor } from './transpose.ts';

/** A key in which the tune is playable on the instrument. */
export interface KeyChoice {
  /** Semitones from the key of the sheet. */
  readonly shift: number;
  readonly key: string;
  /** Notes that the class does not know. */
  readonly newNotes: readonly string[];
  /** Sharps (positive) or flats in the signature. */
  readonly fifths: number;
  /** Mean cost of a move. */
  readonly cost: number;
}

const MOST_SEMITONES = 12;
/** What an unknown note, a sign in the signature, another sheet and a semitone away from it weigh against the moves. */
const WEIGHT = { newNote: 4, sign: 0.25, move: 1, moved: 1, distance: 0.02 } as const;

/** Every key within the range of the instrument, best first. */
export function keyChoices(
  tune: Tune,
  instrument: Instrument,
  known: Knowledge,
  notes: readonly NoteUse[],
  moves: readonly MoveUse[],
): readonly KeyChoice[] {
  const choices: { readonly choice: KeyChoice; readonly newNotes: number }[] = [];
  const [lowest, highest] = rangeOf(instrument).map(midiNumber) as [number, number];
  const heights = notes.map((use) => midiNumber(use.pitch));
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  for (let semitones = -MOST_SEMITONES; semitones <= MOST_SEMITONES; semitones++) {
    if (low + semitones < lowest || high + semitones > highest) continue;
    const moved = shiftFor(tune.bars[0]!.key, semitones);
    if (moved === null) continue;
    const { steps } = moved.shift;
    const pitches = new Map(notes.map((use) => [use.name, transposePitch(use.pitch, steps, semitones)]));
    const isPlayable = [...pitches.values()].every((pitch) => fingeringsOf(instrument, pitch).length > 0);
    if (!isPlayable) continue;
    const unknown = [...pitches.values()].filter((pitch) => !known.notes.has(pitchName(pitch)));
    choices.push({
      choice: {
        shift: semitones,
        key: keyName(moved.key),
        newNotes: unknown.map(pitchName),
        fifths: moved.key.fifths,
        cost: meanCost(instrument, moves, (name) => pitches.get(name) ?? pitch(name)),
      },
      newNotes: unknown.reduce((sum, pitch) => sum + WEIGHT.newNote + hardToGet(instrument, pitch), 0),
    });
  }
  const rank = ({ choice, newNotes }: (typeof choices)[number]): number =>
    newNotes +
    (choice.shift === 0 ? 0 : WEIGHT.moved) +
    Math.abs(choice.fifths) * WEIGHT.sign +
    choice.cost * WEIGHT.move +
    Math.abs(choice.shift) * WEIGHT.distance;
  return choices.toSorted((a, b) => rank(a) - rank(b) || a.choice.shift - b.choice.shift).map(({ choice }) => choice);
}

function meanCost(
  instrument: Instrument,
  moves: readonly MoveUse[],
  pitchOf: (name: string) => ReturnType<typeof pitch>,
): number {
  let [total, count] = [0, 0];
  for (const use of moves) {
    const move = moveBetween(instrument, pitchOf(use.from), pitchOf(use.to));
    total += (move?.cost ?? 0) * use.count;
    count += use.count;
  }
  return count === 0 ? 0 : Math.round((100 * total) / count) / 100;
}
