import type { ChosenFingerings, Naming } from '../instruments/index.ts';
import type { Counting, LengthWords, Sayings, Syncopation } from '../music/index.ts';
import { DEFAULT_CHUNK_BEATS } from './chunks.ts';
import type { MouthRule, RestPlace } from './posture.ts';
import { t } from './messages.ts';

/** One of several ways that teachers differ in, with what speaks for it. */
export interface StyleChoice<Value> {
  readonly value: Value;
  readonly label: string;
  readonly speaksFor: string;
}

export const NAMING_CHOICES: readonly StyleChoice<Naming>[] = [
  { value: 'letters', label: 'Letters: C D E', speaksFor: t('teaching.the-names-used-on-sheet-music') },
  {
    value: 'german-letters',
    label: t('teaching.letters-c-d-e-with-h'),
    speaksFor: t('teaching.as-in-germany-and-nearby-b'),
  },
  {
    value: 'fixed-do',
    label: t('teaching.do-re-mi-fixed'),
    speaksFor: t('teaching.easy-to-sing-each-syllable-always'),
  },
  {
    value: 'fixed-do-si',
    label: t('teaching.do-re-mi-fixed-with-si'),
    speaksFor: t('teaching.as-in-french-italian-and-spanish'),
  },
  {
    value: 'movable-do',
    label: t('teaching.do-re-mi-movable'),
    speaksFor: t('teaching.easy-to-sing-pupils-hear-where'),
  },
  {
    value: 'degrees',
    label: t('teaching.scale-numbers'),
    speaksFor: t('teaching.short-patterns-keep-the-same-numbers'),
  },
  {
    value: 'finger-count',
    label: t('teaching.finger-numbers'),
    speaksFor: t('teaching.the-quickest-start-how-many-fingers'),
  },
];

export const COUNTING_CHOICES: readonly StyleChoice<Counting | null>[] = [
  { value: null, label: t('teaching.nothing-under-the-notes'), speaksFor: t('teaching.a-plain-sheet') },
  {
    value: 'numbers',
    label: '1 & 2 &',
    speaksFor: t('teaching.shows-where-you-are-in-the'),
  },
  { value: 'ta', label: t('teaching.ta-ti-ti'), speaksFor: t('teaching.a-sound-for-each-note-value') },
  { value: 'beat-function', label: t('teaching.du-du-de'), speaksFor: t('teaching.the-beat-is-always-du-in') },
  {
    value: 'beat-position',
    label: t('teaching.ta-ta-di'),
    speaksFor: t('teaching.a-syllable-for-each-place-in'),
  },
];

export const LENGTH_CHOICES: readonly StyleChoice<LengthWords>[] = [
  { value: 'british', label: 'Crotchet, minim', speaksFor: t('teaching.the-words-used-in-british-and') },
  { value: 'american', label: t('teaching.quarter-half'), speaksFor: t('teaching.the-names-say-the-fraction') },
];

export const MOUTH_CHOICES: readonly StyleChoice<MouthRule>[] = [
  { value: 'lips', label: t('teaching.lips-only'), speaksFor: t('teaching.a-soft-seal-no-biting-or') },
  { value: 'teeth', label: t('teaching.teeth-may-touch'), speaksFor: t('teaching.steadier-for-some-small-mouths') },
];

export const REST_CHOICES: readonly StyleChoice<RestPlace>[] = [
  { value: 'chin', label: t('teaching.at-the-chin'), speaksFor: t('teaching.fingers-stay-in-place-and-you') },
  { value: 'shoulder', label: t('teaching.at-the-shoulder'), speaksFor: t('teaching.the-mouth-is-free-to-say') },
];

/** What passing a step means. */
export const PASS_RULES = ['steady', 'right', 'both'] as const;
export type PassRule = (typeof PASS_RULES)[number];

export const PASS_CHOICES: readonly StyleChoice<PassRule>[] = [
  {
    value: 'both',
    label: t('teaching.right-notes-no-stopping'),
    speaksFor: t('teaching.one-clear-standard-right-notes-in'),
  },
  {
    value: 'steady',
    label: t('teaching.without-stopping'),
    speaksFor: t('teaching.keeping-going-comes-first-as-in'),
  },
  {
    value: 'right',
    label: t('teaching.every-note-right'),
    speaksFor: t('teaching.secure-fingerings-before-speed-a-short'),
  },
];

export const SYNCOPATION_CHOICES: readonly StyleChoice<Syncopation>[] = [
  { value: 'syn-co-pa', label: 'syn-co-pa', speaksFor: t('teaching.one-word-for-the-figure-so') },
  { value: 'ti-ta-ti', label: t('teaching.ti-ta-ti'), speaksFor: t('teaching.the-usual-note-lengths-nothing-new') },
  { value: 'numbers', label: '1 &-2 &', speaksFor: t('teaching.shows-that-the-middle-note-is') },
];

/** The syllables with which notes are begun. */
export const TONGUES = ['doo', 'too', 'tee', 'loo'] as const;
export type Tongue = (typeof TONGUES)[number];
export const TONGUE_CHOICES: readonly StyleChoice<Tongue>[] = [
  { value: 'doo', label: 'doo', speaksFor: t('teaching.soft-no-puff-and-no-squeak') },
  { value: 'too', label: 'too', speaksFor: t('teaching.clear-every-note-has-a-beginning') },
  { value: 'tee', label: 'tee', speaksFor: t('teaching.light-with-less-air-helps-high') },
  { value: 'loo', label: 'loo', speaksFor: t('teaching.the-softest-for-slow-tunes-and') },
];

