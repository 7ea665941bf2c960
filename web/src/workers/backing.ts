import { backingOf, type BackingNote, type BackingVoice, type FeelId } from '@escalier/core/lesson';
import { add, toNumber, type Tune } from '@escalier/core/music';
import { DEFAULT_TEMPO } from '@escalier/core/reading';
import type { Beats } from '@escalier/core/units';

/** A note of the backing to sound. Times in beats of the tempo; those of the count-in from its start. */
export interface BackingSound {
  readonly voice: BackingVoice;
  readonly midi: number;
  readonly start: Beats;
  readonly beats: Beats;
  /** 0 to 1. */
  readonly strength: number;
}

export interface PlayedBacking {
  readonly feel: FeelId;
  readonly feels: readonly FeelId[];
  readonly notes: readonly BackingSound[];
  readonly countIn: readonly BackingSound[];
}

/** @param feel null for the one that fits best. */
export function playedBacking(tune: Tune, feel: FeelId | null): PlayedBacking {
  const beat = toNumber((tune.tempo ?? DEFAULT_TEMPO).beat);
  const made = backingOf(tune, feel ?? undefined);
  const sound = ({ voice, midi, onset, length, strength }: BackingNote): BackingSound => ({
    voice,
    midi,
    strength,
    start: toNumber(onset) / beat,
    beats: toNumber(length) / beat,
  });
  const lead = made.countIn.length;
  return {
    feel: made.feel,
    feels: made.feels,
    notes: made.notes.map(sound),
    countIn: made.countIn.notes.map((note) => sound({ ...note, onset: add(note.onset, lead) })),
  };
}
