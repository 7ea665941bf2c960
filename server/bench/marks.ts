import { Pool } from 'pg';
import { v7 } from 'uuid';
import type { Figures } from './harness.ts';
import { postMark, startSchool, type School } from './running-school.ts';

/** Marks a second, and for how long. */
const RATE = 500;
const SECONDS = 10;
const WARM_SECONDS = 3;
const CONNECTIONS = 20;

/**
 * How long 99 of 100 single marks take at 500 a second: over HTTP to the built server, each acknowledged after its commit;
 * against the bare insert of the same rows, each in a transaction of its own, over as many connections.
 */
export async function measureMarks(databaseUrl: string): Promise<Figures> {
  const school = await startSchool(databaseUrl);
  try {
    const pool = new Pool({ connectionString: databaseUrl, max: CONNECTIONS });
    const ours = await paced((index) => postMark(school, index));
    const peer = await paced((index) => insertBare(pool, school, index));
    await pool.end();
    return { value: ours, peerValue: peer };
  } finally {
    await school.stop();
  }
}

/** Starts a call at every tick of the rate, whether the last has come back or not; gives the 99th percentile in ms. */
async function paced(call: (index: number) => Promise<void>): Promise<number> {
  const times: number[] = [];
  const running: Promise<void>[] = [];
  const start = performance.now();
  for (let index = 0; index < RATE * (SECONDS + WARM_SECONDS); index++) {
    const due = start + (1000 * index) / RATE;
    const early = due - performance.now();
    if (early > 1) await new Promise((resolve) => setTimeout(resolve, early));
    running.push(call(index).then(() => void times.push(performance.now() - due)));
  }
  await Promise.all(running);
  return times.slice(RATE * WARM_SECONDS).toSorted((a, b) => a - b)[Math.floor(0.99 * RATE * SECONDS)]!;
}

const BARE = `insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks,
    reason, device_ahead, heard_at, received_at)
  select $1, p.school_id, p.school_class_id, a.id, 'heard', p.id, $3, 'nearly', '["leak"]', '', 0, now(), now()
  from pupil p join account a on a.school_id = p.school_id and a.role = 'owner' where p.id = $2`;

async function insertBare(pool: Pool, { pupils, step }: School, index: number): Promise<void> {
  await pool.query(BARE, [v7(), pupils[index % pupils.length]!.id, step]);
}
