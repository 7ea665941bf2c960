import { keyOn, tonic, transposePitch, type Key, type Pitch, type Tune, type TuneEvent } from '../music/index.ts';

/** An interval in staff steps and semitones, so that spelling stays right. */
export interface Shift {
  readonly steps: number;
  readonly semitones: number;
}

/** For each number of semitones the staff steps that keep the key simplest. Null when no signature fits. */
export function shiftFor(key: Key, semitones: number): { readonly shift: Shift; readonly key: Key } | null {
  const near = Math.round((semitones * 7) / 12);
  const options = [near, near - 1, near + 1].flatMap((steps) => {
    const moved = moveKey({ steps, semitones }, key);
    return moved === null ? [] : [{ shift: { steps, semitones }, key: moved }];
  });
  return options.toSorted((a, b) => Math.abs(a.key.fifths) - Math.abs(b.key.fifths))[0] ?? null;
}

function moveKey({ steps, semitones }: Shift, key: Key): Key | null {
  const { letter, alter } = transposePitch(tonic(key), steps, semitones);
  return Math.abs(alter) > 1 ? null : keyOn(letter, alter, key.mode);
}

/** The tune moved by an interval, key signatures and all. Null when a key would need more than seven signs. */
export function transposeTune(tune: Tune, shift: Shift): Tune | null {
  const keys = tune.bars.map((bar) => moveKey(shift, bar.key));
  if (keys.includes(null)) return null;
  const up = (pitch: Pitch): Pitch => transposePitch(pitch, shift.steps, shift.semitones);
  const moved = (event: TuneEvent): TuneEvent =>
    event.kind === 'rest'
      ? event
      : { ...event, pitch: up(event.pitch), or: event.or && up(event.or), grace: event.grace.map(up) };
  const [first, ...others] = tune.parts.map((part) => ({
    ...part,
    bars: part.bars.map((events) => events.map(moved)),
  }));
  return { ...tune, bars: tune.bars.map((bar, index) => ({ ...bar, key: keys[index]! })), parts: [first!, ...others] };
}
