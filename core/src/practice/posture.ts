import type { Family } from '../instruments/index.ts';

/** What touches the mouthpiece, where teachers differ. */
export const MOUTH_RULES = ['lips', 'teeth'] as const;
export type MouthRule = (typeof MOUTH_RULES)[number];

/** Where the instrument rests while fingers move in silence. */
export const REST_PLACES = ['chin', 'shoulder'] as const;
export type RestPlace = (typeof REST_PLACES)[number];

export interface Posture {
  readonly mouth: MouthRule;
  readonly restsAt: RestPlace;
  /** What tells the left hand: "a green dot", "the bracelet". */
  readonly handMark: string;
}

export const USUAL_POSTURE: Posture = { mouth: 'lips', restsAt: 'chin', handMark: 'the coloured dot' };

/** What to look at before a class plays, in the order of looking. */
export function postureChecks(family: Family, { mouth, restsAt, handMark }: Posture): readonly string[] {
  return [
    `Left hand on top: the hand with ${handMark}.`,
    ...(family === 'recorder'
      ? ['Left thumb on the back hole; right thumb underneath, taking the weight.']
      : ['Both thumbs underneath, taking the weight; they cover no hole.']),
    'Flat finger pads, not fingertips; no finger pressed white.',
    mouth === 'lips'
      ? 'Tip of the mouthpiece on the lower lip, lips closed round it, no teeth.'
      : 'Tip of the mouthpiece between the lips; teeth may touch it lightly, no biting.',
    'Sit or stand tall, shoulders down, elbows free, instrument angled away from you.',
    'Slow, warm breath, as if warming your hands; start each note with “doo”.',
    `Not playing: instrument at the ${restsAt}, fingers still on.`,
  ];
}

/** The test that all holes are closed. */
export const COVER_TEST =
  'Cover test: press for three seconds, then look at your finger pads: every ring should be complete.';
