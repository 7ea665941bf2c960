/** What a pupil has climbed, and in how many lessons. */
export interface Climb {
  readonly pupilId: string;
  /** Index of the step worked on; the number of steps when all are passed. */
  readonly stepIndex: number;
  /** Where the pupil began. */
  readonly startStepIndex: number;
  /** Lessons of the class since the pupil came. */
  readonly lessonsHad: number;
}

/** Passes of one step: those that have been, and those still to come by the end. */
export interface StepNeed {
  readonly passed: number;
  /** Pupils who will most likely pass it, at their pace. */
  readonly likely: number;
  /** With those who come within one step of it: so many are safe to have ready. */
  readonly atMost: number;
}

/**
 * For each step, how many have passed it and how many more will by the end, at the pace so far: a quick sum for a whole
 * school. Late joiners do not get what lies below their start.
 */
export function stepNeeds(climbs: readonly Climb[], steps: number, lessonsLeft: number): readonly StepNeed[] {
  const ends = endsAt(climbs, lessonsLeft);
  return Array.from({ length: steps }, (_, index): StepNeed => {
    const passed = climbs.filter((climb) => climb.startStepIndex <= index && climb.stepIndex > index).length;
    const toCome = climbs.flatMap((climb, place) =>
      climb.startStepIndex <= index && climb.stepIndex <= index ? [ends[place]!] : [],
    );
    return {
      passed,
      likely: toCome.filter((end) => Math.round(end) > index).length,
      atMost: toCome.filter((end) => Math.ceil(end) > index).length,
    };
  });
}

/** The class's pace counts like so many lessons of the pupil's own. */
const CLASS_LESSONS = 6;

/**
 * Step indices at the end, not rounded: pace = (steps climbed + 6 × pace of the class) ÷ (lessons had + 6); the end = step +
 * pace × lessons left. A mean drawn towards the group, as in empirical Bayes estimates of rates.
 */
function endsAt(climbs: readonly Climb[], lessonsLeft: number): readonly number[] {
  const climbed = (climb: Climb): number => Math.max(0, climb.stepIndex - climb.startStepIndex);
  const lessons = sum(climbs.map((climb) => climb.lessonsHad));
  const classPace = lessons === 0 ? 0 : sum(climbs.map(climbed)) / lessons;
  return climbs.map((climb) => {
    const pace = (climbed(climb) + CLASS_LESSONS * classPace) / (climb.lessonsHad + CLASS_LESSONS);
    return climb.stepIndex + pace * lessonsLeft;
  });
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}
