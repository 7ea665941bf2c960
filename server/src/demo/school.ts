import { USUAL_HEARING, type TeachingStyle } from '@escalier/contract/classes';
import type { Meeting } from '@escalier/core/calendar';
import { USUAL_LADDER, USUAL_TEACHING } from '@escalier/core/practice';
import type { InstrumentId } from '@escalier/core/instruments';
import type { PupilState } from '@escalier/core/records';
import type { BeltId } from '@escalier/core/staircase';

/** An invented school with made-up people: week five of a term. */
export const DEMO_SCHOOL = { name: 'Osier Bridge School', timeZone: 'Europe/London' } as const;

export const DEMO_TEACHER = {
  name: 'Mara Tillen',
  email: 'mara@osierbridge.example',
  password: 'one-step-more',
} as const;

export const DEMO_HELPERS = [
  { name: 'Ivo Brandsen', email: 'ivo@osierbridge.example', role: 'teacher', classes: ['4 Otter'] },
  { name: 'Sunniva Hale', email: 'sunniva@osierbridge.example', role: 'assistant', classes: ['4 Plover', '4 Otter'] },
] as const;

export interface DemoStep {
  readonly tune: string;
  readonly belt: BeltId;
  readonly lessons: number;
  /** Further tunes, of which any one may be played instead. */
  readonly or?: readonly string[];
}

export interface DemoStaircase {
  readonly name: string;
  readonly instrument: InstrumentId;
  readonly steps: readonly DemoStep[];
}

export const DEMO_STAIRCASES = {
  recorder: {
    name: 'Recorder, from B down',
    instrument: 'soprano-recorder-baroque',
    steps: [
      { tune: 'three-lanterns', belt: 'straw', lessons: 3 },
      { tune: 'mill-wheel', belt: 'moss', lessons: 3, or: ['clock-shop'] },
      { tune: 'goose-walk', belt: 'slate', lessons: 5 },
      { tune: 'boat-in-harbour', belt: 'heather', lessons: 4 },
      { tune: 'moon-on-the-millpond', belt: 'plum', lessons: 4 },
      { tune: 'spring-evening', belt: 'anvil', lessons: 6 },
    ],
  },
  whistle: {
    name: 'Whistle, top three first',
    instrument: 'tin-whistle-d',
    steps: [
      { tune: 'lamp-lighter', belt: 'straw', lessons: 2 },
      { tune: 'hay-cart', belt: 'moss', lessons: 2 },
      { tune: 'tide-pool', belt: 'slate', lessons: 2 },
      { tune: 'slate-roof', belt: 'heather', lessons: 2 },
      { tune: 'kite-over-the-weir', belt: 'plum', lessons: 2 },
      { tune: 'old-hundredth', belt: 'anvil', lessons: 2 },
    ],
  },
} as const satisfies Record<string, DemoStaircase>;

/** A pupil, the step worked on (7 has passed all), and how that goes. */
export type DemoPupil = readonly [name: string, step: number, state: PupilState, extra?: 'late' | 'left'];

export interface DemoClass {
  readonly name: string;
  readonly grade: string;
  readonly staircase: keyof typeof DEMO_STAIRCASES;
  readonly meetings: readonly Meeting[];
  readonly style: TeachingStyle;
  readonly pupils: readonly DemoPupil[];
}

const RECORDER_STYLE: TeachingStyle = {
  naming: 'letters',
  counting: null,
  lengthWords: 'british',
  goOnShare: 70,
  posture: { mouth: 'lips', restsAt: 'chin', handMark: 'the green dot' },
  passRule: 'both',
  ladder: USUAL_LADDER,
  hearing: USUAL_HEARING,
  points: { kind: 'none' },
  teaching: USUAL_TEACHING,
};

