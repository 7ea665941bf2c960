import type { ChosenFingerings, Naming } from '../instruments/index.ts';
import type { Counting, LengthWords, Syncopation } from '../music/index.ts';
import { DEFAULT_CHUNK_BEATS } from './chunks.ts';
import type { MouthRule, RestPlace } from './posture.ts';

/** One of several ways that teachers differ in, with what speaks for it. */
export interface StyleChoice<Value> {
  readonly value: Value;
  readonly label: string;
  readonly speaksFor: string;
}

export const NAMING_CHOICES: readonly StyleChoice<Naming>[] = [
  { value: 'letters', label: 'Letters: C D E', speaksFor: 'The names that sheets and other teachers use.' },
  {
    value: 'german-letters',
    label: 'Letters: C D E, with H',
    speaksFor: 'As in Germany and its neighbours: B natural is H.',
  },
  {
    value: 'fixed-do',
    label: 'Do re mi, fixed',
    speaksFor: 'Easy to sing; each syllable always has the same fingering.',
  },
  {
    value: 'fixed-do-si',
    label: 'Do re mi, fixed, with si',
    speaksFor: 'As in French, Italian and Spanish: B is si, not ti.',
  },
  {
    value: 'movable-do',
    label: 'Do re mi, movable',
    speaksFor: 'Easy to sing; pupils hear where each note sits in the key.',
  },
  {
    value: 'degrees',
    label: 'Scale numbers',
    speaksFor: 'Short; patterns keep the same numbers in every key.',
  },
  {
    value: 'finger-count',
    label: 'Finger numbers',
    speaksFor: 'The quickest start: how many fingers are down.',
  },
];

export const COUNTING_CHOICES: readonly StyleChoice<Counting | null>[] = [
  { value: null, label: 'Nothing under the notes', speaksFor: 'A plain sheet.' },
  {
    value: 'numbers',
    label: '1 & 2 &',
    speaksFor: 'Shows where you are in the bar; every band and orchestra uses it.',
  },
  { value: 'ta', label: 'Ta ti-ti', speaksFor: 'A sound for each note value: easy to chant from the first lesson.' },
  { value: 'beat-function', label: 'Du du-de', speaksFor: 'The beat is always du, in simple and compound time.' },
  {
    value: 'beat-position',
    label: 'Ta ta-di',
    speaksFor: 'A syllable for each place in the beat, whatever the note.',
  },
];

export const LENGTH_CHOICES: readonly StyleChoice<LengthWords>[] = [
  { value: 'british', label: 'Crotchet, minim', speaksFor: 'The words used in British and Commonwealth books.' },
  { value: 'american', label: 'Quarter, half', speaksFor: 'The names say the fraction.' },
];

export const MOUTH_CHOICES: readonly StyleChoice<MouthRule>[] = [
  { value: 'lips', label: 'Lips only', speaksFor: 'A soft seal; no biting or chewing.' },
  { value: 'teeth', label: 'Teeth may touch', speaksFor: 'Steadier for some small mouths.' },
];

export const REST_CHOICES: readonly StyleChoice<RestPlace>[] = [
  { value: 'chin', label: 'At the chin', speaksFor: 'Fingers stay in place and you can see them from the front.' },
  { value: 'shoulder', label: 'At the shoulder', speaksFor: 'The mouth is free to say or sing the names.' },
];

/** What passing a step means. */
export const PASS_RULES = ['steady', 'right', 'both'] as const;
export type PassRule = (typeof PASS_RULES)[number];

export const PASS_CHOICES: readonly StyleChoice<PassRule>[] = [
  {
    value: 'both',
    label: 'Right and without stopping',
    speaksFor: 'One clear standard: right notes, in time, from start to finish.',
  },
  {
    value: 'steady',
    label: 'Without stopping',
    speaksFor: 'Keeping going comes first, as in any group; a wrong note is fine.',
  },
  {
    value: 'right',
    label: 'Every note right',
    speaksFor: 'Secure fingerings before speed; a short stop is fine.',
  },
];

