import { IsolationLevel } from '@mikro-orm/core';
import type { EntityManager } from '../../platform/database.ts';

const ROWS_AT_ONCE = 2000;

/** Reads the rows of statements about one school piece by piece, all as they were at one moment. */
export interface Snapshot {
  /** @param query with `$school` for the id of the school. */
  rows<Row>(query: string): AsyncGenerator<readonly Row[]>;
}

/** Runs `work` in one transaction that sees no later change, however long it takes. */
export async function withSnapshot(
  em: EntityManager,
  schoolId: string,
  work: (snapshot: Snapshot) => Promise<void>,
): Promise<void> {
  if (!/^[0-9a-f-]{36}$/.test(schoolId)) throw new Error('A school has a UUID');
  await em.transactional(
    async (tx) => {
      let cursors = 0;
      await work({
        async *rows<Row>(query: string) {
          const name = `rows_${(cursors += 1)}`;
          // A cursor takes no parameters.
          await tx.execute(
            `declare ${name} no scroll cursor for ${query.replaceAll('$school', `'${schoolId}'::uuid`)}`,
          );
          for (;;) {
            const rows = await tx.execute<Row[]>(`fetch ${ROWS_AT_ONCE} from ${name}`);
            if (rows.length > 0) yield rows;
            if (rows.length < ROWS_AT_ONCE) break;
          }
          await tx.execute(`close ${name}`);
        },
      });
    },
    { isolationLevel: IsolationLevel.REPEATABLE_READ, readOnly: true },
  );
}
