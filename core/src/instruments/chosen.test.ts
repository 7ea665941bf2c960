import { describe, expect, it } from 'vitest';
import { pitch } from '../music/index.ts';
import {
  fingeringsOf,
  findInstrument,
  instrument,
  kindOfInstrument,
  moveBetween,
  primaryFingering,
  withChosen,
} from './index.ts';

const recorder = instrument('soprano-recorder-baroque');
const note = recorder.fingerings.find((fingering) => !fingering.primary)!.pitch;
const name = `${note.letter}${note.alter === 1 ? '#' : note.alter === -1 ? 'b' : ''}${note.octave}`;

describe('a chosen fingering', () => {
  const id = withChosen(recorder.id, { [name]: 1 });
  const chosen = findInstrument(id)!;

  it('comes first in the chart, and the usual one stays as another', () => {
    const [first, second] = fingeringsOf(recorder, note);
    expect(fingeringsOf(chosen, note).map((fingering) => fingering.holes)).toEqual(
      expect.arrayContaining([first!.holes, second!.holes]),
    );
    expect(primaryFingering(chosen, note)).toMatchObject({ holes: second!.holes, primary: true });
    expect(kindOfInstrument(id)).toBe(recorder.id);
  });

  it('is what moves are made of', () => {
    const other = pitch('G4');
    expect(moveBetween(chosen, other, note)!.cost).not.toBe(moveBetween(recorder, other, note)!.cost);
  });

  it('changes nothing where there is none such, and no note is lost', () => {
    expect(withChosen(recorder.id, { B4: 0 })).toBe(recorder.id);
    expect(findInstrument(`${recorder.id}~B4.9`)!.fingerings).toEqual(recorder.fingerings);
    expect(findInstrument(`${recorder.id}~nonsense`)!.fingerings).toHaveLength(recorder.fingerings.length);
    expect(findInstrument('bagpipe~B4.1')).toBeNull();
  });
});