export const SYNCOPATION_CHOICES: readonly StyleChoice<Syncopation>[] = [
  { value: 'syn-co-pa', label: 'syn-co-pa', speaksFor: 'A word for the figure: it is felt as one.' },
  { value: 'ti-ta-ti', label: 'ti ta ti', speaksFor: 'The lengths as they always are; nothing new to learn.' },
  { value: 'numbers', label: '1 &-2 &', speaksFor: 'Shows that the middle note is held over the beat.' },
];

/** The syllables with which notes are begun. */
export const TONGUES = ['doo', 'too', 'tee', 'loo'] as const;
export type Tongue = (typeof TONGUES)[number];
export const TONGUE_CHOICES: readonly StyleChoice<Tongue>[] = [
  { value: 'doo', label: 'doo', speaksFor: 'Soft: no puff and no squeak on low notes.' },
  { value: 'too', label: 'too', speaksFor: 'Clear: every note is heard to begin.' },
  { value: 'tee', label: 'tee', speaksFor: 'Light, with less air: helps high notes.' },
  { value: 'loo', label: 'loo', speaksFor: 'The softest, for slow tunes and slurs.' },
];

export const RIGHT_HANDS = ['carries', 'foot', 'hovers'] as const;
export type RightHand = (typeof RIGHT_HANDS)[number];
export const RIGHT_HAND_CHOICES: readonly StyleChoice<RightHand>[] = [
  { value: 'carries', label: 'Thumb carries, fingers rest', speaksFor: 'The place where it will play later.' },
  { value: 'foot', label: 'Holds the foot', speaksFor: 'The steadiest for small hands; nothing covers by mistake.' },
  { value: 'hovers', label: 'Hovers over its holes', speaksFor: 'Ready from the first lesson; nothing to change.' },
];

export const REPEAT_WAYS = ['play', 'clap-first', 'teacher-first'] as const;
export type RepeatWay = (typeof REPEAT_WAYS)[number];
export const REPEAT_CHOICES: readonly StyleChoice<RepeatWay>[] = [
  { value: 'play', label: 'Played every time', speaksFor: 'As it is written.' },
  { value: 'clap-first', label: 'Clapped first, then played', speaksFor: 'The second time the rhythm is sure.' },
  {
    value: 'teacher-first',
    label: 'You first, the class second',
    speaksFor: 'They hear it once more before they play.',
  },
];

export const FIRST_NOTES = ['one', 'three'] as const;
export type FirstNotes = (typeof FIRST_NOTES)[number];
export const FIRST_NOTES_CHOICES: readonly StyleChoice<FirstNotes>[] = [
  { value: 'one', label: 'One by one', speaksFor: 'Each note is secure before the next comes.' },
  { value: 'three', label: 'B, A and G together', speaksFor: 'Tunes from the first lesson.' },
];

/** Whether the notes of an echo pattern are on the screen. */
export const ECHO_SIGHTS = ['shown', 'hidden', 'after'] as const;
export type EchoSight = (typeof ECHO_SIGHTS)[number];
export const ECHO_SIGHT_CHOICES: readonly StyleChoice<EchoSight>[] = [
  { value: 'shown', label: 'Notes shown', speaksFor: 'Reading and playing go together.' },
  { value: 'hidden', label: 'By ear', speaksFor: 'They listen, and look at the fingers.' },
  { value: 'after', label: 'Shown after the answer', speaksFor: 'By ear first; then they see what they played.' },
];
export const MOST_ECHO_TURNS = 3;

/** What stands under the notes in one row. */
export const ROW_KINDS = [
  'letters',
  'german-letters',
  'fixed-do',
  'fixed-do-si',
  'movable-do',
  'degrees',
  'finger-count',
  'counting',
  'words',
] as const;
export type RowKind = (typeof ROW_KINDS)[number];
/** Under every note, under the first of its kind only, or as a blank line to be filled in. */
export const ROW_FILLS = ['full', 'first', 'blank'] as const;
export type RowFill = (typeof ROW_FILLS)[number];
export interface NoteRow {
  readonly kind: RowKind;
  readonly fill: RowFill;
}
export const MOST_ROWS = 3;

