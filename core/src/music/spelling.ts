import type { Key } from './key.ts';
import { midiNumber, type Pitch } from './pitch.ts';

/** Letters with signs along the line of fifths, from F flat to B sharp; C is 0. */
function onLineOfFifths(place: number): Pick<Pitch, 'letter' | 'alter'> {
  const letters = ['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const;
  const shifted = place + 1;
  return { letter: letters[((shifted % 7) + 7) % 7]!, alter: Math.floor(shifted / 7) };
}

/**
 * The spelling of a sounding pitch that lies nearest to a key: of the names of one sound, the one within six steps of
 * the middle of the key's scale on the line of fifths.
 */
export function pitchIn(key: Key, number: number): Pitch {
  const middle = key.fifths + 2;
  const chroma = ((number % 12) + 12) % 12;
  for (let distance = 0; distance <= 6; distance++) {
    for (const place of [middle + distance, middle - distance]) {
      if ((((place * 7) % 12) + 12) % 12 !== chroma) continue;
      const name = onLineOfFifths(place);
      const octave = Math.floor((number - name.alter) / 12) - 1;
      const pitch: Pitch = { ...name, octave };
      return { ...pitch, octave: octave + Math.round((number - midiNumber(pitch)) / 12) };
    }
  }
  throw new RangeError(`${number} has no spelling`);
}

/** The major key whose scale holds most of the notes; the fewest signs where several do. */
export function likelyKey(numbers: readonly number[]): Key {
  const candidates = [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6];
  const inScale = (fifths: number): number => {
    const scale = Array.from({ length: 7 }, (_, step) => ((((fifths - 1 + step) * 7) % 12) + 12) % 12);
    return numbers.filter((number) => scale.includes(((number % 12) + 12) % 12)).length;
  };
  const best = candidates.reduce((a, b) => (inScale(b) > inScale(a) ? b : a));
  return { fifths: best, mode: 'major' };
}
