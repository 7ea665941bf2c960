import type { ClassBelts, EarnedBelt, GivenInput } from '@escalier/contract/instruments';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { wrongInput } from '../../platform/problem.ts';
import { logChange } from '../changes/index.ts';
import { classPasses } from '../class-page/index.ts';
import { BeltGivenEntity } from './entities.ts';

/** The belts that the pupils of the asker's classes have earned, and whether they have them. */
export async function earnedBelts(em: EntityManager, user: SignedIn): Promise<readonly ClassBelts[]> {
  const classes = await classPasses(em, user);
  const pupils = classes.flatMap((passes) => passes.pupils.map((pupil) => pupil.id));
  const rows = await em.find(BeltGivenEntity, { pupil: { $in: pupils } });
  const given = new Map(rows.map((row) => [`${row.pupil} ${row.step}`, row.givenAt.toISOString()]));
  return classes.map(({ id, name, pupils: named, steps, passed }): ClassBelts => ({
    id,
    name,
    earned: passed.map(({ pupilId, stepId, passedAt }): EarnedBelt => {
      const { position, belt } = steps.find((step) => step.id === stepId)!;
      const pupil = named.find((each) => each.id === pupilId)!;
      const givenAt = given.get(`${pupilId} ${stepId}`) ?? null;
      return { pupilId, name: pupil.name, stepId, position, belt, passedAt, givenAt };
    }),
  }));
}

/**
 * Ticks belts as handed out, or takes the ticks away; what is in stock becomes less or more by as much.
 * @throws Problem 400 for a belt that was not earned.
 */
export async function giveBelts(
  em: EntityManager,
  user: SignedIn,
  { belts, given }: GivenInput,
  now: Date,
): Promise<void> {
  const earned = (await earnedBelts(em, user)).flatMap((each) => each.earned);
  const wanted = belts.map(({ pupilId, stepId }) => {
    const found = earned.find((each) => each.pupilId === pupilId && each.stepId === stepId);
    if (found === undefined) throw wrongInput({ belts: 'belt-not-passed' });
    return found;
  });
  const changing = wanted.filter((each) => (each.givenAt === null) === given);
  await em.transactional(async (tx) => {
    for (const { pupilId, stepId, belt, name } of changing) {
      const key = { pupil: pupilId, step: stepId };
      const changed = given ? await handOut(tx, user, key, belt, now) : await takeTickAway(tx, user, key, belt);
      if (changed) await logChange(tx, user, pupilId, { code: given ? 'belt-given' : 'belt-taken-back', name, belt });
    }
  });
}

interface GivenKey {
  readonly pupil: string;
  readonly step: string;
}

/** Two who tick one belt at the same moment take one from the stock. */
async function handOut(tx: EntityManager, user: SignedIn, key: GivenKey, belt: string, now: Date): Promise<boolean> {
  const row = { ...key, account: user.accountId, givenAt: now };
  const made = await tx.createQueryBuilder(BeltGivenEntity).insert(row).onConflict().ignore().execute('run');
  if (made.affectedRows === 0) return false;
  // What is there no more cannot be taken: so much is noted as was really taken, and comes back if the tick goes.
  const [taken] = await tx.execute<{ taken: number }[]>(
    `with before as (select on_hand, case way when 'cord' then cm_each else 1 end as one
      from belt_stock where school_id = ? and belt = ? for update)
    update belt_stock s set on_hand = s.on_hand - least(b.on_hand, b.one), version = s.version + 1
    from before b where s.school_id = ? and s.belt = ? returning least(b.on_hand, b.one) as taken`,
    [user.schoolId, belt, user.schoolId, belt],
  );
  if (taken !== undefined) await tx.nativeUpdate(BeltGivenEntity, key, { taken: taken.taken });
  return true;
}

async function takeTickAway(tx: EntityManager, user: SignedIn, key: GivenKey, belt: string): Promise<boolean> {
  const [gone] = await tx.execute<{ taken: number }[]>(
    'delete from belt_given where pupil_id = ? and step_id = ? returning taken',
    [key.pupil, key.step],
  );
  if (gone === undefined) return false;
  await tx.execute(
    'update belt_stock set on_hand = on_hand + ?, version = version + 1 where school_id = ? and belt = ?',
    [gone.taken, user.schoolId, belt],
  );
  return true;
}
