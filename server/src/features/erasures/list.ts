import { appendFile, mkdir } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { EntityManager } from '../../platform/database.ts';
import { ErasureEntity } from './entities.ts';

export interface Erasure {
  readonly kind: string;
  readonly key: string;
  /** ISO 8601 in UTC. */
  readonly at: string;
}

/** Beside the copies, so that it outlives the database; null where nobody keeps copies. */
let listFile: string | null = null;

/** @param file of JSON lines, readable for its owner alone. */
export function keepErasuresIn(file: string | null): void {
  listFile = file;
}

/** Notes what is erased, in the transaction that does it. */
export async function listErasures(
  tx: EntityManager,
  erased: readonly Pick<Erasure, 'kind' | 'key'>[],
  now: Date,
): Promise<void> {
  if (erased.length === 0) return;
  await tx.upsertMany(
    ErasureEntity,
    erased.map(({ kind, key }) => ({ kind, key, at: now })),
  );
  if (listFile === null) return;
  const lines = erased.map(
    ({ kind, key }) => `${JSON.stringify({ kind, key, at: now.toISOString() } satisfies Erasure)}\n`,
  );
  await mkdir(dirname(listFile), { recursive: true, mode: 0o700 });
  await appendFile(listFile, lines.join(''), { mode: 0o600 });
}
