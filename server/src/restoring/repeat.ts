import { localToday } from '../platform/today.ts';
import type { EntityManager } from '../platform/database.ts';
import { PupilEntity } from '../features/classes/index.ts';
import { erasePersonalData } from '../features/pupils/index.ts';
import { RecordingEntity } from '../features/recordings/index.ts';
import { SchoolEntity } from '../features/schools/index.ts';
import { cleanTrace, ErasureEntity, isPlace, type Erasure } from '../features/erasures/index.ts';

export interface Repeated {
  readonly pupils: number;
  readonly recordings: number;
  readonly texts: number;
}

/** Erases again what was erased after a copy was made, and keeps the list for the next copy. */
export async function repeatErasures(tx: EntityManager, erasures: readonly Erasure[]): Promise<Repeated> {
  const of = (kind: string): readonly Erasure[] => erasures.filter((erasure) => erasure.kind === kind);
  let cleaned = 0;
  // Names go out of texts first: they are known only as long as the pupils have them.
  for (const text of erasures) if (await cleanAgain(tx, text)) cleaned++;
  let pupils = 0;
  for (const { key, at } of of('pupil')) if (await erasePupilAgain(tx, key, new Date(at))) pupils++;
  const recordings = await tx.nativeDelete(RecordingEntity, { id: { $in: of('recording').map(({ key }) => key) } });
  for (const { kind, key, at } of erasures) await tx.upsert(ErasureEntity, { kind, key, at: new Date(at) });
  return { pupils, recordings, texts: cleaned };
}

async function cleanAgain(tx: EntityManager, { kind, key }: Erasure): Promise<boolean> {
  if (!isPlace(kind)) return false;
  const [row = '', pupilId = ''] = key.split('@');
  const pupil = await tx.findOne(PupilEntity, { id: pupilId, erasedAt: null });
  if (pupil === null) return false;
  await cleanTrace(tx, pupil.school, { place: kind, key: row }, pupil.shownName);
  return true;
}

async function erasePupilAgain(tx: EntityManager, id: string, now: Date): Promise<boolean> {
  const pupil = await tx.findOne(PupilEntity, { id, erasedAt: null });
  if (pupil === null) return false;
  const { timeZone } = await tx.findOneOrFail(SchoolEntity, { id: pupil.school });
  await erasePersonalData(tx, id, { now, today: localToday(now, timeZone) });
  return true;
}
