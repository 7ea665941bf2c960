import type { ClassNeeds } from '@escalier/contract/instruments';
import { lessonsNow } from '@escalier/core/calendar';
import { stepNeeds, type Climb } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { readClassRows, type ClassRow } from './queries.ts';
import { lessonsOfClass } from './state.ts';
import { localToday } from '../../platform/today.ts';

export async function classNeeds(em: EntityManager, user: SignedIn, now: Date): Promise<readonly ClassNeeds[]> {
  const day = localToday(now, user.timeZone);
  const rows = await readClassRows(em, user, null);
  return rows.map((row): ClassNeeds => {
    const lessons = lessonsOfClass(row);
    const byPupil = new Map(row.pupils.map((pupil) => [pupil.id, pupil]));
    const climbs = row.standings.map((standing): Climb => {
      const { startStep, joinedOn } = byPupil.get(standing.pupilId)!;
      return {
        pupilId: standing.pupilId,
        stepIndex: standing.stepIndex,
        startStepIndex: startStep - 1,
        lessonsHad: lessons.filter((lesson) => lesson.date >= joinedOn && lesson.date < day).length,
      };
    });
    const left = lessonsNow(lessons, day).left;
    const needs = stepNeeds(climbs, row.steps.length, left);
    return {
      id: row.id,
      name: row.name,
      lessonsLeft: left,
      steps: row.steps.map(({ belt, position }, index) => ({ belt, position, ...needs[index]! })),
    };
  });
}

/** A step that somebody has passed, above their own start: a belt is due for it. */
export interface PassedStep {
  readonly pupilId: string;
  readonly stepId: string;
  /** By the device's time. */
  readonly passedAt: string;
}

export interface ClassPasses {
  readonly id: string;
  readonly name: string;
  readonly pupils: readonly { readonly id: string; readonly name: string }[];
  readonly steps: readonly { readonly id: string; readonly position: number; readonly belt: string }[];
  readonly passed: readonly PassedStep[];
}

/** What the pupils of the asker's classes have passed. */
export async function classPasses(em: EntityManager, user: SignedIn): Promise<readonly ClassPasses[]> {
  const rows = await readClassRows(em, user, null);
  return rows.map((row): ClassPasses => ({
    id: row.id,
    name: row.name,
    pupils: row.pupils.map(({ id, name }) => ({ id, name })),
    steps: row.steps.map(({ id, position, belt }) => ({ id, position, belt })),
    passed: passedIn(row),
  }));
}

function passedIn(row: ClassRow): readonly PassedStep[] {
  const starts = new Map(row.pupils.map((pupil) => [pupil.id, pupil.startStep]));
  const positions = new Map(row.steps.map((step) => [step.id, step.position]));
  return row.standings.flatMap(({ pupilId, steps }) =>
    steps.flatMap(({ stepId, passedAt }): PassedStep[] =>
      passedAt === null || positions.get(stepId)! < starts.get(pupilId)! ? [] : [{ pupilId, stepId, passedAt }],
    ),
  );
}
