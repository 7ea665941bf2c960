import { fingeringsOf, type Instrument } from '../instruments/index.ts';
import type { Pitch } from '../music/index.ts';

/** What makes one note harder to get than another. */
const NEW_NOTE = { everyHole: 3, halfHole: 1.5, higherRegister: 1.5, fork: 0.75, thumbOff: 0.5 } as const;

/** Low C wants every hole sealed, a pinched note the thumb, a high one more breath: what a new note asks of the hands. */
export function hardToGet(instrument: Instrument, note: Pitch): number {
  const fingering = fingeringsOf(instrument, note)[0];
  if (fingering === undefined) return 0;
  const { holes, register } = fingering;
  const front = holes.filter((_, index) => instrument.holes[index]!.finger !== 'thumb');
  const thumb = holes.find((_, index) => instrument.holes[index]!.finger === 'thumb');
  const open = front.indexOf('open');
  const closed = front.filter((state) => state === 'closed').length;
  return (
    (closed === 7 ? NEW_NOTE.everyHole : 0) +
    (front.includes('half') ? NEW_NOTE.halfHole : 0) +
    (register > 1 ? NEW_NOTE.higherRegister : 0) +
    (open > 0 && front.slice(open).some((state) => state !== 'open') ? NEW_NOTE.fork : 0) +
    (thumb === 'open' ? NEW_NOTE.thumbOff : 0)
  );
}

/** How many holes the first fingering of a note closes; 0 for a note that the instrument has not. */
export function fingersDown(instrument: Instrument, note: Pitch): number {
  return fingeringsOf(instrument, note)[0]?.holes.filter((state) => state !== 'open').length ?? 0;
}
