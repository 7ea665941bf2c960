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

/** Where a pupil will stand at the end, at the pace so far. */
export interface Forecast {
  readonly pupilId: string;
  /** Steps a lesson: the pupil's own, drawn towards the class's while there is little to go by. */
  readonly pace: number;
  /** Step index at the end, not rounded, at most the number of steps. */
  readonly atEnd: number;
}

/** The class's pace counts like so many lessons of the pupil's own. */
export const CLASS_LESSONS = 6;

/**
 * pace = (steps climbed + 6 × pace of the class) ÷ (lessons had + 6); the end = step + pace × lessons left.
 * A mean drawn towards the group, as in empirical Bayes estimates of rates.
 */
export function forecast(climbs: readonly Climb[], steps: number, lessonsLeft: number): readonly Forecast[] {
  const climbed = (climb: Climb): number => Math.max(0, climb.stepIndex - climb.startStepIndex);
  const lessons = sum(climbs.map((climb) => climb.lessonsHad));
  const classPace = lessons === 0 ? 0 : sum(climbs.map(climbed)) / lessons;
  return climbs.map((climb) => {
    const pace = (climbed(climb) + CLASS_LESSONS * classPace) / (climb.lessonsHad + CLASS_LESSONS);
    return { pupilId: climb.pupilId, pace, atEnd: Math.min(steps, climb.stepIndex + pace * lessonsLeft) };
  });
}

/**
 * How likely it is to pass at least one more step in some lessons, at a pace of steps a lesson: passes taken as coming one
 * by one and at any time (a Poisson process), 1 − e^(−pace × lessons).
 */
export function chanceToPass(pace: number, lessons: number): number {
  return 1 - Math.exp(-Math.max(0, pace) * Math.max(0, lessons));
}

/** Passes of one step: those that have been, and those still to come by the end. */
export interface StepNeed {
  readonly passed: number;
  /** Pupils who will most likely pass it, at their pace. */
  readonly likely: number;
  /** With those who come within one step of it: so many are safe to have ready. */
  readonly atMost: number;
}

/** For each step, how many have passed it and how many more will; late joiners do not get what lies below their start. */
export function stepNeeds(climbs: readonly Climb[], steps: number, lessonsLeft: number): readonly StepNeed[] {
  const ends = forecast(climbs, steps, lessonsLeft);
  return Array.from({ length: steps }, (_, index): StepNeed => {
    const passed = climbs.filter((climb) => climb.startStepIndex <= index && climb.stepIndex > index).length;
    const toCome = climbs.flatMap((climb, place) =>
      climb.startStepIndex <= index && climb.stepIndex <= index ? [ends[place]!.atEnd] : [],
    );
    return {
      passed,
      likely: toCome.filter((end) => Math.round(end) > index).length,
      atMost: toCome.filter((end) => Math.ceil(end) > index).length,
    };
  });
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, each) => total + each, 0);
}
