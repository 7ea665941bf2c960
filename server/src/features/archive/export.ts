import type { EntityManager } from '../../platform/database.ts';
import { selectOf } from './columns.ts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, PARTS } from '@escalier/contract/archive';
import { withSnapshot } from './rows.ts';

const SCHOOL = `select name, time_zone as "timeZone", english, cautions, remarks, note_colours as "noteColours", templates from school where id = $school`;

/**
 * Writes the whole school as the text of an archive, a row a line. The database writes the JSON, and what was written is
 * not kept: a large school neither fills the memory nor keeps the server from answering others.
 */
export async function exportSchool(
  em: EntityManager,
  schoolId: string,
  now: Date,
  write: (text: string) => Promise<void>,
): Promise<void> {
  await withSnapshot(em, schoolId, async (snapshot) => {
    const asJson = (query: string) =>
      snapshot.rows<{ row: string }>(`select row_to_json(part)::text as row from (${query}) part`);
    const head = { format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, exportedAt: now };
    await write(JSON.stringify(head).slice(0, -1));
    for await (const [school] of asJson(SCHOOL)) await write(`,\n"school": ${school!.row}`);
    for (const part of PARTS) {
      await write(`,\n"${part}": [`);
      let before = '\n';
      for await (const rows of asJson(selectOf(part))) {
        await write(before + rows.map(({ row }) => row).join(',\n'));
        before = ',\n';
      }
      await write('\n]');
    }
    await write('\n}\n');
  });
}
