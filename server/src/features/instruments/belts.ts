import type { StockInput } from '@escalier/contract/instruments';
import type { BeltList, BeltStock } from '@escalier/contract/instruments';
import { BELTS } from '@escalier/core/staircase';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { changedMeanwhile, changeVersion, logChange } from '../changes/index.ts';
import { classNeeds } from '../class-page/index.ts';
import { BeltStockEntity } from './entities.ts';

const USUAL = { way: 'pieces', onHand: 0, cmEach: 60, reservePercent: 10, version: 0 } as const;

/** What is in stock, and what each class has needed and will need. */
export async function beltList(em: EntityManager, user: SignedIn, now: Date): Promise<BeltList> {
  const rows = await em.find(BeltStockEntity, { school: user.schoolId });
  const stock = BELTS.map(({ id }): BeltStock => {
    const row = rows.find((row) => row.belt === id);
    if (row === undefined) return { belt: id, ...USUAL };
    const { belt, way, onHand, cmEach, reservePercent, version: read } = row;
    return { belt, way, onHand, cmEach, reservePercent, version: read };
  });
  return { stock, classes: await classNeeds(em, user, now) };
}

export async function keepStock(em: EntityManager, user: SignedIn, { belts }: StockInput) {
  await em.transactional(async (tx) => {
    for (const { version: read, ...each } of belts) await keepBelt(tx, user, each, read);
    await logChange(tx, user, user.schoolId, { code: 'belt-stock-changed' });
  });
}

/** @throws Problem 409 when it was changed since it was read: by another form, or because belts were handed out. */
async function keepBelt(
  tx: EntityManager,
  user: SignedIn,
  each: Omit<StockInput['belts'][number], 'version'>,
  read: number,
): Promise<void> {
  const where = { school: user.schoolId, belt: each.belt };
  if (read > 0) {
    await changeVersion(tx, user, BeltStockEntity, { where, about: user.schoolId, version: read }, each);
    return;
  }
  const made = await tx
    .createQueryBuilder(BeltStockEntity)
    .insert({ ...where, ...each })
    .onConflict()
    .ignore();
  if (made.affectedRows === 0) throw await changedMeanwhile(tx, user.schoolId, user.schoolId);
}
