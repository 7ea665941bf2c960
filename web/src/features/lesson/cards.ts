import { eventId, writeAbc } from '@escalier/core/formats';
import { byHeight, pitch, PLAIN_NOTE, PLAIN_REST, samePitch, type TuneEvent } from '@escalier/core/music';
import {
  ECHO_METRE,
  plainValue,
  rhythmCards,
  shortTune,
  type EchoPattern,
  type RhythmCard,
} from '@escalier/core/practice';
import type { NoteLesson } from '../notes/index.ts';
import { t } from './messages.ts';

/** A card as it is shown and played: four beats on one note. */
export interface StageCard extends EchoPattern {
  readonly abc: string;
}

function eventsOf(card: RhythmCard, note: string): readonly TuneEvent[] {
  return card.map(({ kind, value }) =>
    kind === 'rest' ? { ...PLAIN_REST, value } : { ...PLAIN_NOTE, value, pitch: pitch(note) },
  );
}

function written(card: RhythmCard, note: string, title: string): StageCard {
  const events = eventsOf(card, note);
  const abc = writeAbc(shortTune({ title, metre: ECHO_METRE, bars: [events] }));
  return { grade: 'one-note', traps: [], events, abc };
}

/** The class's own cards. */
export function ownCards(patterns: readonly RhythmCard[], note: string): readonly StageCard[] {
  return patterns.map((card, index) => written(card, note, t('cards.card-index', { index: index + 1 })));
}

/** Cards from what the class knows, plain ones first, on a note that it has; the same seed gives the same cards. */
export function stageCards(
  elements: readonly string[],
  note: string,
  count: number,
  seed: number,
): readonly StageCard[] {
  return cardsKnown(elements, count, seed).map((card, index) =>
    written(card, note, t('cards.card-index', { index: index + 1 })),
  );
}

/** Rhythms of four beats from what the class knows. */
export function cardsKnown(elements: readonly string[], count: number, seed: number): readonly RhythmCard[] {
  const known = new Set([...elements, 'note quarter']);
  return rhythmCards({ metre: ECHO_METRE, elements: known, count, seed });
}

/** Two cards under each other, for two halves of the class. */
export function partnerCard(cards: readonly StageCard[], at: number): readonly StageCard[] {
  const other = cards[(at + 1) % Math.max(1, cards.length)];
  return [cards[at], other].filter((card) => card !== undefined);
}

/** The notes that a class has and the new one among them, ringed. */
export function staffSheet({ known, note, label }: Pick<NoteLesson, 'known' | 'note' | 'label'>) {
  const notes = [...known, note].toSorted(byHeight);
  const bars = [notes.map((note) => ({ ...PLAIN_NOTE, value: plainValue('whole'), pitch: note }))];
  const at = notes.findIndex((each) => samePitch(each, note));
  return {
    abc: writeAbc(shortTune({ title: label, metre: { count: notes.length, unit: 1 }, bars })),
    title: label,
    marks: [{ kind: 'ring' as const, id: eventId(0, 0, at) }],
    plain: true,
  };
}
