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
    text: 'Never play a mouthpiece that someone else has used until it has been cleaned.',
    places: ['lesson', 'instruments', 'hearing'],
  },
  {
    id: 'still',
    text: 'Sit or stand still while an instrument is in your mouth: no walking, pushing or turning round.',
    places: ['lesson', 'hearing'],
  },
  {
    id: 'lanyard',
    text: 'Breakaway lanyards only; take them off before playtime.',
    places: ['lesson', 'instruments'],
  },
  {
    id: 'light-headed',
    text: 'Light-headed? Stop, sit down, breathe normally and wait.',
    places: ['lesson', 'hearing'],
  },
  {
    id: 'noise',
    text: 'A full class is loud: play softly, rest often, and have ear protection for those who need it.',
    places: ['lesson'],
  },
  {
    id: 'health',
    text: 'Know who has asthma, or an allergy to wood, plastic or cleaning products.',
    places: ['lesson', 'instruments'],
  },
  {
    id: 'recordings',
    text: 'Record a child only with consent from the family and the school.',
    places: ['recordings', 'hearing'],
  },
];

export const LOCAL_RULES = 'The rules of your school and country come first.';
