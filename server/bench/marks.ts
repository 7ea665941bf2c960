import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { Agent, request, type IncomingMessage } from 'node:http';
import { Client, Pool } from 'pg';
import { v7 } from 'uuid';
import type { Figures } from './harness.ts';

/** Marks a second, and for how long. */
const RATE = 500;
const SECONDS = 10;
const WARM_SECONDS = 3;
const CONNECTIONS = 20;

interface School {
  readonly address: string;
  readonly cookie: string;
  readonly pupils: readonly { readonly id: string; readonly schoolClass: string }[];
  readonly step: string;
  readonly stop: () => Promise<void>;
}

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

const agent = new Agent({ keepAlive: true, maxSockets: CONNECTIONS });

async function postMark({ address, cookie, pupils, step }: School, index: number): Promise<void> {
  const now = new Date().toISOString();
  const pupilId = pupils[index % pupils.length]!.id;
  const event = { kind: 'heard', id: v7(), pupilId, stepId: step, outcome: 'nearly', remarks: ['leak'], heardAt: now };
  const body = JSON.stringify({ sentAt: now, events: [event] });
  const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body), cookie };
  const sent = request(`${address}/api/hearing/events`, { method: 'POST', agent, headers });
  sent.end(body);
  const [answer] = (await once(sent, 'response')) as [IncomingMessage];
  let text = '';
  for await (const part of answer) text += String(part);
  if (answer.statusCode !== 200 || !text.includes('"stored":true')) throw new Error(`A mark was not taken: ${text}`);
}

const BARE = `insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks,
    reason, device_ahead, heard_at, received_at)
  select $1, p.school_id, p.school_class_id, a.id, 'heard', p.id, $3, 'nearly', '["leak"]', '', 0, now(), now()
  from pupil p join account a on a.school_id = p.school_id and a.role = 'owner' where p.id = $2`;

async function insertBare(pool: Pool, { pupils, step }: School, index: number): Promise<void> {
  await pool.query(BARE, [v7(), pupils[index % pupils.length]!.id, step]);
}

/** The built server in a process of its own, and somebody signed in. */
async function startSchool(databaseUrl: string): Promise<School> {
  const child = spawn(process.execPath, ['.escalier/server/main.mjs'], {
    env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: databaseUrl, ESCALIER_PORT: '0', ESCALIER_DEMO: 'on' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const stop = async (): Promise<void> => {
    agent.destroy();
    child.kill('SIGTERM');
    await once(child, 'exit');
  };
  const [line] = (await once(child.stdout, 'data')) as [Buffer];
  const address = /http:\S+/.exec(String(line))![0];
  const { demo } = (await (await fetch(`${address}/api/sign-in`)).json()) as { demo: object };
  const signedIn = await fetch(`${address}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(demo),
  });
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows: pupils } = await client.query<{ id: string; schoolClass: string }>(
    `select id, school_class_id as "schoolClass" from pupil where left_on is null limit 300`,
  );
  const { rows } = await client.query<{ id: string }>('select id from step order by position limit 1');
  await client.end();
  return { address, cookie, pupils, step: rows[0]!.id, stop };
}
