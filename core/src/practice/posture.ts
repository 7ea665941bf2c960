import type { Family } from '../instruments/index.ts';
import { t } from './messages.ts';

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

export const USUAL_POSTURE: Posture = { mouth: 'lips', restsAt: 'chin', handMark: t('posture.the-coloured-dot') };

/** What of a class's ways of teaching shows in how it holds the instrument and begins a note. */
export interface Holding {
  readonly rightHand: 'carries' | 'foot' | 'hovers';
  readonly tongue: string;
}

const RIGHT_HAND: Readonly<Record<Holding['rightHand'], string>> = {
  carries: t('posture.taking-the-weight'),
  foot: t('posture.the-right-hand-holding-the-foot'),
  hovers: t('posture.taking-the-weight-its-fingers-a'),
};

/** What to look at before a class plays, in the order of looking. */
export function postureChecks(
  family: Family,
  { mouth, restsAt, handMark }: Posture,
  { rightHand, tongue }: Holding,
): readonly string[] {
  return [
    t('posture.left-hand-on-top-the-hand', { handMark }),
    ...(family === 'recorder'
      ? [
          rightHand === 'foot'
            ? t('posture.left-thumb-on-the-back-hole', { foot: RIGHT_HAND.foot })
            : t('posture.left-thumb-on-the-back-hole-2', { rightHand: RIGHT_HAND[rightHand] }),
        ]
      : [
          rightHand === 'foot'
            ? t('posture.left-thumb-underneath-covering-no-hole', { foot: RIGHT_HAND.foot })
            : t('posture.both-thumbs-underneath-covering-no-hole', { rightHand: RIGHT_HAND[rightHand] }),
        ]),
    t('posture.flat-finger-pads-not-fingertips-no'),
    mouth === 'lips' ? t('posture.tip-of-the-mouthpiece-on-the') : t('posture.tip-of-the-mouthpiece-between-the'),
    t('posture.sit-or-stand-tall-shoulders-down'),
    t('posture.slow-warm-breath-as-if-warming', { tongue }),
    t('posture.not-playing-instrument-at-the-rests', { restsAt }),
  ];
}

/** The test that all holes are closed. */
export const COVER_TEST = t('posture.cover-test-press-for-three-seconds');
