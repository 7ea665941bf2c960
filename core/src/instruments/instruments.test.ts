import { describe, expect, it } from 'vitest';
import { pitch } from '../music/index.ts';
import {
  costInTime,
  describeMove,
  fingerCount,
  findInstrument,
  fingeringsOf,
  formatHoles,
  instrument,
  moveBetween,
  primaryFingering,
  rangeOf,
  type InstrumentId,
} from './index.ts';

/**
 * A second copy of the charts, typed on its own and in another notation: for the recorder eight signs for thumb and
 * fingers 1 to 7 (# closed, . open, / half), for the whistle the number of its closed holes read from the top.
 */
const BAROQUE_CHART: Record<string, string> = {
  C4: '########',
  'C#4': '#######/',
  D4: '#######.',
  Eb4: '######/.',
  E4: '######..',
  F4: '#####.##',
  'F#4': '####.##.',
  G4: '####....',
  Ab4: '###.##/.',
  A4: '###.....',
  Bb4: '##.##...',
  B4: '##......',
  C5: '#.#.....',
  'C#5': '.##.....',
  D5: '..#.....',
  Eb5: '..#####.',
  E5: '/#####..',
  F5: '/####.#.',
  'F#5': '/###.#..',
  G5: '/###....',
  Ab5: '/##.#...',
  A5: '/##.....',
  Bb5: '/##.###.',
  B5: '/##.##..',
  C6: '/#..##..',
  D6: '/#.##.#/',
};
const GERMAN_CHART = { ...BAROQUE_CHART, F4: '#####...', 'F#4': '####.###', F5: '/####...', 'F#5': '/###.#..' };
const WHISTLE_CHART: Record<string, string> = {
  D4: '######',
  Eb4: '#####/',
  E4: '#####.',
  F4: '####/.',
  'F#4': '####..',
  G4: '###...',
  Ab4: '##/...',
  A4: '##....',
  Bb4: '#/....',
  B4: '#.....',
  C5: '.##...',
  'C#5': '......',
  D5: '.#####',
  E5: '#####.',
  F5: '####/.',
  'F#5': '####..',
  G5: '###...',
  Ab5: '##/...',
  A5: '##....',
  Bb5: '#/....',
  B5: '#.....',
  'C#6': '......',
  D6: '.#####',
};
const SIGN = { closed: '#', half: '/', open: '.' } as const;

describe('the charts, hole by hole', () => {
  const charts: readonly (readonly [InstrumentId, Record<string, string>])[] = [
    ['soprano-recorder-baroque', BAROQUE_CHART],
    ['soprano-recorder-german', GERMAN_CHART],
    ['tin-whistle-d', WHISTLE_CHART],
  ];
  for (const [id, chart] of charts) {
    it(id, () => {
      const read = Object.keys(chart).map((name) => {
        const holes = primaryFingering(instrument(id), pitch(name))?.holes ?? [];
        return [name, holes.map((state) => SIGN[state]).join('')];
      });
      expect(Object.fromEntries(read)).toEqual(chart);
      const sounds = new Set(
        instrument(id).fingerings.map((fingering) => fingering.pitch.letter + fingering.pitch.octave),
      );
      expect(sounds.size).toBeGreaterThan(12);
    });
  }

  it('gives both spellings of a black key, and alternates after the primary', () => {
    const recorder = instrument('soprano-recorder-baroque');
    expect(primaryFingering(recorder, pitch('A#4'))?.holes).toEqual(primaryFingering(recorder, pitch('Bb4'))?.holes);
    expect(primaryFingering(recorder, pitch('Cb5'))?.holes).toEqual(primaryFingering(recorder, pitch('B4'))?.holes);
    expect(fingeringsOf(recorder, pitch('B4')).map((each) => formatHoles('recorder', each.holes))).toEqual([
      '0 1',
      '0 23',
    ]);
    expect(fingeringsOf(recorder, pitch('C3'))).toEqual([]);
    expect(formatHoles('whistle', primaryFingering(instrument('tin-whistle-d'), pitch('F4'))!.holes)).toBe('xxx xho');
  });

  it('knows its instruments and their range', () => {
    expect(findInstrument('kazoo')).toBeNull();
    expect(rangeOf(instrument('tin-whistle-d')).map((p) => p.letter + p.octave)).toEqual(['D4', 'D6']);
  });
});

describe('finger counts', () => {
  it('counts where the count tells the note, and shows holes elsewhere', () => {
    const recorder = instrument('soprano-recorder-baroque');
    const names = ['B4', 'A4', 'G4', 'E4', 'D4', 'C4', 'C5', 'D5', 'Bb4', 'F4', 'E5'];
    expect(names.map((name) => fingerCount(recorder, pitch(name)))).toEqual([
      '1',
      '2',
      '3',
      '5',
      '6',
      '7',
      '0 2',
      '–2',
      '134',
      '123467',
      'ø12345',
    ]);
    const whistle = instrument('tin-whistle-d');
    expect(['D4', 'G4', 'C#5', 'C5', 'D5', 'E5'].map((name) => fingerCount(whistle, pitch(name)))).toEqual([
      '6',
      '3',
      '0',
      '23',
      '6+',
      '5+',
    ]);
  });
});

