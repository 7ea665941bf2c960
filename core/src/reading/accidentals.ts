import { keyAlter, type Key, type TuneEvent } from '../music/index.ts';

/** Whether a bar holds a note that the key signature does not give. */
export function accidentalIn(events: readonly TuneEvent[], key: Key): boolean {
  return events.some((event) => event.kind === 'note' && event.pitch.alter !== keyAlter(key, event.pitch.letter));
}
