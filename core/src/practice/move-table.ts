import { moveBetween, type Instrument, type Move } from '../instruments/index.ts';
import { midiNumber, type Pitch } from '../music/index.ts';

/** Every move among some notes. */
export interface MoveTable {
  readonly pitches: readonly Pitch[];
  /** `moves[from][to]`, by the places of the notes; null on the diagonal and for notes off the instrument. */
  readonly moves: readonly (readonly (Move | null)[])[];
}

export function moveTable(instrument: Instrument, pitches: readonly Pitch[]): MoveTable {
  return {
    pitches,
    moves: pitches.map((from) =>
      pitches.map((to) => (midiNumber(from) === midiNumber(to) ? null : moveBetween(instrument, from, to))),
    ),
  };
}

/** There and back between a note and one of the known ones. */
export interface MovePair {
  readonly from: Pitch;
  readonly to: Pitch;
  readonly there: Move;
  readonly back: Move;
  /** Both together. */
  readonly cost: number;
}

/** The moves from and to a note, easiest pair first: what to drill when the note is new. */
export function movesAround(instrument: Instrument, note: Pitch, known: readonly Pitch[]): readonly MovePair[] {
  const pairs = known.flatMap((from): MovePair[] => {
    const [there, back] = [moveBetween(instrument, from, note), moveBetween(instrument, note, from)];
    if (there === null || back === null || midiNumber(from) === midiNumber(note)) return [];
    return [{ from, to: note, there, back, cost: Math.round(100 * (there.cost + back.cost)) / 100 }];
  });
  return pairs.toSorted((a, b) => a.cost - b.cost || midiNumber(a.from) - midiNumber(b.from));
}

/**
 * A walk over the notes that makes each of their moves once, both ways, and ends where it began: easy moves first, as
 * far as a walk in one piece allows. Every note has as many moves away as towards it, so there is always such a walk
 * (Euler); at each note the cheapest move is taken that does not cut off the rest (Fleury).
 */
export function moveWalk(instrument: Instrument, pitches: readonly Pitch[]): readonly Pitch[] {
  const { moves } = moveTable(instrument, pitches);
  const cost = (from: number, to: number): number => moves[from]![to]?.cost ?? Infinity;
  const places = pitches.map((_, place) => place);
  const unused = new Map(places.map((from) => [from, new Set(places.filter((to) => moves[from]![to] !== null))]));
  const all = places.flatMap((from) => [...unused.get(from)!].map((to) => [from, to] as const));
  const first = all.toSorted((a, b) => cost(...a) - cost(...b))[0];
  if (first === undefined) return [];
  let here = first[0];
  const walk = [here];
  for (let step = 0; step < all.length; step++) {
    const away = [...unused.get(here)!].toSorted((a, b) => cost(here, a) - cost(here, b) || a - b);
    const next = away.find((to) => leavesOnePiece(unused, here, to)) ?? away[0]!;
    unused.get(here)!.delete(next);
    walk.push(next);
    here = next;
  }
  return walk.map((place) => pitches[place]!);
}

/** Whether all moves that are left can still be reached once this one is made. */
function leavesOnePiece(unused: ReadonlyMap<number, ReadonlySet<number>>, from: number, to: number): boolean {
  const left = (place: number): number[] => [...unused.get(place)!].filter((goal) => place !== from || goal !== to);
  const seen = new Set([to]);
  const open = [to];
  for (let place = open.pop(); place !== undefined; place = open.pop()) {
    for (const goal of left(place)) {
      if (seen.has(goal)) continue;
      seen.add(goal);
      open.push(goal);
    }
  }
  return [...unused.keys()].every((place) => seen.has(place) || left(place).length === 0);
}
