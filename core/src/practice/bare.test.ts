import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { writeAbc } from '../formats/index.ts';
import { midiNumber, performedNotes, pitch, toNumber, type Tune } from '../music/index.ts';
import { anyTune, GOOSE_WALK, KITE, LONG_PICKUP, MILLPOND } from '../testing/index.ts';
import { bareVersions, onOneNote } from './index.ts';

function music(tune: Tune): string {
  return writeAbc(tune)
    .split('\n')
    .filter((line) => line !== '' && !/^[%A-Zw]+:|^%/i.test(line))
    .join(' ');
}

/** Place and pitch of every struck note, each part by itself. */
function struck(tune: Tune): ReadonlySet<string> {
  return new Set(
    tune.parts.flatMap((_, part) =>
      performedNotes(tune, part).map((note) => `${part} ${toNumber(note.onset)} ${midiNumber(note.pitch)}`),
    ),
  );
}

describe('bare versions', () => {
  it('grow from the first beats to the tune', () => {
    const versions = bareVersions(GOOSE_WALK, 4);
    expect(versions.map((version) => music(version.tune))).toEqual([
      'B8|B8|A8|E8| B8|B8|A8|G8|]',
      'B4 G4|B4 G4|A4 A4|E8| B4 G4|B4 G4|A4 A4|G8|]',
      'B2 A2 G4|B2 A2 G4|A2 B2 A4|E8| B2 A2 G4|B2 A2 G4|A2 E2 A4|G8|]',
      'B2 A2 G4|B2 A2 G4|A2 B2 A2 G2|E8| B2 A2 G4|B2 A2 G4|A2 E2 A2 E2|G8|]',
    ]);
    expect(versions.map((version) => version.of)).toEqual([22, 22, 22, 22]);
  });

  it('end with the tune itself, and each holds all notes of the one before', () => {
    fc.assert(
      fc.property(anyTune, fc.integer({ min: 3, max: 5 }), (tune, stages) => {
        const versions = bareVersions(tune, stages);
        expect(versions.at(-1)!.tune).toBe(tune);
        expect(versions.length).toBeLessThanOrEqual(stages);
        for (const [index, version] of versions.entries()) {
          const next = versions[index + 1];
          if (next === undefined) continue;
          expect(version.notes).toBeLessThan(next.notes);
          expect(isSubset(struck(version.tune), struck(next.tune))).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('come in the number asked for where a tune has as many levels, and say how many notes each has', () => {
    for (const tune of [GOOSE_WALK, MILLPOND, KITE, LONG_PICKUP]) {
      for (const stages of [3, 4, 5]) {
        const versions = bareVersions(tune, stages);
        // Eight bars in three have no fifth level with more than one note in it.
        const levels = tune === MILLPOND ? 4 : 5;
        expect(versions, `${tune.title} in ${stages}`).toHaveLength(Math.min(stages, levels));
        for (const version of versions)
          expect(struck(version.tune).size).toBe(struck(versions[0]!.tune).size + version.notes - versions[0]!.notes);
      }
    }
  });

  it('keep the first note of a tune without a pickup, and its last', () => {
    const [first] = bareVersions(KITE, 5);
    const notes = performedNotes(first!.tune);
    const whole = performedNotes(KITE);
    expect(notes[0]!.pitch).toEqual(whole[0]!.pitch);
    expect(notes.at(-1)!.pitch).toEqual(whole.at(-1)!.pitch);
  });

  it('have no silent bars, and a last step worth taking', () => {
    fc.assert(
      fc.property(anyTune, fc.integer({ min: 3, max: 5 }), (tune, stages) => {
        const versions = bareVersions(tune, stages);
        for (const version of versions) {
          for (const [part, { bars }] of version.tune.parts.entries()) {
            const silent = bars.map((events) => events.every((event) => event.kind === 'rest'));
            expect(silent).toEqual(tune.parts[part]!.bars.map((bar) => bar.every(({ kind }) => kind === 'rest')));
          }
        }
        const [before, last] = versions.slice(-2);
        if (before !== undefined && last !== undefined) expect(last.notes - before.notes).toBeGreaterThan(1);
      }),
      { numRuns: 150 },
    );
  });

  it('are 3 to 5', () => {
    expect(() => bareVersions(GOOSE_WALK, 2)).toThrow(RangeError);
    expect(() => bareVersions(GOOSE_WALK, 6)).toThrow(RangeError);
  });
});

function isSubset(small: ReadonlySet<string>, large: ReadonlySet<string>): boolean {
  return [...small].every((each) => large.has(each));
}

describe('a tune on one note', () => {
  it('keeps every length and every word', () => {
    fc.assert(
      fc.property(anyTune, (tune) => {
        const flat = onOneNote(tune, pitch('B4'));
        const [before, after] = [tune.parts[0].bars.flat(), flat.parts[0].bars.flat()];
        expect(after.map((event) => event.value)).toEqual(before.map((event) => event.value));
        expect(after.every((event) => event.kind === 'rest' || midiNumber(event.pitch) === 71)).toBe(true);
        expect(flat.bars).toEqual(tune.bars);
      }),
    );
    expect(music(onOneNote(GOOSE_WALK, pitch('B4')))).toContain('B2 B2 B4|B2 B2 B4|B2 B2 B2 B2|B8|');
  });
});
