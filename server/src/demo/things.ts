import type { LocalDate } from '@escalier/core/calendar';
import type { Condition } from '@escalier/core/instruments';
import { ClassEntity, PupilEntity } from '../features/classes/index.ts';
import { BeltStockEntity, InstrumentEntity, LoanEntity } from '../features/instruments/index.ts';
import { StaircaseEntity } from '../features/staircase/index.ts';
import type { EntityManager } from '../platform/database.ts';
import { newId } from '../platform/ids.ts';

/** Sets of instruments by kind; parallel classes share one. */
const SETS = [
  { kind: 'soprano-recorder-baroque', count: 30 },
  { kind: 'tin-whistle-d', count: 16 },
] as const;
const CONDITIONS: Readonly<Record<number, Condition>> = { 9: 'worn', 28: 'broken', 30: 'lost' };
const STOCK = [
  { belt: 'straw', way: 'pieces', onHand: 6, cmEach: 60, reservePercent: 10 },
  { belt: 'moss', way: 'pieces', onHand: 10, cmEach: 60, reservePercent: 10 },
  { belt: 'slate', way: 'cord', onHand: 1200, cmEach: 60, reservePercent: 10 },
] as const;

/** Instruments in the hands of the demo's pupils, and a few belts in a drawer. */
export async function seedThings(em: EntityManager, school: string, lentOn: LocalDate): Promise<void> {
  const ids = new Map<string, readonly string[]>();
  for (const { kind, count } of SETS) {
    const rows = Array.from({ length: count }, (_, index) => ({
      id: newId(),
      school,
      number: index + 1,
      kind,
      owner: 'school' as const,
      condition: CONDITIONS[index + 1] ?? ('good' as const),
      note: index === 8 ? 'Thumb hole is chipped' : '',
      cleanedAt: null,
    }));
    await em.insertMany(InstrumentEntity, rows);
    ids.set(
      kind,
      rows.map((row) => row.id),
    );
  }
  const stairs = await em.find(StaircaseEntity, { school });
  for (const each of await em.find(ClassEntity, { school })) {
    const free = ids.get(stairs.find((one) => one.id === each.staircase)!.instrument) ?? [];
    const pupils = await em.find(
      PupilEntity,
      { schoolClass: each.id, leftOn: null },
      { orderBy: { shownName: 'asc' } },
    );
    await em.insertMany(
      LoanEntity,
      pupils.slice(0, -2).map((pupil, index) => ({
        id: newId(),
        instrument: free[index]!,
        pupil: pupil.id,
        lentOn,
        returnedOn: null,
      })),
    );
  }
  await em.insertMany(
    BeltStockEntity,
    STOCK.map((row) => ({ school, ...row })),
  );
}
