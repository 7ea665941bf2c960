import type { LocalDate } from '../units/index.ts';
import { hearings, schoolTime, type HeardEvent, type RecordEvent } from './events.ts';
import { groupBy, median } from './group.ts';
import { standings, type PupilStart, type StepRule } from './standings.ts';

export interface TrendPupil extends PupilStart {
  /** Day, as `2026-03-03`. */
  readonly joinedOn: LocalDate;
}

export interface TrendRequest {
  readonly pupils: readonly TrendPupil[];
  readonly steps: readonly StepRule[];
  readonly events: Iterable<RecordEvent>;
  /** Days of the class's lessons that have been, in order. */
  readonly lessonsHad: readonly LocalDate[];
  /** The school's day of a moment, as `2026-03-03`. */
  readonly dayOf: (moment: string) => LocalDate;
}

export interface WeekTrend {
  /** The Monday. */
  readonly week: LocalDate;
  readonly heard: number;
  readonly passed: number;
}

export interface StepTrend {
  readonly stepIndex: number;
  readonly passed: number;
  /** Lessons from coming to the step to passing it: the middle of those who have passed; null while nobody has. */
  readonly lessons: number | null;
  /** Hearings for each pass; null while nobody has passed. */
  readonly triesPerPass: number | null;
  /** Remarks at hearings of this step, the most frequent first. */
  readonly remarks: readonly { readonly remark: string; readonly count: number }[];
}

export interface ClassTrends {
  readonly weeks: readonly WeekTrend[];
  readonly steps: readonly StepTrend[];
  /** The step that takes longest, by half as much again as the others usually take; null when none stands out. */
  readonly bottleneck: { readonly stepIndex: number; readonly lessons: number; readonly usual: number } | null;
  /** Steps climbed by a pupil on the average after each lesson, 0 before the first. */
  readonly came: readonly number[];
}

interface Pass {
  readonly pupilId: string;
  readonly stepIndex: number;
  readonly day: LocalDate;
  /** Lessons since the pupil came to the step. */
  readonly lessons: number;
}

/** How a class climbs: by week, by step, and lesson after lesson. */
export function classTrends(request: TrendRequest): ClassTrends {
  const ids = new Set(request.pupils.map((pupil) => pupil.pupilId));
  const heard = hearings(request.events).filter((event) => ids.has(event.pupilId));
  const passes = passesOf(request, heard);
  const steps = request.steps.map((step, index) => stepTrend(step, index, passes, heard));
  return {
    weeks: weekTrends(heard, passes, request.dayOf),
    steps,
    bottleneck: bottleneckOf(steps),
    came: cameOf(passes, request),
  };
}

/** The first pass of each step by each pupil, from the pupil's own start upwards. */
function passesOf({ pupils, steps, lessonsHad, dayOf }: TrendRequest, heard: readonly HeardEvent[]): readonly Pass[] {
  const byPupil = groupBy(heard, (event) => event.pupilId);
  return pupils.flatMap((pupil) => {
    const events = byPupil.get(pupil.pupilId) ?? [];
    const standing = standings([pupil], steps, events)[0]!;
    const times = new Map(events.map((event) => [event.heardAt, schoolTime(event)]));
    const days = standing.steps.flatMap(({ stepId, passedAt }) => {
      const stepIndex = steps.findIndex((step) => step.id === stepId);
      if (passedAt === null || stepIndex < pupil.startStepIndex) return [];
      return [{ stepIndex, day: dayOf(times.get(passedAt) ?? passedAt) }];
    });
    let came: LocalDate | null = null;
    return days
      .toSorted((a, b) => a.stepIndex - b.stepIndex)
      .map(({ stepIndex, day }): Pass => {
        const isOn = (date: LocalDate): boolean =>
          (came === null ? date >= pupil.joinedOn : date > came) && date <= day;
        const pass = { pupilId: pupil.pupilId, stepIndex, day, lessons: lessonsHad.filter(isOn).length };
        if (came === null || day > came) came = day;
        return pass;
      });
  });
}

function stepTrend(
  { id }: StepRule,
  stepIndex: number,
  passes: readonly Pass[],
  heard: readonly HeardEvent[],
): StepTrend {
  const onStep = heard.filter((event) => event.stepId === id);
  const passed = passes.filter((pass) => pass.stepIndex === stepIndex);
  const remarks = groupBy(
    onStep.flatMap((event) => event.remarks),
    (remark) => remark,
  );
  return {
    stepIndex,
    passed: passed.length,
    lessons: median(passed.map((pass) => pass.lessons)),
    triesPerPass: passed.length === 0 ? null : onStep.length / passed.length,
    remarks: [...remarks].map(([remark, all]) => ({ remark, count: all.length })).toSorted((a, b) => b.count - a.count),
  };
}

function weekTrends(
  heard: readonly HeardEvent[],
  passes: readonly Pass[],
  dayOf: (moment: string) => LocalDate,
): readonly WeekTrend[] {
  const heardBy = groupBy(heard, (event) => mondayOf(dayOf(schoolTime(event))));
  const passedBy = groupBy(passes, (pass) => mondayOf(pass.day));
  const weeks = [...new Set([...heardBy.keys(), ...passedBy.keys()])].toSorted();
  const [first, last] = [weeks[0], weeks.at(-1)];
  if (first === undefined || last === undefined) return [];
  const all: WeekTrend[] = [];
  // Weeks without a hearing stand there too: a gap is something to see.
  for (let week = first; week <= last; week = addDays(week, 7))
    all.push({ week, heard: heardBy.get(week)?.length ?? 0, passed: passedBy.get(week)?.length ?? 0 });
  return all;
}

const DAY = 86_400_000;

function addDays(day: LocalDate, days: number): LocalDate {
  return new Date(Date.parse(day) + days * DAY).toISOString().slice(0, 10) as LocalDate;
}

/** The first of January 1970 was a Thursday. */
function mondayOf(day: LocalDate): LocalDate {
  const number = Math.floor(Date.parse(day) / DAY);
  return addDays(day, -((number + 3) % 7));
}

/** A step has to have been passed by so many before it can stand out. */
const ENOUGH = 3;

function bottleneckOf(steps: readonly StepTrend[]): ClassTrends['bottleneck'] {
  const known = steps.filter((step) => step.passed >= ENOUGH && step.lessons !== null);
  const [longest, ...others] = known.toSorted((a, b) => b.lessons! - a.lessons!);
  const usual = median(others.map((step) => step.lessons!));
  if (usual === null || longest === undefined || longest.lessons! <= 1.5 * usual) return null;
  return { stepIndex: longest.stepIndex, lessons: longest.lessons!, usual };
}

function cameOf(passes: readonly Pass[], { lessonsHad, pupils }: TrendRequest): readonly number[] {
  const share = (day: LocalDate): number =>
    passes.filter((pass) => pass.day <= day).length / Math.max(1, pupils.length);
  return [0, ...lessonsHad.map(share)];
}
