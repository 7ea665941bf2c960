import { pitchName, samePitch, type Pitch, type TuneEvent } from '../music/index.ts';
import { seeded } from './random.ts';

/** A pattern with one note changed, for the game of hearing which. */
export interface ChangedPattern {
  readonly events: readonly TuneEvent[];
  /** Which note it is, counted from 1; rests do not count. */
  readonly note: number;
  readonly was: string;
  readonly is: string;
}

/**
 * One note of a pattern becomes another that the class has, never the one beside it, so that it is heard. Null when
 * there is no other note to take.
 * @param notes what the class has.
 */
export function changeOne(events: readonly TuneEvent[], notes: readonly Pitch[], seed: number): ChangedPattern | null {
  const random = seeded(seed);
  const places = events.flatMap((event, index) => (event.kind === 'note' ? [{ index, pitch: event.pitch }] : []));
  const choices = places.flatMap(({ index, pitch }, place) => {
    const beside = [places[place - 1]?.pitch, places[place + 1]?.pitch].filter((pitch) => pitch !== undefined);
    return notes
      .filter((note) => ![pitch, ...beside].some((taken) => samePitch(taken, note)))
      .map((to) => ({ index, note: place + 1, from: pitch, to }));
  });
  const chosen = choices[Math.floor(random() * choices.length)];
  if (chosen === undefined) return null;
  const changed = events.map((event, index) =>
    index === chosen.index && event.kind === 'note' ? { ...event, pitch: chosen.to } : event,
  );
  return { events: changed, note: chosen.note, was: pitchName(chosen.from), is: pitchName(chosen.to) };
}
