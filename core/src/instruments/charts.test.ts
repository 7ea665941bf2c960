import { describe, expect, it } from 'vitest';
import { midiNumber, pitch, pitchName } from '../music/index.ts';
import {
  chartOf,
  fingerCount,
  findInstrument,
  fingeringsOf,
  formatHoles,
  instrument,
  INSTRUMENT_IDS,
  makersDiffer,
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
  Eb5: '#####/',
  E5: '#####.',
  F5: '####/.',
  'F#5': '####..',
  G5: '###...',
  Ab5: '##/...',
  A5: '##....',
  Bb5: '#/....',
  B5: '#.....',
  C6: '.##...',
  'C#6': '......',
  D6: '.#####',
};
/** Typed from the low six-finger note up, read off the charts of those keys. */
const WHISTLE_CHARTS: readonly (readonly [InstrumentId, string])[] = [
  [
    'tin-whistle-c',
    'C4 ###### Db4 #####/ D4 #####. Eb4 ####/. E4 ####.. F4 ###... Gb4 ##/... G4 ##.... Ab4 #/.... A4 #..... Bb4 .##... ' +
      'B4 ...... C5 .##### Db5 #####/ D5 #####. Eb5 ####/. E5 ####.. F5 ###... F#5 ##/... G5 ##.... G#5 #/.... A5 #..... Bb5 .##... B5 ...... C6 .#####',
  ],
  [
    'tin-whistle-b-flat',
    'Bb3 ###### B3 #####/ C4 #####. Db4 ####/. D4 ####.. Eb4 ###... E4 ##/... F4 ##.... Gb4 #/.... G4 #..... Ab4 .##... ' +
      'A4 ...... Bb4 .##### B4 #####/ C5 #####. C#5 ####/. D5 ####.. Eb5 ###... E5 ##/... F5 ##.... F#5 #/.... G5 #..... Ab5 .##... A5 ...... Bb5 .#####',
  ],
  [
    'tin-whistle-e-flat',
    'Eb4 ###### E4 #####/ F4 #####. Gb4 ####/. G4 ####.. Ab4 ###... A4 ##/... Bb4 ##.... B4 #/.... C5 #..... Db5 .##... ' +
      'D5 ...... Eb5 .##### E5 #####/ F5 #####. F#5 ####/. G5 ####.. Ab5 ###... A5 ##/... Bb5 ##.... B5 #/.... C6 #..... Db6 .##... D6 ...... Eb6 .#####',
  ],
  [
    'tin-whistle-f',
    'F4 ###### Gb4 #####/ G4 #####. Ab4 ####/. A4 ####.. Bb4 ###... B4 ##/... C5 ##.... Db5 #/.... D5 #..... Eb5 .##... ' +
      'E5 ...... F5 .##### Gb5 #####/ G5 #####. G#5 ####/. A5 ####.. Bb5 ###... B5 ##/... C6 ##.... C#6 #/.... D6 #..... Eb6 .##... E6 ...... F6 .#####',
  ],
  [
    'tin-whistle-g',
    'G4 ###### Ab4 #####/ A4 #####. Bb4 ####/. B4 ####.. C5 ###... Db5 ##/... D5 ##.... Eb5 #/.... E5 #..... F5 .##... ' +
      'F#5 ...... G5 .##### Ab5 #####/ A5 #####. A#5 ####/. B5 ####.. C6 ###... C#6 ##/... D6 ##.... D#6 #/.... E6 #..... F6 .##... F#6 ...... G6 .#####',
  ],
];

/** The alto in F, from its own chart. */
const ALTO_BAROQUE =
  'F4 ######## F#4 #######/ G4 #######. Ab4 ######/. A4 ######.. Bb4 #####.## B4 ####.##. C5 ####.... C#5 ###.##/. D5 ###..... ' +
  'Eb5 ##.##... E5 ##...... F5 #.#..... F#5 .##..... G5 ..#..... Ab5 ..#####. A5 /#####.. Bb5 /####.#. B5 /###.#.. C6 /###.... ' +
  'C#6 /##.#... D6 /##..... Eb6 /##.###. E6 /##.##.. F6 /#..##.. G6 /#.##.#/';
const ALTO_GERMAN = ALTO_BAROQUE.replace('Bb4 #####.##', 'Bb4 #####...')
  .replace('B4 ####.##.', 'B4 ####.###')
  .replace('Bb5 /####.#.', 'Bb5 /####...');

function chartFrom(text: string): Record<string, string> {
  const words = text.split(' ');
  return Object.fromEntries(words.flatMap((word, index) => (index % 2 === 0 ? [[word, words[index + 1]!]] : [])));
}

const SIGN = { closed: '#', half: '/', open: '.' } as const;

