import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { instrument, type InstrumentId } from '../instruments/index.ts';
import { countTune, type Counting, type Tune } from '../music/index.ts';
import { rhythmElements } from './elements.ts';
import { proposeBreaths } from './breaths.ts';
import { readForm } from './form.ts';
import { NOTHING_KNOWN } from './knowledge.ts';
import { readTune } from './read-tune.ts';

/** Music in, words out: what a teacher would say of it. */
function tune(body: string, head = 'M:4/4\nL:1/4\nQ:1/4=84\nK:G'): Tune {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error.map((notice) => notice.message).join(' '));
  return read.value.tune;
}

const counted = (music: Tune, school: Counting = 'numbers'): string =>
  countTune(music, school)
    .map((bar) => bar.filter((word) => word !== '').join(' '))
    .join(' | ');

describe('counting', () => {
  it('shifts only an upbeat to the end of its bar; a short last bar begins on one', () => {
    expect(counted(tune('D|G A B|G3|A B c|d2|]', 'M:3/4\nL:1/4\nK:G'))).toBe('3 | 1 2 3 | 1-2-3 | 1 2 3 | 1-2');
    const jig = tune('D|G2 A B2 c|d3 c2 B|G3 G2|]', 'M:6/8\nL:1/8\nK:G');
    expect(counted(jig)).toBe('6 | 1-2 3 4-5 6 | 1-2-3 4-5 6 | 1-2-3 4-5');
  });

  it('shifts the upbeat after a repeat in the middle of a tune, too', () => {
    expect(counted(tune('D|G A B c|d2 B:|A|B c d B|G3|]'))).toBe('4 | 1 2 3 4 | 1-2 3 | 4 | 1 2 3 4 | 1-2-3');
  });

  it('joins what is tied, and holds over a bar line in brackets', () => {
    expect(counted(tune('A2-A/A/ A|]'))).toBe('1-2-3 & 4');
    expect(counted(tune('A4-|A2 A2|]'))).toBe('1-2-3-4 | (1-2) 3-4');
    expect(counted(tune('A2-A/A/ A|A4-|A2 A2|]'), 'beat-function')).toBe('du de du | du | (du) du');
    expect(counted(tune('A-A A2|A4-|A2 A2|]'), 'ta')).toBe('ta-a ta-a | ta-a-a-a | (ta-a) ta-a');
    expect(counted(tune('A-A/A/ A2|A4-|A2 A2|]'), 'beat-position')).toBe('ta di ta | ta | (ta) ta');
  });

  it.each([
    ['numbers', '1 trip let 3-4'],
    ['ta', 'tri o la ta-a'],
    ['beat-function', 'du da di du'],
    ['beat-position', 'ta ki da ta'],
  ] as const)('counts a triplet of crotchets as one figure: %s', (school, words) => {
    expect(counted(tune('(3ABA B2|]'), school)).toBe(words);
  });

  it.each([
    ['numbers', '1-2 &-3 4-5-6'],
    ['ta', 'ta ta tam'],
    ['beat-function', 'du de du'],
    ['beat-position', 'ta di ta'],
  ] as const)('counts two in the time of three: %s', (school, words) => {
    expect(counted(tune('(2AB c3|]', 'M:6/8\nL:1/8\nK:G'), school)).toBe(words);
  });

  it('takes the syllables of lengths by value in every metre, those of the beat by beat', () => {
    const half = tune('A2 B2|A B c d|A/B/ c2 d|]', 'M:2/2\nL:1/4\nK:G');
    expect(counted(half, 'ta')).toBe('ta-a ta-a | ta ta ta ta | ti ti ta-a ta');
    expect(counted(half, 'beat-function')).toBe('du du | du de du de | du ta de de');
    const small = tune('A B c|A2 B|A3|]', 'M:3/8\nL:1/8\nK:G');
    expect(counted(small, 'ta')).toBe('ti ti ti | ta ti | tam');
    expect(counted(small)).toBe('1 2 3 | 1-2 3 | 1-2-3');
  });

  it('knows dotted values: double dots, and a dotted quaver in compound time', () => {
    expect(counted(tune('A7/4 B/4 c2|]'), 'ta')).toBe('tam ka ta-a');
    expect(counted(tune('A7/4 B/4 c2|]'))).toBe('1-2 a 3-4');
    const sicilian = tune('A3/2 B/2 c A3|]', 'M:6/8\nL:1/8\nK:G');
    expect(counted(sicilian, 'ta')).toBe('tim ka ti tam');
    expect(counted(sicilian)).toBe('1-2 & 3 4-5-6');
  });
});

