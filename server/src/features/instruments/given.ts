import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { wrongInput } from '../../platform/problem.ts';
import { classPasses } from '../classes/index.ts';
import { BeltGivenEntity, BeltStockEntity } from './entities.ts';

export const givenInput = z.object({
  belts: z
    .array(z.object({ pupilId: z.uuid(), stepId: z.uuid() }))
    .min(1, 'Choose a belt.')
    .max(1000),
  given: z.boolean(),
});
type GivenInput = z.infer<typeof givenInput>;

/** A belt that a pupil has earned. */
export interface EarnedBelt {
  readonly pupilId: string;
  readonly name: string;
  readonly stepId: string;
  readonly position: number;
  readonly belt: string;
  /** By the device's time. */
  readonly passedAt: string;
  /** Null as long as it was not handed out. */
  readonly givenAt: string | null;
}

export interface ClassBelts {
  readonly id: string;
  readonly name: string;
  readonly earned: readonly EarnedBelt[];
}

/** The belts that the pupils of the asker's classes have earned, and whether they have them. */
export async function earnedBelts(em: EntityManager, who: SignedIn): Promise<readonly ClassBelts[]> {
  const classes = await classPasses(em, who);
  const pupils = classes.flatMap((each) => each.pupils.map((pupil) => pupil.id));
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
  who: SignedIn,
  { belts, given }: GivenInput,
  now: Date,
): Promise<void> {
  const earned = (await earnedBelts(em, who)).flatMap((each) => each.earned);
  const wanted = belts.map(({ pupilId, stepId }) => {
    const found = earned.find((each) => each.pupilId === pupilId && each.stepId === stepId);
    if (found === undefined) throw wrongInput({ belts: 'Somebody has not passed the step of this belt.' });
    return found;
  });
  const changing = wanted.filter((each) => (each.givenAt === null) === given);
  await em.transactional(async (tx) => {
    for (const { pupilId, stepId, belt } of changing) {
      const key = { pupil: pupilId, step: stepId };
      const changed = given
        ? await insertOnce(tx, { ...key, account: who.accountId, givenAt: now })
        : await tx.nativeDelete(BeltGivenEntity, key);
      if (changed > 0) await restock(tx, who.schoolId, belt, given ? -1 : 1);
    }
  });
}

/** Two who tick one belt at the same moment take one from the stock. */
async function insertOnce(
  tx: EntityManager,
  row: { readonly pupil: string; readonly step: string; readonly account: string; readonly givenAt: Date },
): Promise<number> {
  const done = await tx.createQueryBuilder(BeltGivenEntity).insert(row).onConflict().ignore().execute('run');
  return done.affectedRows;
}

async function restock(tx: EntityManager, school: string, belt: string, count: 1 | -1): Promise<void> {
  const stock = await tx.findOne(BeltStockEntity, { school, belt }, { refresh: true });
  if (stock === null) return;
  const one = stock.way === 'cord' ? stock.cmEach : 1;
  await tx.nativeUpdate(BeltStockEntity, { school, belt }, { onHand: Math.max(0, stock.onHand + count * one) });
}
