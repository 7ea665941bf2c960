import { writeCsvSet } from '@escalier/core/formats';
import { Hono, type Context } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { wrongInput } from '../../platform/problem.ts';
import { noteChange } from '../schools/index.ts';
import { exportSchool } from './export.ts';
import type { Archive } from './format.ts';
import { importSchool, readArchive } from './import.ts';
import { archiveTables } from './tables.ts';

function asFile(c: Context<AppEnv>, type: string, ending: string): void {
  const name = `${c.var.who.schoolName} ${c.var.now.toISOString().slice(0, 10)}.${ending}`;
  c.header('Content-Type', type);
  c.header('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
}

export const archiveRoutes = new Hono<AppEnv>()
  .get('/', async (c) => {
    const archive = await exportSchool(c.var.em, c.var.who, c.var.now);
    await noteChange(c.var.em.fork(), c.var.who, null, 'The school exported as an archive');
    asFile(c, 'application/json; charset=utf-8', 'json');
    return c.body(archive);
  })
  .get('/tables.zip', async (c) => {
    const archive = await exportSchool(c.var.em, c.var.who, c.var.now);
    await noteChange(c.var.em.fork(), c.var.who, null, 'The school exported as CSV files');
    asFile(c, 'application/zip', 'zip');
    return c.body(writeCsvSet(archiveTables(JSON.parse(archive) as Archive)).slice().buffer);
  })
  .post('/', async (c) => {
    let body: unknown;
    try {
      body = await c.req.json();
    } catch {
      throw wrongInput({ archive: 'This file is no JSON.' });
    }
    return c.json(await importSchool(c.var.em, c.var.who, readArchive(body)), 201);
  });
