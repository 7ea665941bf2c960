import { dayIn, type LocalDate } from '../calendar/index.ts';
import {
  groupBy,
  hearings,
  schoolTime,
  standings,
  type ForecastRequest,
  type HeardPupil,
  type RecordEvent,
} from '../records/index.ts';
import { stepRules, type ClassOnDay } from './class-view.ts';

export interface ForecastSettings {
  /** Pupils who can be heard in a lesson, as the class plans it. */
  readonly perLesson: number;
  /** Hearing-rate multiplier for future lessons, for trying out; default 1. */
  readonly turns?: number;
  /** Lessons to take as known, to look back at an earlier forecast; default all taught so far. */
  readonly known?: number;
  /** Lessons to forecast; default the rest of the term. */
  readonly ahead?: number;
  readonly runs?: number;
}

/** Enough for chances that stay where they are to a percent. */
export const FORECAST_RUNS = 10_000;
const SEED = 11;

/** What `forecastClass` needs to say where a class will stand after each lesson to come. @returns null when nobody is in it. */
export function forecastRequest(
  day: ClassOnDay,
  events: Iterable<RecordEvent>,
  { perLesson, turns = 1, known, ahead = Infinity, runs = FORECAST_RUNS }: ForecastSettings,
): ForecastRequest | null {
  const dates = day.lessons.all.map((lesson) => lesson.date);
  const past = known ?? dates.filter((date) => date <= day.today).length;
  const pupils = heardPupils(day, events, dates.slice(0, past));
  if (pupils.length === 0) return null;
  return {
    steps: day.steps.length,
    lessonsPast: past,
    lessonsLeft: Math.min(ahead, dates.length - past),
    heardPerLesson: perLesson * turns,
    turns,
    pupils,
    runs,
    seed: SEED,
  };
}

/** Who was heard in which lesson, and which hearings passed a step. */
function heardPupils(
  on: ClassOnDay,
  events: Iterable<RecordEvent>,
  lessons: readonly LocalDate[],
): readonly HeardPupil[] {
  const dayOf = dayIn(on.timeZone);
  const rules = stepRules(on.steps, on.style.teaching.parts);
  const positions = new Map(on.steps.map((step, index) => [step.id, index + 1]));
  const byPupil = groupBy(hearings(events), (event) => event.pupilId);
  return on.pupils
    .filter((pupil) => pupil.leftOn === null)
    .map(({ id, startStep, joinedOn }): HeardPupil => {
      const heard = byPupil.get(id) ?? [];
      const [standing] = standings([{ pupilId: id, startStepIndex: startStep - 1 }], rules, heard);
      const passedAt = new Set(standing!.steps.flatMap((step) => step.passedAt ?? []));
      return {
        id,
        startStep,
        sinceLesson: Math.max(1, lessons.filter((date) => date < joinedOn).length + 1),
        results: heard.flatMap((event) => {
          const step = positions.get(event.stepId);
          const day = dayOf(schoolTime(event));
          // What was heard between two lessons counts to the one before.
          const lesson = Math.max(1, lessons.filter((date) => date <= day).length);
          const isKnown = lessons.length > 0 && day <= lessons.at(-1)!;
          return step === undefined || !isKnown ? [] : [{ lesson, step, passed: passedAt.has(event.heardAt) }];
        }),
      };
    });
}
