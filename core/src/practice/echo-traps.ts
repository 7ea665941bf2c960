import { moveBetween, type Instrument } from '../instruments/index.ts';
import { byHeight, pitchName, samePitch, type Pitch } from '../music/index.ts';
import type { EchoPattern, EchoTrap } from './echo-pattern.ts';
import { lastPitch, pairs, pitchesOf } from './singing.ts';

/** A move that costs more than a team in one hand is worth a warning. */
const HARD_MOVE = 2.3;

export interface EchoNotes {
  readonly on: Instrument;
  readonly notes: readonly Pitch[];
  readonly newNote: Pitch;
}

/** Where a class will go wrong in a pattern, first things first. */
export function trapsOf(pattern: EchoPattern, before: EchoPattern | undefined, given: EchoNotes): readonly EchoTrap[] {
  const pitches = pitchesOf(pattern.events);
  const isMelody = pattern.grade !== 'one-note';
  return [
    ...startTrap(pattern, before, given.newNote),
    ...distinctMoves(pitches).flatMap((move) => moveTrap(move, given)),
    ...(isMelody && pairs(pitches).some(([a, b]) => samePitch(a, b)) ? [{ kind: 'repeated' } as const] : []),
    ...restTrap(pattern),
    ...(isMelody && before !== undefined && names(pitches) === names(pitchesOf(before.events))
      ? [{ kind: 'same-notes' } as const]
      : []),
  ];
}

function startTrap(
  { grade, events }: EchoPattern,
  before: EchoPattern | undefined,
  newNote: Pitch,
): readonly EchoTrap[] {
  const first = pitchesOf(events)[0]!;
  if (grade === 'elsewhere') return [{ kind: 'start', on: first, not: newNote }];
  const last = before === undefined ? first : lastPitch(before.events);
  return samePitch(last, first) ? [] : [{ kind: 'link', on: first, after: last }];
}

function moveTrap([from, to]: readonly [Pitch, Pitch], { on, notes }: EchoNotes): readonly EchoTrap[] {
  const move = moveBetween(on, from, to);
  if (move !== null && move.cost > HARD_MOVE) return [{ kind: 'move', from, to, move }];
  const ladder = notes.toSorted(byHeight);
  const place = (p: Pitch): number => ladder.findIndex((pitch) => samePitch(pitch, p));
  return Math.abs(place(from) - place(to)) > 1 ? [{ kind: 'skip', from, to }] : [];
}

function restTrap({ events }: EchoPattern): readonly EchoTrap[] {
  const rest = events.findIndex((event) => event.kind === 'rest');
  return rest > 0 && rest < events.length - 1 ? [{ kind: 'rest-inside' }] : [];
}

function distinctMoves(pitches: readonly Pitch[]): readonly (readonly [Pitch, Pitch])[] {
  return [...new Map(pairs(pitches).map((move) => [names(move), move])).values()];
}

function names(pitches: readonly Pitch[]): string {
  return pitches.map(pitchName).join(' ');
}