export const DEMO_CLASSES: readonly DemoClass[] = [
  {
    name: '4 Plover',
    grade: 'Year 4',
    staircase: 'recorder',
    meetings: [
      { on: { kind: 'weekly', weekday: 2 }, at: '09:40', minutes: 40, mode: 'room' },
      { on: { kind: 'weekly', weekday: 5 }, at: '11:05', minutes: 40, mode: 'room' },
    ],
    style: RECORDER_STYLE,
    pupils: [
      ['Aino', 3, 'working'],
      ['Bartholomew-James', 3, 'nearly'],
      ['Chidi', 2, 'working'],
      ['Dilnoza', 3, 'working'],
      ['Emre', 1, 'stuck'],
      ['Farah', 3, 'stuck'],
      ['Goran', 2, 'nearly'],
      ['Hania', 5, 'working'],
      ['Ines', 3, 'nearly'],
      ['Jovan', 2, 'working'],
      ['Keiko', 3, 'working'],
      ['Lupe', 1, 'working'],
      ['Malia', 3, 'working'],
      ['Nils', 2, 'working'],
      ['Oyelaran', 3, 'working'],
      ['Priya', 6, 'working'],
      ['Quentin', 2, 'stuck'],
      ['Rosa', 3, 'nearly'],
      ['Samir', 1, 'nearly'],
      ['Tamsin', 3, 'stuck'],
      ['Ugo', 2, 'working'],
      ['Vesna', 3, 'working'],
      ['Wren', 3, 'working', 'late'],
      ['Ximena', 2, 'working'],
      ['Yusuf', 2, 'working', 'left'],
    ],
  },
  {
    name: '4 Otter',
    grade: 'Year 4',
    staircase: 'recorder',
    meetings: [
      { on: { kind: 'weekly', weekday: 1 }, at: '10:20', minutes: 40, mode: 'room' },
      { on: { kind: 'weekly', weekday: 3 }, at: '09:40', minutes: 40, mode: 'room' },
    ],
    style: RECORDER_STYLE,
    pupils: [
      ['Abel', 2, 'working'],
      ['Brigid', 3, 'working'],
      ['Cosmin', 2, 'nearly'],
      ['Dunya', 3, 'nearly'],
      ['Elowen', 4, 'working'],
      ['Farid', 2, 'stuck'],
      ['Greta', 3, 'working'],
      ['Hugo', 1, 'working'],
      ['Isra', 2, 'working'],
      ['Jaya', 3, 'working'],
      ['Kofi', 2, 'nearly'],
      ['Liesl', 2, 'working'],
      ['Marek', 3, 'stuck'],
      ['Nadia', 2, 'working'],
      ['Otis', 1, 'stuck'],
      ['Pilar', 3, 'working'],
      ['Quynh', 5, 'nearly'],
      ['Rafael', 2, 'working'],
      ['Solveig', 3, 'working'],
      ['Thandi', 2, 'nearly'],
      ['Ulla', 2, 'working'],
      ['Viggo', 1, 'nearly'],
      ['Wanjiru', 3, 'working'],
      ['Xavier', 2, 'working'],
      ['Yara', 3, 'working'],
      ['Zeki', 2, 'working'],
    ],
  },
  {
    name: 'Whistle Club',
    grade: 'Years 5 and 6',
    staircase: 'whistle',
    meetings: [{ on: { kind: 'weekly', weekday: 4 }, at: '12:45', minutes: 35, mode: 'room' }],
    style: {
      naming: 'finger-count',
      counting: null,
      lengthWords: 'british',
      goOnShare: 60,
      posture: { mouth: 'lips', restsAt: 'shoulder', handMark: 'the bracelet' },
      passRule: 'steady',
      ladder: ['say', 'finger', 'slow', 'whole'],
      hearing: { minutes: 8, within: 4, afterPlaying: true },
      points: { kind: 'none' },
      teaching: USUAL_TEACHING,
    },
    pupils: [
      ['Anouk', 3, 'working'],
      ['Beni', 2, 'nearly'],
      ['Ciara', 4, 'working'],
      ['Dov', 2, 'working'],
      ['Edda', 3, 'nearly'],
      ['Fenna', 1, 'stuck'],
      ['Giulia', 2, 'working'],
      ['Hamza', 3, 'working'],
      ['Ilya', 2, 'working'],
      ['Jun', 4, 'nearly'],
      ['Katrin', 2, 'working'],
      ['Leocadia', 1, 'working'],
      ['Mateo', 3, 'working'],
      ['Noa', 2, 'working'],
      ['Olufemi', 3, 'working'],
    ],
  },
];