/** Whether a step can be passed in parts. */
export const PART_RULES = ['whole', 'at-tempo', 'any-tempo'] as const;
export type PartRule = (typeof PART_RULES)[number];
export const PART_CHOICES: readonly StyleChoice<PartRule>[] = [
  { value: 'whole', label: 'Only in one go', speaksFor: 'A part shows the way; the tune is passed as a whole.' },
  { value: 'at-tempo', label: 'Line by line, at tempo', speaksFor: 'Those who tire early get there too.' },
  { value: 'any-tempo', label: 'Line by line, slowly too', speaksFor: 'Every part counts, however slow.' },
];

/** By what a class decides to go on to its next step. */
export const GO_ON_RULES = ['share', 'heard', 'own'] as const;
export type GoOnRuleKind = (typeof GO_ON_RULES)[number];
export const GO_ON_CHOICES: readonly StyleChoice<GoOnRuleKind>[] = [
  { value: 'share', label: 'When enough have passed', speaksFor: 'The percentage above; the class moves as a class.' },
  { value: 'heard', label: 'When all were heard once', speaksFor: 'Everybody had a turn; nobody is forgotten.' },
  { value: 'own', label: 'When you say so', speaksFor: 'You know the class and the calendar.' },
];

/** How a class is taught where practitioners differ, beside naming, counting and posture. */
export interface Teaching {
  /** Under the notes, from the top; empty for the class's own names and counting. */
  readonly rows: readonly NoteRow[];
  readonly syncopation: Syncopation;
  /** What a rest is called aloud; empty for what the counting has. */
  readonly restWord: string;
  readonly tongue: Tongue;
  readonly rightHand: RightHand;
  readonly repeats: RepeatWay;
  readonly firstNotes: FirstNotes;
  readonly echo: { readonly turns: number; readonly sight: EchoSight };
  /** Beats that the class keeps in mind from one hearing. */
  readonly chunkBeats: number;
  /** The tempo ladder goes on above the tune's own tempo. */
  readonly challenge: boolean;
  readonly parts: PartRule;
  readonly goOn: GoOnRuleKind;
  /** Index of the step that the teacher has gone on to, where that is the rule. */
  readonly ownStep: number;
  /** Heads in the school's colours, beside their letters. */
  readonly coloured: boolean;
  readonly fingerings: ChosenFingerings;
  /** The class's own book, by name; empty for none. */
  readonly book: string;
  /** What to bring, as it stands on lesson and sheet. */
  readonly bring: string;
}

export const USUAL_TEACHING: Teaching = {
  rows: [],
  syncopation: 'syn-co-pa',
  restWord: '',
  tongue: 'doo',
  rightHand: 'carries',
  repeats: 'play',
  firstNotes: 'one',
  echo: { turns: 2, sight: 'shown' },
  chunkBeats: DEFAULT_CHUNK_BEATS,
  challenge: false,
  parts: 'whole',
  goOn: 'share',
  ownStep: 0,
  coloured: false,
  fingerings: {},
  book: '',
  bring: '',
};

/** Rungs of the practice ladder, from the first up. */
export const RUNGS = [
  { id: 'say', words: 'Say or sing the names' },
  { id: 'clap', words: 'Clap and count' },
  { id: 'finger', words: 'Finger silently, naming the notes' },
  { id: 'slow', words: 'Play slowly' },
  { id: 'spot', words: 'Just the hard spot, a few times' },
  { id: 'join', words: 'Join the parts' },
  { id: 'whole', words: 'The whole tune' },
  { id: 'backing', words: 'With a backing track' },
  { id: 'alone', words: 'Alone' },
] as const;
export type RungId = (typeof RUNGS)[number]['id'];
export const RUNG_IDS = RUNGS.map((rung) => rung.id);

export const FEWEST_RUNGS = 3;
export const MOST_RUNGS = 6;
export const USUAL_LADDER: readonly RungId[] = ['say', 'clap', 'finger', 'spot', 'whole'];

/** The rungs that were chosen, in the order of the class, each once. */
export function ladder(chosen: readonly RungId[]): readonly (typeof RUNGS)[number][] {
  return [...new Set(chosen)].flatMap((id) => RUNGS.find((rung) => rung.id === id) ?? []);
}
