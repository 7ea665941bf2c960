import { fingeringsOf, type HoleState, type Instrument } from '../instruments/index.ts';
import { pitch } from '../music/index.ts';
import type { Random } from '../practice/index.ts';

/** How well a note is known under the fingers: the higher its box, the later it comes again. */
export interface NoteCard {
  /** Written, `F#4`. */
  readonly note: string;
  readonly box: number;
  /** The turn from which on it may come again. */
  readonly due: number;
}

/** Turns until a note of a box comes again. */
const GAPS = [1, 3, 6, 12, 24] as const;
/** An answer that took longer was thought about: the note stays in its box. */
const SLOW_SECONDS = 6;

/** All notes new; those that the device knows keep their boxes. */
export function noteCards(notes: readonly string[], kept: readonly NoteCard[] = []): readonly NoteCard[] {
  const known = new Map(kept.map((card) => [card.note, card]));
  return notes.map((note) => ({ note, box: known.get(note)?.box ?? 0, due: 0 }));
}

/**
 * The note to ask for: what is due, lowest box first, by lot among equals; never the one just asked while there is
 * another.
 * @throws RangeError without cards.
 */
export function nextCard(cards: readonly NoteCard[], turn: number, last: string | null, random: Random): NoteCard {
  const others = cards.length > 1 ? cards.filter(({ note }) => note !== last) : cards;
  const due = others.filter((card) => card.due <= turn);
  const least = Math.min(...(due.length > 0 ? due.map(({ box }) => box) : others.map((card) => card.due)));
  const equal = due.length > 0 ? due.filter(({ box }) => box === least) : others.filter((card) => card.due === least);
  const card = equal[Math.floor(random() * equal.length)];
  if (card === undefined) throw new RangeError('no cards');
  return card;
}

/** Missed notes begin again and come soon; right ones come later each time. */
export function answered(
  cards: readonly NoteCard[],
  turn: number,
  { note, isRight, seconds }: { readonly note: string; readonly isRight: boolean; readonly seconds: number },
): readonly NoteCard[] {
  return cards.map((card) => {
    if (card.note !== note) return card;
    const up = isRight && seconds <= SLOW_SECONDS ? card.box + 1 : card.box;
    const box = isRight ? Math.min(up, GAPS.length - 1) : 0;
    return { note, box, due: turn + 1 + GAPS[box]! };
  });
}

/** Whether covered holes sound a note: by its usual fingering or another one for it. */
export function isFingering(instrument: Instrument, note: string, holes: readonly HoleState[]): boolean {
  return fingeringsOf(instrument, pitch(note)).some((fingering) =>
    fingering.holes.every((state, hole) => state === holes[hole]),
  );
}
