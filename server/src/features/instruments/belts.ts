import { STOCK_WAYS, type StockWay } from '@escalier/core/instruments';
import { BELTS } from '@escalier/core/staircase';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { changedMeanwhile, changeVersion, noteChange } from '../changes/index.ts';
import { classNeeds, type ClassNeeds } from '../class-page/index.ts';
import { BeltStockEntity } from './entities.ts';
import { whole } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

export const stockInput = z.object({
  belts: z
    .array(
      z.object({
        belt: z.enum(BELTS.map((each) => each.id)),
        way: z.enum(STOCK_WAYS),
        onHand: whole,
        cmEach: whole.max(1000),
        reservePercent: whole.max(200),
        /** 0 as long as nothing was noted of this belt. */
        version,
      }),
    )
    .max(BELTS.length)
    .refine((belts) => new Set(belts.map((each) => each.belt)).size === belts.length, 'twice'),
});

export interface BeltStock {
  readonly belt: string;
  readonly way: StockWay;
  /** Pieces, or centimetres of cord. */
  readonly onHand: number;
  readonly cmEach: number;
  readonly reservePercent: number;
  readonly version: number;
}

export interface BeltList {
  readonly stock: readonly BeltStock[];
  readonly classes: readonly ClassNeeds[];
}

const USUAL = { way: 'pieces', onHand: 0, cmEach: 60, reservePercent: 10, version: 0 } as const;

/** What is in stock, and what each class has needed and will need. */
export async function beltList(em: EntityManager, who: SignedIn, now: Date): Promise<BeltList> {
  const rows = await em.find(BeltStockEntity, { school: who.schoolId });
  const stock = BELTS.map(({ id }): BeltStock => {
    const row = rows.find((each) => each.belt === id);
    if (row === undefined) return { belt: id, ...USUAL };
    const { belt, way, onHand, cmEach, reservePercent, version: read } = row;
    return { belt, way, onHand, cmEach, reservePercent, version: read };
  });
  return { stock, classes: await classNeeds(em, who, now) };
}

export async function keepStock(em: EntityManager, who: SignedIn, { belts }: z.infer<typeof stockInput>) {
  await em.transactional(async (tx) => {
    for (const { version: read, ...each } of belts) await keepBelt(tx, who, each, read);
    await noteChange(tx, who, who.schoolId, 'Belts in stock');
  });
}

/** @throws Problem 409 when it was changed since it was read: by another form, or because belts were handed out. */
async function keepBelt(
  tx: EntityManager,
  who: SignedIn,
  each: Omit<z.infer<typeof stockInput>['belts'][number], 'version'>,
  read: number,
): Promise<void> {
  const where = { school: who.schoolId, belt: each.belt };
  if (read > 0) {
    await changeVersion(tx, who, BeltStockEntity, { where, about: who.schoolId, version: read }, each);
    return;
  }
  const made = await tx
    .createQueryBuilder(BeltStockEntity)
    .insert({ ...where, ...each })
    .onConflict()
    .ignore();
  if (made.affectedRows === 0) throw await changedMeanwhile(tx, who.schoolId, who.schoolId);
}
