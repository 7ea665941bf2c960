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
  { value: 'german-letters', label: 'Letters: C D E, with H', speaksFor: 'As in central Europe: B natural is H.' },
  { value: 'fixed-do', label: 'Do re mi, fixed', speaksFor: 'Singable, and each syllable is always one fingering.' },
  {
    value: 'movable-do',
    label: 'Do re mi, movable',
    speaksFor: 'Singable, and the ear hears a note’s place in the key.',
  },
  {
    value: 'degrees',
    label: 'Numbers of the scale',
    speaksFor: 'Short, and patterns keep their numbers in every key.',
  },
  {
    value: 'finger-count',
    label: 'Fingers',
    speaksFor: 'The quickest start: the number says how many fingers are down.',
  },
];

export const COUNTING_CHOICES: readonly StyleChoice<Counting | null>[] = [
  { value: null, label: 'None under the notes', speaksFor: 'The sheet stays plain.' },
  { value: 'numbers', label: '1 & 2 &', speaksFor: 'Says where in the bar one is; the same in every ensemble.' },
  { value: 'ta', label: 'Ta ti-ti', speaksFor: 'A sound for each value: easy to chant from the first lesson.' },
  { value: 'beat-function', label: 'Du du-de', speaksFor: 'The beat is always du, in simple and compound time.' },
  {
    value: 'beat-position',
    label: 'Ta ta-di',
    speaksFor: 'A syllable for each place in the beat, whatever stands there.',
  },
];

export const LENGTH_CHOICES: readonly StyleChoice<LengthWords>[] = [
  { value: 'british', label: 'Crotchet, minim', speaksFor: 'The words of British and Commonwealth books.' },
  { value: 'american', label: 'Quarter, half', speaksFor: 'The words say the fraction.' },
];

export const MOUTH_CHOICES: readonly StyleChoice<MouthRule>[] = [
  { value: 'lips', label: 'Lips only', speaksFor: 'A soft seal; nothing is bitten or chewed.' },
  { value: 'teeth', label: 'Teeth may touch', speaksFor: 'Steadier for some small mouths.' },
];

export const REST_CHOICES: readonly StyleChoice<RestPlace>[] = [
  { value: 'chin', label: 'At the chin', speaksFor: 'Fingers stay in place and can be seen from the front.' },
  { value: 'shoulder', label: 'At the shoulder', speaksFor: 'The mouth is free to say or sing the names.' },
];

/** What passing a step means. */
export const PASS_RULES = ['steady', 'right', 'both'] as const;
export type PassRule = (typeof PASS_RULES)[number];

export const PASS_CHOICES: readonly StyleChoice<PassRule>[] = [
  {
    value: 'both',
    label: 'Right and without stopping',
    speaksFor: 'One clear bar for all: right notes, in time, from beginning to end.',
  },
  {
    value: 'steady',
    label: 'Without stopping',
    speaksFor: 'The beat comes first, as when many play together; a wrong note is let go.',
  },
  {
    value: 'right',
    label: 'Every note right',
    speaksFor: 'Fingerings are secure before speed; a short stop is let go.',
  },
];

/** Rungs of the practice ladder, from the first up. */
export const RUNGS = [
  { id: 'say', words: 'Say or sing the names' },
  { id: 'clap', words: 'Clap and count' },
  { id: 'finger', words: 'Finger in silence, naming the notes' },
  { id: 'slow', words: 'Play slowly' },
  { id: 'spot', words: 'Only the hard spot, a few times' },
  { id: 'join', words: 'Join the parts' },
  { id: 'whole', words: 'The whole tune' },
  { id: 'backing', words: 'With a backing' },
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
