import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { expect, it } from 'vitest';
import { createTestApp, TUNES_FOLDER } from './testing/index.ts';

/** The built server beside its threads, on a database, until it answers. */
async function startOn(databaseUrl: string, ownerUrl: string): Promise<() => Promise<void>> {
  const child = spawn(process.execPath, [join(process.env.ESCALIER_THREADS!, 'main.mjs')], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      ESCALIER_MIGRATION_URL: ownerUrl,
      ESCALIER_DEMO: 'off',
      ESCALIER_DEMO_TUNES: TUNES_FOLDER,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout, 'data');
  return async () => {
    child.kill('SIGTERM');
    await once(child, 'exit');
  };
}

it('a server that starts erases the recordings whose days are over', async () => {
  const test = await createTestApp();
  const kept = async () => {
    const [row] = await test.orm.em.fork().execute<{ n: number }[]>('select count(*)::int as n from recording');
    return row!.n;
  };
  for (const days of [1, 40])
    await test.orm.em.fork().execute(
      `insert into recording (id, school_id, school_class_id, pupil_id, step_id, tune_id, file_name, type, bytes, seconds,
        received_at, words, sound)
      select ?, p.school_id, p.school_class_id, p.id, s.id, s.tune_id, 'a.wav', 'audio/wav', 1, 1,
        now() - make_interval(days => ?), '', '\\x00'
      from pupil p join step s on s.id = p.start_step_id limit 1`,
      [v7(), days],
    );
  expect(await kept()).toBe(2);
  const stop = await startOn(test.databaseUrl, test.ownerUrl);
  expect(await kept()).toBe(1);
  await stop();
  await test.close();
});