describe('hard spots', () => {
  const recorder = instrument('soprano-recorder-baroque');
  const named = (music: Tune): readonly string[] =>
    readTune(music, recorder, NOTHING_KNOWN).hardSpots.map(
      ({ drill, bars }) => `${drill.toggle.join('–')} in bar ${bars[0]}`,
    );

  it('name each pair of notes once, where it costs most, and different ones beside each other', () => {
    const music = tune(
      'G A B G|A G A2|G A B G|A2 G2|G A B G|A G A2|B A G A|G4|\nB/c/B/c/ B2|G A G2|B/c/B/c/ B2|A D G2|B/c/B/c/ B2|G A G2|A D A D|G4|]',
    );
    expect(named(music)).toEqual(['B4–C5 in bar 9', 'A4–D4 in bar 15']);
  });

  it('see the second part of a duet, too', () => {
    const duet = readAbc('X:1\nT:Two\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\nV:1\nB4|B4|]\nV:2\nG A G A|A D A D|]\n');
    if (!duet.ok) throw new Error('unread');
    expect(named(duet.value.tune)).toEqual(['A4–D4 in bar 2']);
  });
});

describe('notes that are easily mixed up', () => {
  const mixed = (music: Tune) =>
    readTune(music, instrument('soprano-recorder-baroque'), NOTHING_KNOWN)
      .mixUps.filter(({ kind }) => kind === 'letter')
      .map(({ pair, bars }) => `${pair.join(' and ')} in ${bars.join(', ')}`);

  it('are one letter in two ways, with their bars', () => {
    expect(mixed(tune('G A =F G|D E F G|A B c A|G4|]'))).toEqual(['F4 and F#4 in 1, 2']);
    expect(mixed(tune('F G A B|c d _B A|F4|]', 'M:4/4\nL:1/4\nK:C'))).toEqual(['Bb4 and B4 in 1, 2']);
    expect(mixed(tune('G A B c|d e f g|G4|]'))).toEqual([]);
  });
});

describe('keys', () => {
  const first = (music: Tune, on: InstrumentId, ...notes: string[]) =>
    readTune(music, instrument(on), { ...NOTHING_KNOWN, notes: new Set(notes) }).keys[0]!;

  it('leave a jig of the whistle as it is, for a class that has three notes of the recorder', () => {
    const jig = tune(
      'D|F2 A A2 B|A2 F E2 D|F2 A A2 F|E3 E2 D|F2 A A2 B|A2 F D2 E|F2 D E2 E|D3 D2|]',
      'M:6/8\nL:1/8\nK:D',
    );
    expect(first(jig, 'tin-whistle-d', 'B4', 'A4', 'G4')).toMatchObject({ shift: 0, key: 'D major' });
  });

  it('prefer a high D to a low C, for which every hole has to seal', () => {
    const song = tune('C D E G|E G E2|G E D C|C4|]', 'M:4/4\nL:1/4\nK:C');
    const known = { ...NOTHING_KNOWN, notes: new Set(['D4', 'E4', 'G4', 'A4', 'B4']) };
    const { keys } = readTune(song, instrument('soprano-recorder-baroque'), known);
    const [inG, inC] = ['G major', 'C major'].map((key) => keys.findIndex((each) => each.key === key));
    expect([keys[inG!]!.newNotes, keys[inC!]!.newNotes]).toEqual([['D5'], ['C4']]);
    expect(inG).toBeLessThan(inC!);
  });
});

describe('form', () => {
  it('compares bars with their upbeats: eight bars with a pickup are eight', () => {
    const music = tune('D|G A B D|G A B D|c B A D|G3 D|G A B D|G A B D|c B A D|G3|]');
    expect(readForm(music)).toMatchObject({ allBars: 8, distinctBars: 3, learnBars: [1, 3, 4] });
  });
});

describe('rhythm elements', () => {
  it.each([
    ['D|G2 A B2 c|d3 c2 B|G3 G2|]', 'M:6/8\nL:1/8\nK:G'],
    ['D|G A B c|d2 d:|', 'M:2/4\nL:1/8\nK:G'],
    ['D/|G A B c|d3 c|B A G3/2|]', 'M:4/4\nL:1/4\nK:G'],
  ])('call no quaver pickup a syncopation: %s', (body, head) => {
    expect(rhythmElements(tune(body, head)).map((element) => element.id)).not.toContain('syncopation');
  });
});