export const RIGHT_HANDS = ['carries', 'foot', 'hovers'] as const;
export type RightHand = (typeof RIGHT_HANDS)[number];
export const RIGHT_HAND_CHOICES: readonly StyleChoice<RightHand>[] = [
  {
    value: 'carries',
    label: t('teaching.thumb-carries-fingers-rest'),
    speaksFor: t('teaching.where-it-will-play-later'),
  },
  {
    value: 'foot',
    label: t('teaching.holds-the-foot'),
    speaksFor: t('teaching.steadiest-for-small-hands-nothing-gets'),
  },
  {
    value: 'hovers',
    label: t('teaching.hovers-over-its-holes'),
    speaksFor: t('teaching.ready-from-the-first-lesson-nothing'),
  },
];

export const REPEAT_WAYS = ['play', 'clap-first', 'teacher-first'] as const;
export type RepeatWay = (typeof REPEAT_WAYS)[number];
export const REPEAT_CHOICES: readonly StyleChoice<RepeatWay>[] = [
  { value: 'play', label: t('teaching.played-every-time'), speaksFor: t('teaching.as-it-is-written') },
  {
    value: 'clap-first',
    label: t('teaching.clapped-first-then-played'),
    speaksFor: t('teaching.by-the-second-time-the-rhythm'),
  },
  {
    value: 'teacher-first',
    label: t('teaching.you-first-then-the-class'),
    speaksFor: t('teaching.they-hear-it-once-more-before'),
  },
];

export const FIRST_NOTES = ['one', 'three'] as const;
export type FirstNotes = (typeof FIRST_NOTES)[number];
export const FIRST_NOTES_CHOICES: readonly StyleChoice<FirstNotes>[] = [
  { value: 'one', label: t('teaching.one-by-one'), speaksFor: t('teaching.each-note-is-secure-before-the') },
  { value: 'three', label: t('teaching.b-a-and-g-together'), speaksFor: t('teaching.tunes-from-the-first-lesson') },
];

/** Whether the notes of an echo pattern are on the screen. */
export const ECHO_SIGHTS = ['shown', 'hidden', 'after'] as const;
export type EchoSight = (typeof ECHO_SIGHTS)[number];
export const ECHO_SIGHT_CHOICES: readonly StyleChoice<EchoSight>[] = [
  { value: 'shown', label: t('teaching.notes-shown'), speaksFor: t('teaching.reading-and-playing-go-together') },
  { value: 'hidden', label: t('teaching.by-ear'), speaksFor: t('teaching.they-listen-and-look-at-the') },
  { value: 'after', label: t('teaching.shown-after-the-answer'), speaksFor: t('teaching.by-ear-first-then-they-see') },
];
/** Whether the class sees the notes of an echo. */
export function echoIsShown(sight: EchoSight, hasAnswered: boolean): boolean {
  return sight === 'shown' || (sight === 'after' && hasAnswered);
}

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
  { value: 'whole', label: t('teaching.only-all-at-once'), speaksFor: t('teaching.parts-are-practice-the-whole-tune') },
  {
    value: 'at-tempo',
    label: t('teaching.line-by-line-at-tempo'),
    speaksFor: t('teaching.pupils-who-tire-quickly-get-there'),
  },
  {
    value: 'any-tempo',
    label: t('teaching.line-by-line-slowly-too'),
    speaksFor: t('teaching.every-part-counts-however-slow'),
  },
];

/** By what a class decides to go on to its next step. */
export const GO_ON_RULES = ['share', 'heard', 'own'] as const;
export type GoOnRuleKind = (typeof GO_ON_RULES)[number];
export const GO_ON_CHOICES: readonly StyleChoice<GoOnRuleKind>[] = [
  {
    value: 'share',
    label: t('teaching.when-enough-have-passed'),
    speaksFor: t('teaching.the-percentage-above-the-class-moves'),
  },
  {
    value: 'heard',
    label: t('teaching.when-everyone-has-been-heard'),
    speaksFor: t('teaching.everyone-gets-a-turn-nobody-is'),
  },
  { value: 'own', label: t('teaching.when-you-say-so'), speaksFor: t('teaching.you-know-the-class-and-the') },
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
  { id: 'say', words: t('teaching.say-or-sing-the-names') },
  { id: 'clap', words: t('teaching.clap-and-count') },
  { id: 'finger', words: t('teaching.finger-silently-naming-the-notes') },
  { id: 'slow', words: t('teaching.play-slowly') },
  { id: 'spot', words: t('teaching.just-the-hard-spot-a-few') },
  { id: 'join', words: t('teaching.join-the-parts') },
  { id: 'whole', words: t('teaching.the-whole-tune') },
  { id: 'backing', words: 'With a backing track' },
  { id: 'alone', words: t('teaching.alone') },
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

/** The rows that a class has chosen, without words for a tune that has none; empty where it has chosen none. */
export function chosenRows({ rows }: Pick<Teaching, 'rows'>, hasWords: boolean): readonly NoteRow[] {
  return rows.filter(({ kind }) => kind !== 'words' || hasWords);
}

/** The class's own words for syncopations and rests. */
export function sayingsOf({ syncopation, restWord }: Pick<Teaching, 'syncopation' | 'restWord'>): Sayings {
  return { syncopation, rest: restWord };
}