describe('the charts, hole by hole', () => {
  const charts: readonly (readonly [InstrumentId, Record<string, string>])[] = [
    ['soprano-recorder-baroque', BAROQUE_CHART],
    ['soprano-recorder-german', GERMAN_CHART],
    ['alto-recorder-baroque', chartFrom(ALTO_BAROQUE)],
    ['alto-recorder-german', chartFrom(ALTO_GERMAN)],
    ['tenor-recorder-baroque', BAROQUE_CHART],
    ['tenor-recorder-german', GERMAN_CHART],
    ['tin-whistle-d', WHISTLE_CHART],
    ...WHISTLE_CHARTS.map(([id, text]) => [id, chartFrom(text)] as const),
  ];

  it('are those of every instrument', () => {
    expect(charts.map(([id]) => id).toSorted()).toEqual(INSTRUMENT_IDS.toSorted());
  });

  for (const [id, chart] of charts) {
    it(id, () => {
      const read = Object.keys(chart).map((name) => {
        const holes = primaryFingering(instrument(id), pitch(name))?.holes ?? [];
        return [name, holes.map((state) => SIGN[state]).join('')];
      });
      expect(Object.fromEntries(read)).toEqual(chart);
      const sounds = chartOf(instrument(id)).map((row) => midiNumber(row.spellings[0]!));
      expect(sounds).toEqual(Object.keys(chart).map((name) => midiNumber(pitch(name))));
    });
  }

  it('gives both spellings of a black key, and alternates after the primary', () => {
    const recorder = instrument('soprano-recorder-baroque');
    expect(primaryFingering(recorder, pitch('A#4'))?.holes).toEqual(primaryFingering(recorder, pitch('Bb4'))?.holes);
    expect(primaryFingering(recorder, pitch('Cb5'))?.holes).toEqual(primaryFingering(recorder, pitch('B4'))?.holes);
    expect(fingeringsOf(recorder, pitch('B4')).map((fingering) => formatHoles('recorder', fingering.holes))).toEqual([
      '0 1',
      '0 23',
    ]);
    expect(fingeringsOf(recorder, pitch('C3'))).toEqual([]);
    expect(formatHoles('whistle', primaryFingering(instrument('tin-whistle-d'), pitch('F4'))!.holes)).toBe('xxx xho');
  });

  it('knows its instruments and their range', () => {
    expect(findInstrument('kazoo')).toBeNull();
    const range = (id: InstrumentId): string => rangeOf(instrument(id)).map(pitchName).join(' ');
    expect(range('tin-whistle-d')).toBe('D4 D6');
    expect(range('tin-whistle-b-flat')).toBe('Bb3 Bb5');
    expect(range('alto-recorder-german')).toBe('F4 G6');
  });

  it('knows how each of them sounds: soprano and whistle an octave above what is written, alto and tenor as written', () => {
    expect(INSTRUMENT_IDS.map((id) => instrument(id).soundsAbove)).toEqual([
      12, 12, 0, 0, 0, 0, 12, 12, 12, 12, 12, 12,
    ]);
  });

  it('has a register for every fingering, and says where makers differ and where the chart comes from', () => {
    const whistle = instrument('tin-whistle-g');
    expect(['F#5', 'A5', 'G6'].map((name) => primaryFingering(whistle, pitch(name))?.register)).toEqual([1, 2, 3]);
    expect(makersDiffer(instrument('soprano-recorder-german'), pitch('Gb5'))).toBe(true);
    expect(makersDiffer(instrument('alto-recorder-german'), pitch('B5'))).toBe(true);
    expect(makersDiffer(instrument('alto-recorder-baroque'), pitch('B5'))).toBe(false);
    for (const id of INSTRUMENT_IDS) expect(instrument(id).source).not.toBe('');
  });

  it('gives a row for each sound, with its spellings and alternates', () => {
    const rows = chartOf(instrument('tin-whistle-f'));
    const row = rows.find((row) => row.spellings.some((p) => pitchName(p) === 'D#5'))!;
    expect(row.spellings.map(pitchName)).toEqual(['Eb5', 'D#5']);
    expect(row.fingerings.map((fingering) => formatHoles('whistle', fingering.holes))).toEqual(['oxx ooo', 'hoo ooo']);
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
      '23456+',
      '5+',
    ]);
    expect(['F4', 'Eb4', 'G#4', 'Bb4', 'D#5', 'C6'].map((name) => fingerCount(whistle, pitch(name)))).toEqual([
      '12345½',
      '123456½',
      '123½',
      '12½',
      '123456½+',
      '23+',
    ]);
    expect(['C#4', 'Eb4', 'G#4'].map((name) => fingerCount(recorder, pitch(name)))).toEqual([
      '1234567½',
      '123456½',
      '12456½',
    ]);
    expect(chartOf(recorder).map(({ spellings }) => pitchName(spellings[0]!))).toEqual(
      expect.arrayContaining(['C#4', 'Eb4', 'F#4', 'G#4', 'Bb4']),
    );
  });
});
