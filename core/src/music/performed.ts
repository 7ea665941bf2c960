import type { Pitch } from './pitch.ts';
import { add, compare, divide, multiply, rational, subtract, ZERO, type Rational } from './rational.ts';
import type { Note, Tune } from './tune.ts';
import { performanceOrder } from './unfold.ts';
import { valueLength } from './value.ts';

/** A note as it sounds: tied notes are one, repeats are played out. Times in whole notes from the start. */
export interface PerformedNote {
  readonly pitch: Pitch;
  readonly onset: Rational;
  readonly length: Rational;
  /** Where its first written note stands: indices into the tune's bars and into that bar's events. */
  readonly barIndex: number;
  readonly eventIndex: number;
  readonly note: Note;
  /** A rest, or nothing, stands before it. */
  readonly afterRest: boolean;
}

/** The notes of one part in performance order. */
export function performedNotes(tune: Tune, partIndex = 0): readonly PerformedNote[] {
  const part = tune.parts[partIndex];
  if (part === undefined) throw new RangeError(`There is no part ${partIndex}`);
  const played: PerformedNote[] = [];
  let now: Rational = ZERO;
  let tiedFrom: number | null = null;
  let afterRest = true;
  for (const barIndex of performanceOrder(tune)) {
    for (const [eventIndex, event] of part.bars[barIndex]!.entries()) {
      const length = valueLength(event.value);
      if (event.kind === 'rest') {
        afterRest = true;
        tiedFrom = null;
      } else {
        if (tiedFrom === null) {
          played.push({ pitch: event.pitch, onset: now, length, barIndex, eventIndex, note: event, afterRest });
        } else {
          const start = played[tiedFrom]!;
          played[tiedFrom] = { ...start, length: add(start.length, length) };
        }
        tiedFrom = event.tied ? played.length - 1 : null;
        afterRest = false;
      }
      now = add(now, length);
    }
  }
  return played;
}

/** A grace note takes so much of its note, in whole notes. */
const GRACE_LENGTH = rational(1, 32);

/** A note as it is played, its grace notes first: they take their time from it, a fifth of it at the most. Times in whole notes. */
export function withGraces(played: PerformedNote): readonly Pick<PerformedNote, 'pitch' | 'onset' | 'length'>[] {
  const { grace } = played.note;
  const most = divide(played.length, rational(5 * Math.max(1, grace.length)));
  const short = compare(most, GRACE_LENGTH) < 0 ? most : GRACE_LENGTH;
  const taken = multiply(short, rational(grace.length));
  return [
    ...grace.map((pitch, place) => ({
      pitch,
      onset: add(played.onset, multiply(short, rational(place))),
      length: short,
    })),
    { pitch: played.pitch, onset: add(played.onset, taken), length: subtract(played.length, taken) },
  ];
}
