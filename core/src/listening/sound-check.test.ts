import { describe, expect, it } from 'vitest';
import { instrument } from '../instruments/index.ts';
import { midiNumber, pitch } from '../music/index.ts';
import { checkSound, leakNotes, type PitchReading } from './index.ts';

const recorder = instrument('soprano-recorder-baroque');
const G4 = pitch('G4');
const G = (midiNumber(G4) + recorder.soundsAbove) * 100;

/** Held for so many seconds: cents off the note for each reading, 50 a second. */
function held(off: (index: number) => number | null, seconds = 1): PitchReading[] {
  return Array.from({ length: seconds * 50 }, (_, index) => {
    const cents = off(index);
    return { at: index / 50, cents: cents === null ? null : G + cents };
  });
}
const kindOf = (off: (index: number) => number | null) => checkSound(held(off), recorder, G4)?.kind;

describe('the sound check', () => {
  it('waits until a note has been held', () => {
    expect(checkSound([], recorder, G4)).toBeNull();
    expect(
      checkSound(
        held(() => 0, 0.4),
        recorder,
        G4,
      ),
    ).toBeNull();
    expect(kindOf(() => null)).toBeUndefined();
  });

  it('tells right, too much and too little breath, and a wobble', () => {
    expect(kindOf((index) => (index % 2 === 0 ? 4 : -4))).toBe('right');
    expect(kindOf(() => 35)).toBe('sharp');
    expect(kindOf(() => -40)).toBe('weak');
    expect(kindOf((index) => 16 * Math.sin(index / 2))).toBe('wobbles');
    expect(kindOf(() => 1200)).toBe('overblown');
  });

  it('forgives the chiff at the start, and the tuning of the class', () => {
    expect(kindOf((index) => (index < 5 ? 1900 : 0))).toBe('right');
    expect(
      checkSound(
        held(() => 30),
        recorder,
        G4,
        30,
      )?.kind,
    ).toBe('right');
  });

  it('knows the notes that sound when a covered hole leaks', () => {
    // G with the ring finger up is A; with the thumb off too it would be another.
    expect(leakNotes(recorder, G4)).toContain(midiNumber(pitch('A4')) + recorder.soundsAbove);
    expect(kindOf((index) => (index % 3 === 0 ? 200 : 0))).toBe('leak');
  });

  it('names another note', () => {
    expect(
      checkSound(
        held(() => -500),
        recorder,
        G4,
      ),
    ).toMatchObject({ kind: 'other', came: G / 100 - 5 });
  });
});
