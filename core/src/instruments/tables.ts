import { pitch } from '../music/index.ts';
import type { Instrument } from './fingering.ts';
import { RECORDER_HOLES, recorderFingerings, WHISTLE_HOLES, whistleFingerings, type Row } from './notation.ts';

/** Written pitches of the soprano. Closed holes are named; ø is a pinched thumb, a prime half a double hole. */
const BAROQUE: readonly Row[] = [
  ['C4', '0 123 4567'],
  ['C#4 Db4', "0 123 456 7'"],
  ['D4', '0 123 456'],
  ['D#4 Eb4', "0 123 45 6'"],
  ['E4', '0 123 45'],
  ['F4', '0 123 4 67', 'forked: 5 stays up'],
  ['F#4 Gb4', '0 123 56', 'forked: 4 stays up'],
  ['G4', '0 123'],
  ['G#4 Ab4', "0 12 45 6'"],
  ['A4', '0 12'],
  ['A#4 Bb4', '0 1 34', 'forked: 2 stays up'],
  ['B4', '0 1'],
  ['B4', '0 23', 'advanced'],
  ['C5', '0 2'],
  ['C#5 Db5', '12', 'thumb off'],
  ['D5', '2', 'thumb off'],
  ['D#5 Eb5', '23 456', 'thumb off'],
  ['E5', 'ø 123 45', 'pinched thumb'],
  ['F5', 'ø 123 4 6', 'pinched thumb'],
  ['F#5 Gb5', 'ø 123 5', 'pinched thumb'],
  ['G5', 'ø 123', 'pinched thumb'],
  ['G#5 Ab5', 'ø 12 4', 'pinched thumb'],
  ['A5', 'ø 12', 'pinched thumb'],
  ['A#5 Bb5', 'ø 12 456', 'pinched thumb'],
  ['B5', 'ø 12 45', 'pinched thumb'],
  ['C6', 'ø 1 45', 'pinched thumb'],
  ['D6', "ø 1 34 6 7'", 'pinched thumb'],
];

/** Where the german bore differs. */
const GERMAN_INSTEAD: ReadonlyMap<string, Row> = new Map<string, Row>([
  ['F4', ['F4', '0 123 4']],
  ['F#4 Gb4', ['F#4 Gb4', '0 123 567', 'forked: 4 stays up']],
  ['F5', ['F5', 'ø 123 4', 'pinched thumb']],
  ['F#5 Gb5', ['F#5 Gb5', 'ø 123 5', 'pinched thumb; makers differ: check the chart that came with it']],
]);

const GERMAN: readonly Row[] = BAROQUE.map((row) => GERMAN_INSTEAD.get(row[0]) ?? row);

/** Six holes from the top: x closed, h half, o open. */
const WHISTLE_IN_D: readonly Row[] = [
  ['D4', 'xxx xxx'],
  ['D#4 Eb4', 'xxx xxh', 'half hole'],
  ['E4', 'xxx xxo'],
  ['F4', 'xxx xho', 'half hole'],
  ['F#4 Gb4', 'xxx xoo'],
  ['G4', 'xxx ooo'],
  ['G#4 Ab4', 'xxh ooo', 'half hole'],
  ['A4', 'xxo ooo'],
  ['A#4 Bb4', 'xho ooo', 'half hole'],
  ['B4', 'xoo ooo'],
  ['C5', 'oxx ooo', 'cross fingering'],
  ['C5', 'hoo ooo', 'half hole'],
  ['C#5 Db5', 'ooo ooo'],
  ['D5', 'oxx xxx', 'more breath'],
  ['D5', 'xxx xxx', 'more breath'],
  ['E5', 'xxx xxo', 'more breath'],
  ['F5', 'xxx xho', 'half hole, more breath'],
  ['F#5 Gb5', 'xxx xoo', 'more breath'],
  ['G5', 'xxx ooo', 'more breath'],
  ['G#5 Ab5', 'xxh ooo', 'half hole, more breath'],
  ['A5', 'xxo ooo', 'more breath'],
  ['A#5 Bb5', 'xho ooo', 'half hole, more breath'],
  ['B5', 'xoo ooo', 'more breath'],
  ['C#6 Db6', 'ooo ooo', 'more breath'],
  ['D6', 'oxx xxx', 'more breath still'],
];

export const INSTRUMENTS = [
  {
    id: 'soprano-recorder-baroque',
    name: 'Soprano recorder, baroque fingering',
    shortName: 'soprano recorder, baroque',
    family: 'recorder',
    soundsAbove: 12,
    holes: RECORDER_HOLES,
    fingerings: recorderFingerings(BAROQUE),
    makersDiffer: [],
  },
  {
    id: 'soprano-recorder-german',
    name: 'Soprano recorder, german fingering',
    shortName: 'soprano recorder, german',
    family: 'recorder',
    soundsAbove: 12,
    holes: RECORDER_HOLES,
    fingerings: recorderFingerings(GERMAN),
    makersDiffer: [pitch('F#5'), pitch('Gb5')],
  },
  {
    id: 'tin-whistle-d',
    name: 'Tin whistle in D',
    shortName: 'tin whistle in D',
    family: 'whistle',
    soundsAbove: 12,
    holes: WHISTLE_HOLES,
    fingerings: whistleFingerings(WHISTLE_IN_D),
    makersDiffer: [],
  },
] as const satisfies readonly Instrument[];
