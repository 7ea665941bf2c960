import type { StaircaseChoice, StaircaseDto, StaircaseStepDto } from '@escalier/contract/staircases';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import { PupilEntity } from '../classes/index.ts';
import { heardOnSteps } from '../hearing/index.ts';

export async function listStaircases(em: EntityManager, user: SignedIn): Promise<readonly StaircaseChoice[]> {
  return em.execute<StaircaseChoice[]>(
    `select s.id, s.name, s.instrument as "instrumentId",
      (select count(*)::int from step where staircase_id = s.id) as steps,
      (select coalesce(json_agg(c.name order by c.name), '[]') from school_class c where c.staircase_id = s.id) as classes
    from staircase s where s.school_id = ? order by s.name, s.id`,
    [user.schoolId],
  );
}

const ONE = `
select s.id, s.name, s.instrument as "instrumentId", s.note_order as "noteOrder", s.version,
  (select coalesce(json_agg(json_build_object('id', c.id, 'name', c.name, 'lengthWords', c.style->>'lengthWords') order by c.name), '[]')
    from school_class c where c.staircase_id = s.id) as classes,
  (select coalesce(json_agg(json_build_object('id', st.id, 'belt', st.belt, 'lessons', st.lessons,
      'toPass', st.to_pass, 'passRule', st.pass_rule,
      'tunes', jsonb_build_array(jsonb_build_object('id', tu.id, 'title', tu.title, 'role', 'main')) || coalesce((
        select jsonb_agg(jsonb_build_object('id', more.id, 'title', more.title, 'role', t.role) order by t.position)
        from step_tune t join tune more on more.id = t.tune_id where t.step_id = st.id), '[]')
) order by st.position), '[]')
    from step st join tune tu on tu.id = st.tune_id where st.staircase_id = s.id) as steps
from staircase s where s.school_id = ? and s.id = ?`;

/** @throws Problem 404 when the school has no such staircase. */
export async function oneStaircase(em: EntityManager, user: SignedIn, id: string): Promise<StaircaseDto> {
  const [found] = await em.execute<(Omit<StaircaseDto, 'steps'> & { readonly steps: readonly StepRow[] })[]>(ONE, [
    user.schoolId,
    id,
  ]);
  if (found === undefined) throw notFound('staircase');
  const ids = found.steps.map((step) => step.id);
  const heard = await heardOnSteps(em, ids);
  const starters = await em.find(PupilEntity, { startStep: { $in: ids } }, { fields: ['startStep'] });
  return {
    ...found,
    steps: found.steps.map((step, index) => ({
      ...step,
      results: heard.get(step.id)?.results ?? 0,
      starters: index === 0 ? 0 : starters.filter((pupil) => pupil.startStep === step.id).length,
    })),
  };
}

type StepRow = Omit<StaircaseStepDto, 'results' | 'starters'>;
