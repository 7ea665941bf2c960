import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { Agent, request, type IncomingMessage } from 'node:http';
import { Client } from 'pg';
import { v7 } from 'uuid';

export interface School {
  readonly address: string;
  readonly cookie: string;
  readonly pupils: readonly { readonly id: string; readonly schoolClass: string }[];
  readonly step: string;
  readonly stop: () => Promise<void>;
}

const CONNECTIONS = 20;
const agent = new Agent({ keepAlive: true, maxSockets: CONNECTIONS });

/** Records one hearing, and waits until it is committed. */
export async function postMark({ address, cookie, pupils, step }: School, index: number): Promise<void> {
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

/** The built server in a process of its own, and somebody signed in. */
export async function startSchool(databaseUrl: string, env: Readonly<Record<string, string>> = {}): Promise<School> {
  const child = spawn(process.execPath, ['.escalier/server/main.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      ESCALIER_PORT: '0',
      ESCALIER_DEMO: 'on',
      ...env,
    },
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
