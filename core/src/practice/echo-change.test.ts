import fc from 'fast-check';
import { expect, it } from 'vitest';
import { pitch, pitchName, PLAIN_NOTE, PLAIN_REST, type TuneEvent } from '../music/index.ts';
import { changeOne, plainValue } from './index.ts';

const quarter = plainValue('quarter');
const events = (names: string): readonly TuneEvent[] =>
  names
    .split(' ')
    .map((name) =>
      name === 'z' ? { ...PLAIN_REST, value: quarter } : { ...PLAIN_NOTE, value: quarter, pitch: pitch(name) },
    );
const names = (all: readonly TuneEvent[]) =>
  all.map((event) => (event.kind === 'note' ? pitchName(event.pitch) : 'z')).join(' ');
const known = ['G4', 'A4', 'B4', 'C5'].map(pitch);

it('changes one note, counted without rests, to one that the class has and that is not beside it', () => {
  fc.assert(
    fc.property(fc.nat(), (seed) => {
      const before = events('G4 z A4 B4');
      const changed = changeOne(before, known, seed)!;
      const pairs = changed.events.map((event, index) => [names([before[index]!]), names([event])] as const);
      const different = pairs.filter(([was, is]) => was !== is);
      expect(different).toEqual([[changed.was, changed.is]]);
      const sounding = pairs.filter(([was]) => was !== 'z');
      expect(sounding.findIndex(([was, is]) => was !== is) + 1).toBe(changed.note);
      const beside = [sounding[changed.note - 2]?.[0], sounding[changed.note]?.[0]];
      expect(beside).not.toContain(changed.is);
    }),
  );
});

it('gives the same for the same seed, and nothing where there is no other note', () => {
  expect(changeOne(events('G4 A4 B4 A4'), known, 7)).toEqual(changeOne(events('G4 A4 B4 A4'), known, 7));
  expect(changeOne(events('G4 G4 z G4'), [pitch('G4')], 1)).toBeNull();
});
