import { TZDate } from '@date-fns/tz';
import type { Lesson } from '@escalier/core/calendar';
import { REMARK_IDS, type RemarkId, type HeardEvent, type Outcome, type PupilState } from '@escalier/core/records';
import { newId } from '../platform/ids.ts';

/** Numbers in [0, 1) that are the same for the same seed. */
export type Chance = () => number;

/** mulberry32: small, and good enough to scatter a demo. */
export function seeded(seed: number): Chance {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Hearing {
  readonly stepIndex: number;
  readonly outcome: Outcome;
}

/** The hearings that bring a pupil to where the demo wants them, in order. */
function hearings(startIndex: number, stepIndex: number, state: PupilState, chance: Chance): readonly Hearing[] {
  const before: Hearing[] = [];
  for (let passed = startIndex; passed < stepIndex; passed++) {
    const spare = stepIndex <= 3;
    if (spare && chance() < 0.35) before.push({ stepIndex: passed, outcome: chance() < 0.6 ? 'nearly' : 'not-yet' });
    before.push({ stepIndex: passed, outcome: 'passed' });
  }
  const now: Record<PupilState, readonly Outcome[]> = {
    working: chance() < 0.3 ? ['not-yet'] : [],
    nearly: ['nearly'],
    stuck: ['not-yet', 'nearly', 'not-yet'],
    finished: [],
  };
  return [...before, ...now[state].map((outcome) => ({ stepIndex, outcome }))];
}

export interface DemoHistory {
  readonly pupilId: string;
  readonly startIndex: number;
  readonly stepIndex: number;
  readonly state: PupilState;
}

/** Spreads a pupil's hearings over the lessons that have been, at most two in one lesson. */
export function demoEvents(
  history: DemoHistory,
  stepIds: readonly string[],
  lessonsHad: readonly Lesson[],
  timeZone: string,
  chance: Chance,
): readonly HeardEvent[] {
  const list = hearings(history.startIndex, history.stepIndex, history.state, chance);
  return list.map((hearing, index): HeardEvent => {
    const share = (index + 0.3 + 0.6 * chance()) / list.length;
    const lesson = lessonsHad[Math.min(lessonsHad.length - 1, Math.floor(share * lessonsHad.length))]!;
    return {
      kind: 'heard',
      id: newId(),
      pupilId: history.pupilId,
      stepId: stepIds[hearing.stepIndex]!,
      outcome: hearing.outcome,
      remarks: hearing.outcome === 'passed' ? [] : remarksFor(history.state, hearing.stepIndex, chance),
      heardAt: timeInLesson(lesson, index, timeZone, chance).toISOString(),
    };
  });
}

/** Beginners leak and blow; later it is notes and stops. Who is stuck mostly leaks. */
function remarksFor(state: PupilState, stepIndex: number, chance: Chance): readonly RemarkId[] {
  const early: readonly RemarkId[] = ['leak', 'breath', 'tongue', 'hands'];
  const later: readonly RemarkId[] = ['note', 'stopped', 'leak', 'beat', 'slow'];
  if (state === 'stuck' && chance() < 0.9) return ['leak'];
  const likely = stepIndex < 2 ? early : later;
  const first = likely[Math.floor(chance() * likely.length)] ?? REMARK_IDS[0]!;
  return [first];
}

function timeInLesson(lesson: Lesson, index: number, timeZone: string, chance: Chance): Date {
  const [year, month, day] = lesson.date.split('-').map(Number);
  const [hour, minute] = lesson.at.split(':').map(Number);
  const start = new TZDate(year!, month! - 1, day!, hour!, minute!, timeZone);
  // Later hearings of a pupil come later in the lesson, should two fall into one.
  const within = Math.floor((0.3 + 0.06 * (index + chance())) * lesson.minutes * 60);
  return new Date(start.getTime() + within * 1000);
}
