import { beltsFor, noteOrder } from '@escalier/core/staircase';
import { StaircaseEntity, StepEntity, StepTuneEntity } from '../features/staircase/index.ts';
import { TuneEntity } from '../features/tunes/index.ts';
import type { EntityManager } from '../platform/database.ts';
import { newId } from '../platform/ids.ts';
import { DEMO_STAIRCASES, type DemoStaircase } from './school.ts';
import type { Shipped, ShippedTune, Template } from './shipped.ts';

export type StaircaseKey = keyof typeof DEMO_STAIRCASES;

export interface FirstStaircase {
  readonly id: string;
  readonly stepIds: readonly string[];
}

/** Puts the tunes and the staircases that ship with Escalier into a school. */
export async function fillSchool(
  em: EntityManager,
  schoolId: string,
  { tunes, templates }: Shipped,
): Promise<ReadonlyMap<StaircaseKey, FirstStaircase>> {
  const tuneIds = await addFirstTunes(em, schoolId, tunes);
  const staircases = new Map<StaircaseKey, FirstStaircase>();
  for (const key of Object.keys(DEMO_STAIRCASES) as StaircaseKey[]) {
    const { name, instrument, steps }: DemoStaircase = DEMO_STAIRCASES[key];
    const id = newId();
    await em.insert(StaircaseEntity, { id, school: schoolId, name, instrument });
    const rows = steps.map((step, index) => ({
      id: newId(),
      staircase: id,
      position: index + 1,
      tune: tuneIds.get(step.tune)!,
      belt: step.belt,
      lessons: step.lessons,
      toPass: 1,
    }));
    await em.insertMany(StepEntity, rows);
    const more = steps.flatMap((step, index) =>
      (step.or ?? []).map((slug, at) => ({
        step: rows[index]!.id,
        tune: tuneIds.get(slug)!,
        position: at + 1,
        role: 'choice' as const,
      })),
    );
    if (more.length > 0) await em.insertMany(StepTuneEntity, more);
    staircases.set(key, { id, stepIds: rows.map((row) => row.id) });
  }
  await addTemplates(em, schoolId, templates, tuneIds);
  return staircases;
}

async function addTemplates(
  em: EntityManager,
  schoolId: string,
  templates: readonly Template[],
  tuneIds: ReadonlyMap<string, string>,
): Promise<void> {
  for (const { name, instrument, order, steps } of templates) {
    const id = newId();
    await em.insert(StaircaseEntity, { id, school: schoolId, name, instrument, noteOrder: noteOrder(order).notes });
    const belts = beltsFor(steps.length);
    await em.insertMany(
      StepEntity,
      steps.map(({ tune, lessons }, index) => ({
        id: newId(),
        staircase: id,
        position: index + 1,
        tune: tuneIds.get(tune)!,
        belt: belts[index]!,
        lessons,
        toPass: 1,
      })),
    );
  }
}

async function addFirstTunes(
  em: EntityManager,
  schoolId: string,
  shipped: readonly ShippedTune[],
): Promise<ReadonlyMap<string, string>> {
  const tunes = shipped.map((tune) => ({ ...tune, id: newId() }));
  await em.insertMany(
    TuneEntity,
    tunes.map(({ id, title, abc, content }) => ({ id, school: schoolId, title, abc, content })),
  );
  return new Map(tunes.map(({ slug, id }) => [slug, id]));
}
