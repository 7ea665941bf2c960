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

/** What of a class's ways of teaching shows in how it holds the instrument and begins a note. */
export interface Holding {
  readonly rightHand: 'carries' | 'foot' | 'hovers';
  readonly tongue: string;
}

const RIGHT_HAND: Readonly<Record<Holding['rightHand'], string>> = {
  carries: 'taking the weight',
  foot: 'the right hand holding the foot until it has a note to play',
  hovers: 'taking the weight, its fingers a finger’s breadth over their holes',
};

/** What to look at before a class plays, in the order of looking. */
export function postureChecks(
  family: Family,
  { mouth, restsAt, handMark }: Posture,
  { rightHand, tongue }: Holding,
): readonly string[] {
  return [
    `Left hand on top: the hand with ${handMark}.`,
    ...(family === 'recorder'
      ? [
          rightHand === 'foot'
            ? `Left thumb on the back hole; ${RIGHT_HAND.foot}.`
            : `Left thumb on the back hole; right thumb underneath, ${RIGHT_HAND[rightHand]}.`,
        ]
      : [
          rightHand === 'foot'
            ? `Left thumb underneath, covering no hole; ${RIGHT_HAND.foot}.`
            : `Both thumbs underneath, covering no hole, ${RIGHT_HAND[rightHand]}.`,
        ]),
    'Flat finger pads, not fingertips; no finger pressed white.',
    mouth === 'lips'
      ? 'Tip of the mouthpiece on the lower lip, lips closed round it, no teeth.'
      : 'Tip of the mouthpiece between the lips; teeth may touch it lightly, no biting.',
    'Sit or stand tall, shoulders down, elbows free, instrument angled away from you.',
    `Slow, warm breath, as if warming your hands; start each note with “${tongue}”.`,
    `Not playing: instrument at the ${restsAt}, fingers still on.`,
  ];
}

/** The test that all holes are closed. */
export const COVER_TEST =
  'Cover test: press for three seconds, then look at your finger pads: every ring should be complete.';
