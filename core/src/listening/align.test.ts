import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../practice/index.ts';
import { align } from './align.ts';
import { assess } from './assess.ts';
import type { HeardNote } from './runs.ts';
import type { ScoreNote } from './score.ts';
import type { Track } from './tracker.ts';

/** Crotchets, four to a bar. */
function written(pitches: readonly number[]): ScoreNote[] {
  return pitches.map((midi, index) => ({ onset: index, duration: 1, midi, isStart: index % 4 === 0 }));
}

/** Notes as they are heard at sixty crotchets a minute, clean and loud. */
function heard(pitches: readonly number[]): HeardNote[] {
  return pitches.map((midi, index) => ({
    onset: index,
    offset: index + 0.9,
    midi,
    cents: 0,
    level: -10,
    waver: 1,
    dip: null,
    sure: 1,
    isFaint: false,
    under: 0,
    softDips: [],
  }));
}
const track = (notes: readonly HeardNote[]): Track => ({
  notes,
  tuning: 0,
  seconds: notes.length,
  peak: 0.5,
  curve: [],
});
const costOf = (played: readonly number[], asked: readonly number[]): number =>
  align(heard(played), { notes: written(asked), tempo: 60 }, 0, null).cost;

const pitches = fc.array(fc.integer({ min: 79, max: 86 }), { minLength: 1, maxLength: 24 });

describe('the alignment', () => {
  it('costs nothing for what is played as written, whatever it is', () => {
    fc.assert(fc.property(pitches, (tune) => costOf(tune, tune) === 0));
  });

  it('costs no more than leaving out and putting in, one by one', () => {
    fc.assert(
      fc.property(pitches, pitches, (played, asked) => costOf(played, asked) <= played.length + asked.length + 1e-9),
    );
  });

  it('takes each heard note once, in order, and merges only what is repeated', () => {
    fc.assert(
      fc.property(pitches, pitches, (played, asked) => {
        const { matches } = align(heard(played), { notes: written(asked), tempo: 60 }, 0, null);
        return matches.every(({ heard: at, score, merged }, index) => {
          const isLater = index === 0 || at > matches[index - 1]!.heard;
          return isLater && new Set(asked.slice(score - merged, score + 1)).size === 1;
        });
      }),
    );
  });

  it('is as dear as one wrong, one missing or one extra note', () => {
    const tune = [79, 81, 83, 84, 86, 83, 81, 79];
    expect(costOf([79, 81, 82, 84, 86, 83, 81, 79], tune)).toBeCloseTo(1.01, 5);
    expect(costOf([79, 81, 84, 86, 83, 81, 79], tune)).toBe(1);
    expect(costOf([79, 81, 83, 90, 84, 86, 83, 81, 79], tune)).toBe(1);
  });

  it('follows over a page that is left out', () => {
    const random = seeded(1);
    const tune = Array.from({ length: 64 }, () => 76 + Math.floor(random() * 12));
    const played = [...tune.slice(0, 20), ...tune.slice(50)];
    const { verdicts, restarts, extras } = assess(track(heard(played)), { notes: written(tune), tempo: 60 });
    const missed = verdicts.flatMap(({ kind }, index) => (kind === 'missed' ? [index] : []));
    expect(missed).toEqual(Array.from({ length: 30 }, (_, index) => 20 + index));
    expect([restarts, extras]).toEqual([[], []]);
  });

  it('goes back where somebody starts a bar again, twice if need be', () => {
    const tune = [79, 81, 83, 84, 86, 84, 83, 81, 79, 83, 86, 79];
    const played = [...tune.slice(0, 7), ...tune.slice(4, 6), ...tune.slice(4)];
    const { verdicts, restarts, extras } = assess(track(heard(played)), { notes: written(tune), tempo: 60 });
    expect(verdicts.every(({ kind }) => kind === 'right')).toBe(true);
    expect(restarts.map(({ from }) => from)).toEqual([4, 4]);
    expect(extras.map(({ kind }) => kind)).toEqual(Array.from({ length: 5 }, () => 'restart'));
  });

  it('takes the note that came late for the second of two, and the first for missing', () => {
    const tune = [79, 81, 81, 83, 84, 86, 84, 83, 81, 79];
    const late = heard([79, 81, 83, 84, 86, 84, 83, 81, 79]).map((note, index) => ({
      ...note,
      ...(index === 0 ? {} : { onset: index + 1, offset: index + 1.9 }),
    }));
    const { verdicts } = assess(track(late), { notes: written(tune), tempo: 60 });
    expect(verdicts.map(({ kind }) => kind)).toEqual(['right', 'missed', ...Array.from({ length: 8 }, () => 'right')]);
  });
});
