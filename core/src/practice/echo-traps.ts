import { describeMove, moveBetween, type Instrument } from '../instruments/index.ts';
import { byHeight, pitchName, samePitch, type Pitch } from '../music/index.ts';
import type { EchoPattern } from './echo-pattern.ts';
import { lastPitch, pairs, pitchesOf } from './singing.ts';

/** A move that costs more than a team in one hand is worth a warning. */
const HARD_MOVE = 2.1;

export interface EchoNotes {
  readonly on: Instrument;
  readonly notes: readonly Pitch[];
  readonly newNote: Pitch;
}

/** Where a class will go wrong in a pattern, in words, first things first. */
export function trapsOf(pattern: EchoPattern, before: EchoPattern | undefined, given: EchoNotes): readonly string[] {
  const pitches = pitchesOf(pattern.events);
  const isMelody = pattern.grade !== 'one-note';
  return [
    ...startTrap(pattern, before, given.newNote),
    ...distinctMoves(pitches).flatMap((move) => moveTrap(move, given)),
    ...(isMelody && pairs(pitches).some(([a, b]) => samePitch(a, b))
      ? ['The same note twice running: tongue it.']
      : []),
    ...restTrap(pattern),
    ...(isMelody && before !== undefined && names(pitches) === names(pitchesOf(before.events))
      ? ['The notes of the one before in another rhythm.']
      : []),
  ];
}

function startTrap({ grade, events }: EchoPattern, before: EchoPattern | undefined, newNote: Pitch): readonly string[] {
  const first = pitchesOf(events)[0]!;
  if (grade === 'elsewhere') return [`Starts on ${say(first)}, not on ${say(newNote)}.`];
  const last = before === undefined ? first : lastPitch(before.events);
  return samePitch(last, first) ? [] : [`Starts on ${say(first)}; the one before ended on ${say(last)}.`];
}

function moveTrap([from, to]: readonly [Pitch, Pitch], { on, notes }: EchoNotes): readonly string[] {
  const move = moveBetween(on, from, to);
  if (move !== null && move.cost > HARD_MOVE) return [`${say(from)} to ${say(to)}: ${describeMove(move)}.`];
  const ladder = notes.toSorted(byHeight);
  const place = (p: Pitch): number => ladder.findIndex((each) => samePitch(each, p));
  return Math.abs(place(from) - place(to)) > 1 ? [`Skips from ${say(from)} to ${say(to)}.`] : [];
}

function restTrap({ events }: EchoPattern): readonly string[] {
  const rest = events.findIndex((each) => each.kind === 'rest');
  return rest > 0 && rest < events.length - 1 ? ['A rest inside: wait for it.'] : [];
}

function distinctMoves(pitches: readonly Pitch[]): readonly (readonly [Pitch, Pitch])[] {
  return [...new Map(pairs(pitches).map((move) => [names(move), move])).values()];
}

function names(pitches: readonly Pitch[]): string {
  return pitches.map(pitchName).join(' ');
}

/** "F sharp": without the octave, which a class does not say. */
function say({ letter, alter }: Pitch): string {
  return letter + (['', ' sharp'][alter] ?? ' flat');
}
