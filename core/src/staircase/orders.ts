import type { Instrument } from '../instruments/index.ts';

export type NoteOrderId = 'down-from-b' | 'bag-then-up' | 'from-low-c' | 'whistle-six-fingers' | 'whistle-from-top';

/** An order in which notes are brought, as a school of teaching does it. */
export interface NoteOrder {
  readonly id: NoteOrderId;
  readonly name: string;
  readonly family: Instrument['family'];
  /** Written notes, the first one first. */
  readonly notes: readonly string[];
}

export const NOTE_ORDERS: readonly NoteOrder[] = [
  {
    id: 'down-from-b',
    name: 'From B down',
    family: 'recorder',
    notes: ['B4', 'A4', 'G4', 'E4', 'D4', 'F#4', 'C5', 'D5'],
  },
  {
    id: 'bag-then-up',
    name: 'B A G, then up',
    family: 'recorder',
    notes: ['B4', 'A4', 'G4', 'C5', 'D5', 'E4', 'D4', 'F#4'],
  },
  {
    id: 'from-low-c',
    name: 'All fingers first, from low C',
    family: 'recorder',
    notes: ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4', 'C5'],
  },
  {
    id: 'whistle-six-fingers',
    name: 'From six fingers up',
    family: 'whistle',
    notes: ['D4', 'E4', 'F#4', 'G4', 'A4', 'B4', 'C#5', 'D5'],
  },
  {
    id: 'whistle-from-top',
    name: 'From the top down',
    family: 'whistle',
    notes: ['B4', 'A4', 'G4', 'F#4', 'E4', 'D4'],
  },
];

export function noteOrder(id: NoteOrderId): NoteOrder {
  return NOTE_ORDERS.find((order) => order.id === id)!;
}

/** The orders for an instrument; the first is the usual one. */
export function noteOrdersFor(instrument: Instrument): readonly NoteOrder[] {
  return NOTE_ORDERS.filter((order) => order.family === instrument.family);
}
