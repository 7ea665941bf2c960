import { pitchName, type Note, type Pitch, type Tune, type TuneEvent } from '../music/index.ts';
import type { Knowledge } from './knowledge.ts';

/** Whether two notes are offered in one place anywhere. */
export function offersChoice(tune: Tune): boolean {
  return tune.parts.some((part) => part.bars.some((bar) => bar.some((event) => event.kind === 'note' && event.or)));
}

/**
 * The tune as a class plays it: where two notes are offered, the one that it knows; the upper one when it knows both or
 * neither. Notes that are tied are chosen alike.
 */
export function chooseNotes(tune: Tune, known: Pick<Knowledge, 'notes'>): Tune {
  if (!offersChoice(tune)) return tune;
  const [first, ...others] = tune.parts.map((part) => ({ ...part, bars: chosenBars(part.bars, known) }));
  return { ...tune, parts: [first!, ...others] };
}

function chosenBars(
  bars: readonly (readonly TuneEvent[])[],
  known: Pick<Knowledge, 'notes'>,
): readonly (readonly TuneEvent[])[] {
  let tiedFrom: Pitch | null = null;
  return bars.map((events) =>
    events.map((event): TuneEvent => {
      if (event.kind === 'rest') {
        tiedFrom = null;
        return event;
      }
      const pitch: Pitch = tiedFrom ?? chosen(event, known);
      tiedFrom = event.tied ? pitch : null;
      return { ...event, pitch, or: null };
    }),
  );
}

function chosen({ pitch, or }: Note, { notes }: Pick<Knowledge, 'notes'>): Pitch {
  return or !== null && !notes.has(pitchName(pitch)) && notes.has(pitchName(or)) ? or : pitch;
}
