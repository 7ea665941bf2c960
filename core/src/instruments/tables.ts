import { pitch, type Pitch } from '../music/index.ts';
import type { Instrument } from './fingering.ts';
import { RECORDER_HOLES, recorderFingerings, WHISTLE_HOLES, whistleFingerings, type Row } from './notation.ts';
import { isPlain, shiftFingerings, shiftPitch, type Interval } from './shift.ts';

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
  ['D#5 Eb5', 'xxx xxh', 'half hole, more breath'],
  ['E5', 'xxx xxo', 'more breath'],
  ['F5', 'xxx xho', 'half hole, more breath'],
  ['F#5 Gb5', 'xxx xoo', 'more breath'],
  ['G5', 'xxx ooo', 'more breath'],
  ['G#5 Ab5', 'xxh ooo', 'half hole, more breath'],
  ['A5', 'xxo ooo', 'more breath'],
  ['A#5 Bb5', 'xho ooo', 'half hole, more breath'],
  ['B5', 'xoo ooo', 'more breath'],
  ['C6', 'oxx ooo', 'cross fingering, more breath'],
  ['C#6 Db6', 'ooo ooo', 'more breath'],
  ['D6', 'oxx xxx', 'more breath still'],
];
/** Some whistles want another shape, or do not have the note. */
const WHISTLE_MAKERS_DIFFER = [pitch('Eb5'), pitch('C6')];

const SOPRANO_SOURCE = 'Common makers’ charts for double holes 6 and 7; single holes are half covered for C♯4 and D♯4.';
const ALTO_SOURCE = 'The shapes of the soprano, a fifth lower in name: what gives C on the soprano gives F here.';
const WHISTLE_SOURCE = 'Common charts for six holes; the key note is all six closed.';

interface Bore {
  readonly fingering: 'baroque' | 'german';
  readonly rows: readonly Row[];
  readonly makersDiffer: readonly Pitch[];
}

const BAROQUE_BORE: Bore = { fingering: 'baroque', rows: BAROQUE, makersDiffer: [] };
const GERMAN_BORE: Bore = { fingering: 'german', rows: GERMAN, makersDiffer: [pitch('F#5'), pitch('Gb5')] };

/** C4 of the soprano's chart is F4 of the alto's: three steps, five semitones. */
const TO_ALTO: Interval = { steps: 3, semitones: 5 };

interface Size {
  readonly name: 'soprano' | 'alto' | 'tenor';
  readonly soundsAbove: number;
  readonly interval: Interval | null;
  readonly source: string;
}

const SOPRANO: Size = { name: 'soprano', soundsAbove: 12, interval: null, source: SOPRANO_SOURCE };
const ALTO: Size = { name: 'alto', soundsAbove: 0, interval: TO_ALTO, source: ALTO_SOURCE };
const TENOR: Size = { name: 'tenor', soundsAbove: 0, interval: null, source: SOPRANO_SOURCE };

/** Twelve instruments are known by name long before the fingerings of one are asked for. */
function once<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | undefined;
  return () => (made ??= { value: make() }).value;
}

function recorder<Id extends string>(id: Id, size: Size, bore: Bore): Instrument & { readonly id: Id } {
  const { interval } = size;
  const table = once(() => {
    const fingerings = recorderFingerings(bore.rows);
    return interval === null ? fingerings : shiftFingerings(fingerings, interval);
  });
  const title = size.name.charAt(0).toUpperCase() + size.name.slice(1);
  return {
    id,
    name: `${title} recorder, ${bore.fingering} fingering`,
    shortName: `${size.name} recorder, ${bore.fingering}`,
    family: 'recorder',
    soundsAbove: size.soundsAbove,
    holes: RECORDER_HOLES,
    get fingerings() {
      return table();
    },
    makersDiffer:
      interval === null
        ? bore.makersDiffer
        : bore.makersDiffer.map((pitch) => shiftPitch(pitch, interval)).filter(isPlain),
    source: size.source,
  };
}

/** The whistle in D moved to another key note. Written and sounding are an octave apart in every key. */
function whistle<Id extends string>(id: Id, keyNote: string, interval: Interval): Instrument & { readonly id: Id } {
  const table = once(() => shiftFingerings(whistleFingerings(WHISTLE_IN_D), interval));
  return {
    id,
    name: `Tin whistle in ${keyNote}`,
    shortName: `tin whistle in ${keyNote}`,
    family: 'whistle',
    soundsAbove: 12,
    holes: WHISTLE_HOLES,
    get fingerings() {
      return table();
    },
    makersDiffer: WHISTLE_MAKERS_DIFFER.map((pitch) => shiftPitch(pitch, interval)),
    source: WHISTLE_SOURCE,
  };
}

export const INSTRUMENTS = [
  recorder('soprano-recorder-baroque', SOPRANO, BAROQUE_BORE),
  recorder('soprano-recorder-german', SOPRANO, GERMAN_BORE),
  recorder('alto-recorder-baroque', ALTO, BAROQUE_BORE),
  recorder('alto-recorder-german', ALTO, GERMAN_BORE),
  recorder('tenor-recorder-baroque', TENOR, BAROQUE_BORE),
  recorder('tenor-recorder-german', TENOR, GERMAN_BORE),
  whistle('tin-whistle-d', 'D', { steps: 0, semitones: 0 }),
  whistle('tin-whistle-c', 'C', { steps: -1, semitones: -2 }),
  whistle('tin-whistle-b-flat', 'B flat', { steps: -2, semitones: -4 }),
  whistle('tin-whistle-e-flat', 'E flat', { steps: 1, semitones: 1 }),
  whistle('tin-whistle-f', 'F', { steps: 2, semitones: 3 }),
  whistle('tin-whistle-g', 'G', { steps: 3, semitones: 5 }),
] as const;
