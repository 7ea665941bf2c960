import { imported } from '@escalier/contract/archive';
import { Hono, type Context } from 'hono';
import { answers, answersFile } from '../../platform/answers.ts';
import { countsItself } from '../../platform/body.ts';
import type { AppEnv } from '../../platform/context.ts';
import { Problem } from '../../platform/problem.ts';
import { forRole } from '../../platform/roles.ts';
import { logChange } from '../changes/index.ts';
import { exportSchool } from './export.ts';
import { importSchool } from './import.ts';
import { exportTables } from './tables.ts';
import { t } from '../../platform/messages.ts';

const MOST_EXPORTS = 3;
/** A device that takes nothing for so long has gone, or holds the school's transaction for nothing. */
const STALLED_MS = 60_000;
let exporting = 0;

function asFile(c: Context<AppEnv>, type: string, ending: string): void {
  const name = `${c.var.who.schoolName} ${c.var.now.toISOString().slice(0, 10)}.${ending}`;
  c.header('Content-Type', type);
  c.header('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
}

/** An answer that is written while it is sent, no faster than it is taken. It breaks off when writing fails. */
function streamed(work: (write: (bytes: Uint8Array) => Promise<void>) => Promise<void>): ReadableStream<Uint8Array> {
  if (exporting >= MOST_EXPORTS) throw new Problem(503, 'busy', t('routes.another-export-is-running-please-try'));
  exporting += 1;
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const writer = writable.getWriter();
  const write = async (bytes: Uint8Array): Promise<void> => {
    let timer: NodeJS.Timeout | undefined;
    const stalled = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('Nobody takes the copy.')), STALLED_MS);
    });
    try {
      await Promise.race([writer.write(bytes), stalled]);
    } finally {
      clearTimeout(timer);
    }
  };
  void work(write)
    .then(() => writer.close())
    .catch((error: unknown) => writer.abort(error))
    .catch(() => undefined)
    .finally(() => (exporting -= 1));
  return readable;
}

const encoder = new TextEncoder();

export const archiveRoutes = new Hono<AppEnv>()
  .use(forRole('owner'))
  .get('/', answersFile('application/json'), async (c) => {
    const { em, who, now } = c.var;
    const body = streamed((write) => exportSchool(em.fork(), who.schoolId, now, (text) => write(encoder.encode(text))));
    await logChange(em, who, null, { code: 'school-exported' });
    asFile(c, 'application/json; charset=utf-8', 'json');
    return c.body(body);
  })
  .get('/tables.zip', answersFile('application/zip'), async (c) => {
    const { em, who } = c.var;
    const body = streamed((write) => exportTables(em.fork(), who.schoolId, write));
    await logChange(em, who, null, { code: 'tables-exported' });
    asFile(c, 'application/zip', 'zip');
    return c.body(body);
  })
  .post('/', answers(imported, 201), countsItself, async (c) =>
    c.json(await importSchool(c.var.em, c.var.who, c.req.raw.body), 201),
  );
