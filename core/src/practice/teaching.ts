import type { Naming } from '../instruments/index.ts';
import type { Counting, LengthWords } from '../music/index.ts';
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

/** The rungs in their order, whatever the order in which they were chosen. */
export function ladder(chosen: readonly RungId[]): readonly (typeof RUNGS)[number][] {
  return RUNGS.filter((rung) => chosen.includes(rung.id));
}
