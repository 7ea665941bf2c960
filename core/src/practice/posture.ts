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
      ? ['Left thumb on the hole at the back; right thumb underneath, it carries.']
      : ['Both thumbs underneath: they carry and cover nothing.']),
    'Flat pads of the fingers, not the tips; no finger pressed white.',
    mouth === 'lips'
      ? 'Tip of the mouthpiece on the lower lip, lips round it, no teeth.'
      : 'Tip of the mouthpiece between the lips; the teeth may touch it lightly, nobody bites.',
    'Back tall, shoulders low, elbows free, the instrument slants away.',
    'Breath like warming the hands, slow; each note begins with “doo”.',
    `Not playing: the instrument rests at the ${restsAt}, fingers stay on.`,
  ];
}

/** The test that all holes are closed. */
export const COVER_TEST = 'Cover test: press for three seconds, look at the pads: every ring has to be whole.';