/** Tunes with a pickup as everybody sings them, and where everybody breathes: bar and beats of it that are over. */
const SUNG = [
  {
    name: 'a hymn in three',
    music: tune(
      'D|G2 B/G/|B2 A|G2 E|D2 D|G2 B/G/|B2 A|d3-|d2 B|d2 B/d/|B2 G|D2 E|G2 E/D/|D2 D|G2 B/G/|B2 A|G2|]',
      'M:3/4\nL:1/4\nQ:1/4=90\nK:G',
    ),
    breaths: [
      [4, 2],
      [8, 2],
      [12, 2],
    ],
  },
  {
    name: 'a parting song',
    music: tune('D|G>G G B|A>G A B|G>G B d|e3 e|d>B B G|A>G A B|G>E E D|G3|]', 'M:4/4\nL:1/4\nQ:1/4=84\nK:G'),
    breaths: [[4, 3]],
  },
  {
    name: 'a carol for the door',
    music: tune(
      'D|G G/A/ G/F/|E E E|A A/B/ A/G/|F D D|B B/c/ B/A/|G E D/D/|E A F|G2|]',
      'M:3/4\nL:1/4\nQ:1/4=120\nK:G',
    ),
    breaths: [[4, 2]],
  },
  {
    name: 'a song of green sleeves',
    music: tune(
      'A|c2 d e>f e|d2 B G>A B|c2 A A>^G A|B2 ^G E2 A|c2 d e>f e|d2 B G>A B|c>B A ^G>^F ^G|A3 A2|]',
      'M:6/8\nL:1/8\nQ:3/8=52\nK:Am',
    ),
    breaths: [[4, 5 / 3]],
  },
  {
    name: 'a sailor’s song over the ocean',
    music: tune(
      'D|B A G|A G E|D B,2-|B,2 D|B A G|G F G|A3-|A2 D|B A G|A G E|D B,2-|B,2 D|E A G|F E F|G3-|G2|]',
      'M:3/4\nL:1/4\nQ:1/4=132\nK:G',
    ),
    breaths: [
      [4, 2],
      [8, 2],
      [12, 2],
    ],
  },
  {
    name: 'a round dance of the farm',
    music: tune(
      'D|G2 G G2 G|G3-G2 A|B2 B B2 B|B3-B2 B|d2 d e2 d|B2 G A2 B|d2 B A2 A|G3-G2|]',
      'M:6/8\nL:1/8\nQ:3/8=80\nK:G',
    ),
    breaths: [[4, 5 / 3]],
  },
] as const;

describe('breaths of tunes with a pickup', () => {
  it.each(SUNG)('stand before the upbeat, never between it and its bar: $name', ({ music, breaths }) => {
    const proposed = proposeBreaths(music, music.tempo!).map((breath) => [breath.afterBar, breath.afterBeat] as const);
    const rounded = (beat: number): number => Math.round(beat * 100) / 100;
    for (const [bar, beat] of breaths) expect(proposed).toContainEqual([bar, rounded(beat)]);
    const { count, unit } = music.bars[0]!.metre;
    const full = unit === 8 && count === 6 ? 2 : count;
    for (const [, beat] of proposed) expect(beat).not.toBe(full);
  });

  it('take the mark of a sheet after its note', () => {
    const marked = tune('A B !breath!c d|e d c B|A4|]');
    expect(marked.parts[0].bars[0]!.map((event) => event.breath)).toEqual([false, false, true, false]);
  });
});

describe('the tempo of compound time', () => {
  it('counts the beat that is felt, however the file counts', () => {
    const tempoOf = (head: string): unknown => tune('GAB c3|', head).tempo;
    expect(tempoOf('M:6/8\nL:1/8\nQ:1/4=96\nK:C')).toEqual({ beat: { num: 3, den: 8 }, perMinute: 64 });
    expect(tempoOf('M:6/8\nL:1/8\nQ:1/8=180\nK:C')).toEqual({ beat: { num: 3, den: 8 }, perMinute: 60 });
    expect(tempoOf('M:3/4\nL:1/8\nQ:1/4=96\nK:C')).toEqual({ beat: { num: 1, den: 4 }, perMinute: 96 });
  });
});

describe('a hard spot across a bar line', () => {
  it('is drilled across it', () => {
    const { hardSpots } = readTune(
      tune('G2 c2|_B2 A2|G4|', 'M:4/4\nL:1/4\nQ:1/4=100\nK:F'),
      instrument('soprano-recorder-baroque'),
      NOTHING_KNOWN,
    );
    expect(hardSpots[0]).toMatchObject({
      bars: [1, 2],
      hardest: { from: 'C5', to: 'Bb4' },
      drill: { window: [1, 2], toggle: ['C5', 'Bb4'] },
    });
  });
});
