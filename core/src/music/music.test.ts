import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  add,
  alteredLetters,
  beatsInBar,
  compare,
  equal,
  floor,
  isCompound,
  keyName,
  keyOn,
  midiNumber,
  mixedNumber,
  namePitch,
  parsePitch,
  pitch,
  pitchName,
  rational,
  staffStep,
  subtract,
  sum,
  tonic,
  toNumber,
  transposePitch,
  valueLength,
  valueOfLength,
  valuesOfLength,
  valueWords,
  ZERO,
} from './index.ts';

const anyRational = fc
  .tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: 1, max: 96 }))
  .map(([n, d]) => rational(n, d));

describe('rational', () => {
  it('adds and subtracts exactly, in any order', () => {
    fc.assert(
      fc.property(anyRational, anyRational, anyRational, (a, b, c) => {
        expect(add(add(a, b), c)).toEqual(add(a, add(b, c)));
        expect(subtract(add(a, b), b)).toEqual(a);
        expect(Math.sign(compare(a, b))).toBe(Math.sign(toNumber(a) - toNumber(b)));
      }),
    );
  });

  it('sums three triplet quavers to a crotchet', () => {
    expect(sum([rational(1, 12), rational(1, 12), rational(1, 12)])).toEqual(rational(1, 4));
    expect(sum([])).toEqual(ZERO);
  });

  it('is read as children see it', () => {
    expect(mixedNumber(rational(3, 2))).toBe('1 1/2');
    expect(mixedNumber(rational(-5, 4))).toBe('-1 1/4');
    expect(mixedNumber(rational(4))).toBe('4');
    expect(floor(rational(-1, 4))).toBe(-1);
  });

  it('refuses what is no fraction', () => {
    expect(() => rational(1, 0)).toThrow(RangeError);
    expect(() => rational(0.5)).toThrow(RangeError);
  });
});

describe('pitch', () => {
  it('reads and writes scientific names', () => {
    for (const name of ['C4', 'F#4', 'Bb4', 'C##5', 'Ebb3']) expect(pitchName(pitch(name))).toBe(name);
    expect(pitchName(pitch('f♯4'))).toBe('F#4');
    for (const wrong of ['', 'H4', 'F', 'F#', '4F', 'Fx4', 'F#44']) expect(parsePitch(wrong)).toBeNull();
    expect(() => pitch('H4')).toThrow(RangeError);
  });

  it('counts semitones and staff steps from known places', () => {
    expect(midiNumber(pitch('C4'))).toBe(60);
    expect(midiNumber(pitch('A4'))).toBe(69);
    expect(midiNumber(pitch('B#3'))).toBe(60);
    expect(staffStep(pitch('B4')) - staffStep(pitch('E4'))).toBe(4);
  });

  it('keeps the spelling when it moves', () => {
    expect(pitchName(transposePitch(pitch('B4'), 1, 2))).toBe('C#5');
    expect(pitchName(transposePitch(pitch('C5'), -1, -2))).toBe('Bb4');
    fc.assert(
      fc.property(fc.integer({ min: -14, max: 14 }), fc.integer({ min: -2, max: 2 }), (steps, extra) => {
        const semitones = Math.round((steps * 12) / 7) + extra;
        const there = transposePitch(pitch('G4'), steps, semitones);
        expect(pitchName(transposePitch(there, -steps, -semitones))).toBe('G4');
        expect(midiNumber(there) - midiNumber(pitch('G4'))).toBe(semitones);
      }),
    );
  });
});

describe('key', () => {
  it('names the letters that a signature changes, in their order', () => {
    expect(alteredLetters({ fifths: 2, mode: 'major' })).toEqual(['F', 'C']);
    expect(alteredLetters({ fifths: -3, mode: 'major' })).toEqual(['B', 'E', 'A']);
  });

  it('finds tonic and signature from each other', () => {
    expect(keyName({ fifths: 1, mode: 'major' })).toBe('G major');
    expect(keyName({ fifths: 1, mode: 'minor' })).toBe('E minor');
    expect(keyName({ fifths: 2, mode: 'dorian' })).toBe('E dorian');
    expect(keyName({ fifths: -2, mode: 'major' })).toBe('B flat major');
    expect(keyOn('D', 0, 'mixolydian')).toEqual({ fifths: 1, mode: 'mixolydian' });
    expect(keyOn('G', 1, 'major')).toBeNull();
    const { letter, alter } = tonic({ fifths: 6, mode: 'major' });
    expect([letter, alter]).toEqual(['F', 1]);
  });
});

