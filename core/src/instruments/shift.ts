import { midiNumber, pitchName, transposePitch, type Pitch } from '../music/index.ts';
import type { Fingering } from './fingering.ts';

/** As in `transposePitch`: staff steps and semitones, so that the spelling stays right. */
export interface Interval {
  readonly steps: number;
  readonly semitones: number;
}

export function shiftPitch(p: Pitch, { steps, semitones }: Interval): Pitch {
  return transposePitch(p, steps, semitones);
}

/** A spelling that children meet: no double signs, and no sign that only renames a white key (E sharp, F flat …). */
export function isPlain(p: Pitch): boolean {
  return p.alter === 0 || (Math.abs(p.alter) === 1 && !isWhiteKey(midiNumber(p)));
}

function isWhiteKey(midi: number): boolean {
  return [0, 2, 4, 5, 7, 9, 11].includes(midi % 12);
}

/**
 * The same shapes on an instrument of another size or key. A black key keeps both its spellings, the one that stood
 * first in the chart first; the chart's own spelling of a white key gives way to the plain one.
 */
export function shiftFingerings(fingerings: readonly Fingering[], interval: Interval): readonly Fingering[] {
  const sounds = new Map<string, Pitch[]>();
  return fingerings.flatMap((fingering): Fingering[] => {
    const goal = shiftPitch(fingering.pitch, interval);
    const key = `${midiNumber(goal)} ${fingering.holes.join()} ${fingering.register}`;
    const known = sounds.get(key) ?? [];
    sounds.set(key, known);
    return spellings(goal).flatMap((spelling): Fingering[] => {
      if (known.some((pitch) => pitchName(pitch) === pitchName(spelling))) return [];
      known.push(spelling);
      return [{ ...fingering, pitch: spelling }];
    });
  });
}

/** The plain names of a sound, that of `p` first. */
function spellings(p: Pitch): readonly Pitch[] {
  const near = [0, 1, -1].map((steps) => transposePitch(p, steps, 0));
  return near.filter(isPlain);
}
