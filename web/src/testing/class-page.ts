import { USUAL_HEARING } from '@escalier/contract/classes';
import type { ClassSummary } from '@escalier/contract/class-pages';
import { USUAL_TEACHING } from '@escalier/core/practice';
import type { LocalDate } from '@escalier/core/calendar';
import type { ClassView, PupilView, StepView } from '../features/classes/index.ts';

/** A step of a staircase for tests. */
export function step(position: number, more: Partial<StepView> = {}): StepView {
  return {
    id: `step-${position}`,
    position,
    belt: 'straw',
    lessons: 3,
    tuneId: 't',
    title: `Tune ${position}`,
    tunes: [{ id: 't', title: `Tune ${position}`, role: 'main', bars: 8 }],
    passRule: { tempo: null, slips: null, lookFor: [] },
    toPass: 1,
    tuneSeconds: 24,
    tempo: 84,
    hardMoves: [],
    rise: { total: 4, parts: [] },
    newNotes: [],
    newElements: [],
    newSigns: [],
    goOn: { passed: 0, of: 4, share: 0, ruleShare: 70, goOn: false },
    ...more,
  };
}

/** A pupil of a class for tests, by a name that is the id as well. */
export function pupilView(name: string, more: Partial<PupilView> = {}): PupilView {
  return {
    id: name,
    name,
    startStep: 1,
    joinedOn: '2026-03-01',
    leftOn: null,
    playsInstead: null,
    breathSeconds: null,
    printSize: 'medium',
    easierLine: false,
    erased: false,
    away: false,
    records: 0,
    standing: null,
    ...more,
  };
}

/** A class as its pages show it, in its fifth lesson of nine. */
export function classPage(more: Partial<ClassView> = {}): ClassView {
  return {
    id: 'c',
    staircaseId: 's',
    name: '4 Plover',
    grade: 'Year 4',
    instrumentId: 'soprano-recorder-baroque',
    style: {
      naming: 'letters',
      counting: null,
      lengthWords: 'british',
      goOnShare: 70,
      passRule: 'both',
      ladder: ['say', 'clap', 'whole'],
      hearing: USUAL_HEARING,
      teaching: USUAL_TEACHING,
      points: { kind: 'none' },
      posture: { mouth: 'lips', restsAt: 'chin', handMark: 'the dot' },
    },
    today: '2026-03-03',
    term: { name: 'Term', startsOn: '2026-02-02', endsOn: '2026-05-01' },
    lessons: {
      total: 9,
      had: 4,
      left: 5,
      lost: 1,
      next: null,
      all: Array.from({ length: 9 }, (_, index) => ({
        number: index + 1,
        date: `2026-03-0${index + 1}` as LocalDate,
        at: '09:00',
        minutes: 40,
        mode: 'room' as const,
      })),
    },
    steps: [step(1), step(2), step(3)],
    pupils: [],
    timeZone: 'UTC',
    pace: { perLesson: 10, within: 6 },
    classStep: 0,
    queue: [],
    stuck: [],
    ...more,
  };
}

/** The same class as it stands among those of its teacher. */
export function classSummary(more: Partial<ClassSummary> = {}): ClassSummary {
  const { id, staircaseId, name, grade, instrumentId, style, lessons, classStep } = classPage();
  return {
    id,
    staircaseId,
    name,
    grade,
    instrumentId,
    style,
    lessons,
    classStep,
    pupils: 0,
    belts: [],
    onStep: [],
    nearly: 0,
    stuck: 0,
    hearFirst: null,
    waits: null,
    ...more,
  };
}