describe('names', () => {
  const gMajor = { fifths: 1, mode: 'major' } as const;
  const eMinor = { fifths: 1, mode: 'minor' } as const;

  it('follows each school', () => {
    expect(namePitch(pitch('F#4'), 'letters', gMajor)).toBe('F♯');
    expect(['B4', 'Bb4', 'F#4', 'Eb4', 'Ab4', 'Db4'].map((n) => namePitch(pitch(n), 'german-letters', gMajor))).toEqual(
      ['H', 'B', 'Fis', 'Es', 'As', 'Des'],
    );
    const doubles = ['F##4', 'B##4', 'Bbb4', 'Abb4', 'Ebb4', 'Dbb4'].map(pitch);
    expect(doubles.map((each) => namePitch(each, 'german-letters', gMajor))).toEqual([
      'Fisis',
      'Hisis',
      'Heses',
      'Asas',
      'Eses',
      'Deses',
    ]);
    expect(namePitch(pitch('B4'), 'fixed-do', gMajor)).toBe('ti');
    expect(namePitch(pitch('Bb4'), 'fixed-do-si', gMajor)).toBe('si♭');
    expect(namePitch(pitch('F#4'), 'fixed-do-si', gMajor)).toBe('fa♯');
    expect(['G4', 'A4', 'B4', 'F#4'].map((n) => namePitch(pitch(n), 'movable-do', gMajor))).toEqual([
      'do',
      're',
      'mi',
      'ti',
    ]);
    expect(namePitch(pitch('F4'), 'movable-do', gMajor)).toBe('te');
    expect(namePitch(pitch('D5'), 'degrees', gMajor)).toBe('5');
    expect(namePitch(pitch('C#5'), 'degrees', gMajor)).toBe('♯4');
  });

  it('calls the tonic of a minor key la', () => {
    expect(namePitch(pitch('E4'), 'movable-do', eMinor)).toBe('la');
    expect(namePitch(pitch('D#4'), 'movable-do', eMinor)).toBe('si');
    expect(namePitch(pitch('E4'), 'degrees', eMinor)).toBe('1');
  });
});

describe('note values and metres', () => {
  it('adds half for a dot, and takes a third off a triplet', () => {
    expect(valueLength({ base: 'quarter', dots: 1, tuplet: null })).toEqual(rational(3, 8));
    expect(valueLength({ base: 'half', dots: 2, tuplet: null })).toEqual(rational(7, 8));
    expect(valueLength({ base: 'eighth', dots: 0, tuplet: { actual: 3, normal: 2 } })).toEqual(rational(1, 12));
  });

  it('writes any length of sixteenths as one value or as tied ones', () => {
    expect(valueOfLength(rational(5, 8))).toBeNull();
    expect(valuesOfLength(rational(5, 8))?.map((value) => value.base)).toEqual(['half', 'eighth']);
    expect(valuesOfLength(rational(1, 3))).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), (sixteenths) => {
        const length = rational(sixteenths, 16);
        expect(equal(sum((valuesOfLength(length) ?? []).map(valueLength)), length)).toBe(true);
      }),
    );
  });

  it('has two vocabularies', () => {
    const value = { base: 'quarter', dots: 1, tuplet: null } as const;
    expect(valueWords(value, 'british')).toBe('dotted crotchet');
    expect(valueWords(value, 'american')).toBe('dotted quarter note');
  });

  it('counts compound metres in dotted beats', () => {
    expect(
      [
        { count: 6, unit: 8 },
        { count: 3, unit: 4 },
        { count: 9, unit: 8 },
        { count: 4, unit: 4 },
      ].map(isCompound),
    ).toEqual([true, false, true, false]);
    expect(beatsInBar({ count: 6, unit: 8 })).toBe(2);
    expect(beatsInBar({ count: 3, unit: 4 })).toBe(3);
  });
});
