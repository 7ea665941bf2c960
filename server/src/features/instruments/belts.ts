import { BELTS } from '@escalier/core/staircase';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { classNeeds, type ClassNeeds } from '../classes/index.ts';
import { noteChange } from '../schools/index.ts';
import { BeltStockEntity, STOCK_WAYS, type StockWay } from './entities.ts';

const whole = z.int('A whole number.').min(0, 'Not less than 0.');
export const stockInput = z.object({
  belts: z
    .array(
      z.object({
        belt: z.enum(BELTS.map((each) => each.id)),
        way: z.enum(STOCK_WAYS),
        onHand: whole.max(1_000_000, 'At most 1,000,000.'),
        cmEach: whole.max(1000, 'At most 1,000 cm.'),
        reservePercent: whole.max(200, 'At most 200 %.'),
      }),
    )
    .max(BELTS.length)
    .refine((belts) => new Set(belts.map((each) => each.belt)).size === belts.length, 'Each belt once.'),
});

export interface BeltStock {
  readonly belt: string;
  readonly way: StockWay;
  /** Pieces, or centimetres of cord. */
  readonly onHand: number;
  readonly cmEach: number;
  readonly reservePercent: number;
}

export interface BeltDesk {
  readonly stock: readonly BeltStock[];
  readonly classes: readonly ClassNeeds[];
}

const USUAL = { way: 'pieces', onHand: 0, cmEach: 60, reservePercent: 10 } as const;

/** What is in stock, and what each class has needed and will need. */
export async function beltDesk(em: EntityManager, who: SignedIn, now: Date): Promise<BeltDesk> {
  const rows = await em.find(BeltStockEntity, { school: who.schoolId });
  const stock = BELTS.map(({ id }): BeltStock => {
    const row = rows.find((each) => each.belt === id);
    if (row === undefined) return { belt: id, ...USUAL };
    const { belt, way, onHand, cmEach, reservePercent } = row;
    return { belt, way, onHand, cmEach, reservePercent };
  });
  return { stock, classes: await classNeeds(em, who, now) };
}

export async function keepStock(em: EntityManager, who: SignedIn, { belts }: z.infer<typeof stockInput>) {
  await em.transactional(async (tx) => {
    await tx.upsertMany(
      BeltStockEntity,
      belts.map((each) => ({ school: who.schoolId, ...each })),
    );
    await noteChange(tx, who, null, 'Belts in stock');
  });
}
