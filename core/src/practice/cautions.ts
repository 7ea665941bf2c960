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
    text: 'Nobody plays on another’s mouthpiece before it is cleaned.',
    places: ['lesson', 'instruments', 'hearing'],
  },
  {
    id: 'still',
    text: 'Sit or stand still while an instrument is in the mouth; nobody walks, pushes or turns round.',
    places: ['lesson', 'hearing'],
  },
  {
    id: 'lanyard',
    text: 'Only lanyards that break away under pull; off before play outside.',
    places: ['lesson', 'instruments'],
  },
  { id: 'light-headed', text: 'Light-headed? Stop, sit down, breathe quietly, wait.', places: ['lesson', 'hearing'] },
  {
    id: 'noise',
    text: 'A full class is loud: play softly, rest often, ear protection for those who need it.',
    places: ['lesson'],
  },
  {
    id: 'health',
    text: 'Know who has asthma or an allergy to wood, plastic or cleaning agents.',
    places: ['lesson', 'instruments'],
  },
  {
    id: 'recordings',
    text: 'Record a child only with the consent of the family and of the school.',
    places: ['recordings', 'hearing'],
  },
];

export const LOCAL_RULES = 'The rules of your school and your country come first.';
