import { t } from './messages.ts';

/** Where a caution is shown. */
export const CAUTION_PLACES = ['lesson', 'hearing', 'instruments', 'recordings'] as const;
export type CautionPlace = (typeof CAUTION_PLACES)[number];

export interface Caution {
  readonly id: string;
  readonly text: string;
  readonly places: readonly CautionPlace[];
}

/** The usual ones. A school rewords them, leaves some out, adds its own; the rules of the place come first. */
export const USUAL_CAUTIONS: readonly Caution[] = [
  {
    id: 'mouthpiece',
    text: t('cautions.never-play-a-mouthpiece-that-someone'),
    places: ['lesson', 'instruments', 'hearing'],
  },
  {
    id: 'still',
    text: t('cautions.sit-or-stand-still-while-an'),
    places: ['lesson', 'hearing'],
  },
  {
    id: 'lanyard',
    text: t('cautions.breakaway-lanyards-only-take-them-off'),
    places: ['lesson', 'instruments'],
  },
  {
    id: 'light-headed',
    text: t('cautions.light-headed-stop-sit-down-breathe'),
    places: ['lesson', 'hearing'],
  },
  {
    id: 'noise',
    text: t('cautions.a-full-class-is-loud-play'),
    places: ['lesson'],
  },
  {
    id: 'health',
    text: t('cautions.know-who-has-asthma-or-an'),
    places: ['lesson', 'instruments'],
  },
  {
    id: 'recordings',
    text: t('cautions.record-a-child-only-with-consent'),
    places: ['recordings', 'hearing'],
  },
];

export const LOCAL_RULES = t('cautions.your-schools-and-countrys-rules-come');
