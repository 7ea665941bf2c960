import type { EntityManager } from '../../platform/database.ts';

export interface StepPlace {
  readonly staircase: string;
  /** Counted from 1. */
  readonly position: number;
}

const STEPS = `
select s.name as staircase, step.position from step join staircase s on s.id = step.staircase_id
where step.tune_id = ? or exists (select 1 from step_tune t where t.step_id = step.id and t.tune_id = ?)
order by s.name, step.position`;

/** The steps that a tune stands on, as first tune or beside it. */
export async function stepsWithTune(em: EntityManager, tuneId: string): Promise<readonly StepPlace[]> {
  return em.execute<StepPlace[]>(STEPS, [tuneId, tuneId]);
}

/** The steps of a staircase as the plan of a unit needs them, from the first up. */
export async function stepsOfPlan(
  em: EntityManager,
  staircase: string,
): Promise<readonly { readonly title: string; readonly lessons: number }[]> {
  return em.execute<{ title: string; lessons: number }[]>(
    'select t.title, s.lessons from step s join tune t on t.id = s.tune_id where s.staircase_id = ? order by s.position',
    [staircase],
  );
}