describe('moves', () => {
  const recorder = instrument('soprano-recorder-baroque');
  const move = (from: string, to: string, on = recorder) => moveBetween(on, pitch(from), pitch(to))!;
  const cost = (from: string, to: string): number => move(from, to).cost;

  it('names the kind', () => {
    expect(move('A4', 'A4').kind).toBe('none');
    expect(move('B4', 'A4').kind).toBe('single');
    expect(move('A4', 'E4').kind).toBe('team');
    expect(move('C5', 'B4').kind).toBe('swap');
    expect(moveBetween(recorder, pitch('C3'), pitch('D4'))).toBeNull();
  });

  it('says it in words', () => {
    expect(describeMove(move('A4', 'E4'))).toBe('three fingers land together, in both hands');
    expect(describeMove(move('C5', 'D5'))).toBe('only the thumb lifts');
    expect(describeMove(move('F4', 'E4'))).toBe('one finger lands while two fingers lift');
    expect(describeMove(move('G4', 'G4'))).toContain('tongue');
    expect(describeMove(move('E4', 'E5', instrument('tin-whistle-d')))).toContain('breath');
  });

  const notes = ['C4', 'D4', 'E4', 'F4', 'F#4', 'G4', 'A4', 'Bb4', 'B4', 'C5', 'D5'];
  const all = notes.flatMap((from) => notes.filter((to) => to !== from).map((to) => move(from, to)));

  it('finds one finger easier than a team, a team in one hand easier than one across both', () => {
    const costs = (pick: (each: (typeof all)[number]) => boolean): number[] =>
      all.filter(pick).map((each) => each.cost);
    const singles = costs((each) => each.kind === 'single');
    const oneHand = costs((each) => each.kind === 'team' && !each.bothHands && !each.thumb);
    const bothHands = costs((each) => each.kind === 'team' && each.bothHands);
    expect(Math.max(...singles)).toBeLessThan(Math.min(...oneHand));
    expect(Math.max(...oneHand)).toBeLessThan(Math.min(...bothHands));
  });

  it('finds B-A, A-G and back the easiest moves there are', () => {
    const easiest = all.toSorted((a, b) => a.cost - b.cost).slice(0, 4);
    const names = easiest.map((each) => `${each.from.pitch.letter}${each.to.pitch.letter}`).toSorted();
    expect(names).toEqual(['AB', 'AG', 'BA', 'GA']);
  });

  it('respects what practitioners find harder', () => {
    const harder: readonly (readonly [[string, string], [string, string]])[] = [
      [
        ['C5', 'B4'],
        ['C5', 'A4'],
      ],
      [
        ['G4', 'E4'],
        ['A4', 'G4'],
      ],
      [
        ['E4', 'A4'],
        ['E4', 'G4'],
      ],
      [
        ['A4', 'D4'],
        ['E4', 'D4'],
      ],
      [
        ['B4', 'D5'],
        ['C5', 'D5'],
      ],
      [
        ['G4', 'D5'],
        ['C5', 'D5'],
      ],
      [
        ['F4', 'E4'],
        ['G4', 'E4'],
      ],
      [
        ['A4', 'Bb4'],
        ['A4', 'B4'],
      ],
    ];
    for (const [hard, easy] of harder) expect(cost(...hard), hard.join('-')).toBeGreaterThan(cost(...easy));
  });

  it('finds landing several fingers harder than lifting them', () => {
    for (const each of all.filter((candidate) => candidate.kind === 'team' && candidate.lifts === 0)) {
      const back = move(
        each.to.pitch.letter + signOf(each.to.pitch.alter) + each.to.pitch.octave,
        each.from.pitch.letter + signOf(each.from.pitch.alter) + each.from.pitch.octave,
      );
      expect(each.cost).toBeGreaterThan(back.cost);
    }
  });

  it('gets harder as the time shrinks', () => {
    const [crotchetAt60, quaverAt120] = [1, 0.25];
    expect(costInTime(2, quaverAt120)).toBeGreaterThan(costInTime(2, crotchetAt60));
    expect(costInTime(2, crotchetAt60)).toBe(2);
  });

  it('holds on the german recorder and the whistle where it makes sense', () => {
    const german = instrument('soprano-recorder-german');
    const whistle = instrument('tin-whistle-d');
    expect(move('G4', 'F4', german).kind).toBe('single');
    expect(move('G4', 'F4', german).cost).toBeLessThan(move('G4', 'F4').cost);
    expect(move('A4', 'D4', whistle).cost).toBeGreaterThan(move('E4', 'D4', whistle).cost);
    expect(move('C#5', 'D5', whistle).crossesBreak).toBe(true);
    expect(move('C#5', 'D5', whistle).cost).toBeGreaterThan(move('C#5', 'B4', whistle).cost);
  });
});

function signOf(alter: number): string {
  return alter === 1 ? '#' : alter === -1 ? 'b' : '';
}
