import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ThreadPool, TooMuch } from './thread-pool.ts';

const SCRIPT = `
import { parentPort } from 'node:worker_threads';
const jobs = {
  double: (count) => 2 * count,
  forever: () => { for (;;); },
  swell: () => { const all = []; for (;;) all.push(new Array(100000).fill({})); },
  fail: () => { throw new Error('a bug'); },
};
parentPort.on('message', ({ number, name, args }) => {
  try { parentPort.postMessage({ number, value: jobs[name](...args) }); }
  catch (error) { parentPort.postMessage({ number, broken: { message: error.message, stack: '' } }); }
});
parentPort.postMessage('ready');
`;

const folder = mkdtempSync(join(tmpdir(), 'escalier-threads-'));
const before = process.env.ESCALIER_THREADS;
beforeAll(() => {
  writeFileSync(join(folder, 'jobs.mjs'), SCRIPT);
  process.env.ESCALIER_THREADS = folder;
});
afterAll(() => {
  process.env.ESCALIER_THREADS = before;
  rmSync(folder, { recursive: true });
});

const pool = (size = 1) => new ThreadPool(import.meta.url, 'jobs.mjs', { size, megabytes: 64, mostWaitingEach: 200 });

describe('threads with limits', () => {
  it('answer one question after the other, and say what went wrong', async () => {
    const threads = pool();
    const answers = await Promise.all([1, 2, 3].map((count) => threads.ask('double', [count], 5000)));
    expect(answers).toEqual([2, 4, 6]);
    await expect(threads.ask('fail', [], 5000)).rejects.toThrow('a bug');
  });

  it('end what takes too long, and go on with the others', async () => {
    const threads = pool();
    const [stuck, next] = await Promise.allSettled([threads.ask('forever', [], 100), threads.ask('double', [4], 5000)]);
    expect(stuck).toMatchObject({ status: 'rejected', reason: expect.any(TooMuch) as TooMuch });
    expect(next).toEqual({ status: 'fulfilled', value: 8 });
  });

  it('end what takes too much memory, and the process lives on', async () => {
    const threads = pool();
    await expect(threads.ask('swell', [], 60_000)).rejects.toThrow(TooMuch);
    expect(await threads.ask('double', [5], 5000)).toBe(10);
  });

  it('refuse when too many wait', async () => {
    const threads = pool();
    const asks = Array.from({ length: 200 }, () => threads.ask('double', [1], 5000));
    await expect(threads.ask('double', [1], 5000)).rejects.toMatchObject({ status: 503 });
    expect(await Promise.all(asks)).toHaveLength(200);
  });

  it('keep no process alive that has nothing else to do', () => {
    const here = JSON.stringify(new URL('thread-pool.ts', import.meta.url).href);
    const script = `
      import { ThreadPool } from ${here};
      const answer = await new ThreadPool(${here}, 'jobs.mjs', { size: 1, megabytes: 64 }).ask('double', [21], 5000);
      process.stdout.write(String(answer));`;
    const args = ['--import', 'tsx', '--input-type=module', '--eval', script];
    const { stdout, signal } = spawnSync(process.execPath, args, { encoding: 'utf8', timeout: 20_000 });
    expect({ stdout, signal }).toEqual({ stdout: '42', signal: null });
  }, 30_000);
});
