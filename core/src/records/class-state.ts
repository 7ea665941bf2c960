import {
  classStep,
  goOnFrom,
  hearingQueue,
  lessonsWithout,
  type GoOn,
  type HearingPace,
  type QueuePlace,
} from './next.ts';
import type { Standing } from './standings.ts';
import { stuckPupils, type Stuck } from './stuck.ts';

export interface ClassPupil {
  readonly id: string;
  readonly joinedOn: string;
  /** Noted as away today. */
  readonly away: boolean;
}

/** What a class is judged by, beside where its pupils stand. Days are as `2026-03-03`. */
export interface ClassFrame {
  readonly pupils: readonly ClassPupil[];
  readonly stepIds: readonly string[];
  /** Seconds of one turn on each step: the tune, the change and the talk. */
  readonly turnSeconds: readonly number[];
  /** Percent that has to pass a step before the class goes on. */
  readonly goOnShare: number;
  /** Minutes of a lesson that are given to hearing. */
  readonly hearingMinutes: number;
  /** Within so many lessons everybody is heard. */
  readonly hearWithin: number;
  readonly lessonDays: readonly string[];
  readonly today: string;
  /** The school's day of a moment. */
  readonly dayOf: (moment: string) => string;
}

export interface ClassState {
  readonly pace: HearingPace;
  /** Index of the step that the class works on. */
  readonly classStep: number;
  readonly goOn: readonly GoOn[];
  /** Who is here today, whom to hear first at the front. */
  readonly queue: readonly QueuePlace[];
  readonly stuck: readonly Stuck[];
}

/** What follows for a class from where its pupils stand. */
export function classState(frame: ClassFrame, all: readonly Standing[]): ClassState {
  const pupils = new Map(frame.pupils.map((pupil) => [pupil.id, pupil]));
  const waits = new Map(all.map((standing) => [standing.pupilId, waited(frame, pupils, standing)]));
  const lessonsWaited = ({ pupilId }: Standing): number => waits.get(pupilId) ?? 0;
  const on = classStep(all, frame.stepIds.length, frame.goOnShare);
  const pace = { perLesson: turnsInLesson(frame, all), within: frame.hearWithin };
  const heardToday = ({ lastHeardAt }: Standing): boolean =>
    lastHeardAt !== null && frame.dayOf(lastHeardAt) === frame.today;
  const here = all.filter(({ pupilId }) => pupils.get(pupilId)?.away !== true);
  return {
    pace,
    classStep: on,
    goOn: frame.stepIds.map((_, index) => goOnFrom(all, index, frame.goOnShare)),
    queue: hearingQueue(here, lessonsWaited, pace, on, heardToday),
    stuck: stuckPupils(all, frame.stepIds, lessonsWaited, on),
  };
}

function waited(frame: ClassFrame, pupils: ReadonlyMap<string, ClassPupil>, standing: Standing): number {
  const joinedOn = pupils.get(standing.pupilId)?.joinedOn ?? frame.today;
  const lastOn = standing.lastHeardAt === null ? null : frame.dayOf(standing.lastHeardAt);
  return lessonsWithout(frame.lessonDays, lastOn, joinedOn, frame.today);
}

/** By the mean turn of those who are still on the stairs; one at least. */
function turnsInLesson({ turnSeconds, hearingMinutes }: ClassFrame, all: readonly Standing[]): number {
  const turns = all.flatMap((standing) => turnSeconds[standing.stepIndex] ?? []);
  if (turns.length === 0) return 1;
  const mean = turns.reduce((sum, seconds) => sum + seconds, 0) / turns.length;
  return Math.max(1, Math.floor((hearingMinutes * 60) / mean));
}
