import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

export interface RunningServer {
  readonly address: string;
  readonly child: ChildProcess;
  /** What it has written so far. */
  readonly output: () => string;
}

/** Addresses of a database: for the application, and for who migrates it. */
export interface DatabaseUrls {
  readonly app: string;
  readonly owner: string;
}

/** One of the empty databases that the script makes for tests that start servers of their own. */
export function databaseNamed(name: 'restart' | 'first_run' | 'first_hour' | 'live'): DatabaseUrls {
  return (JSON.parse(process.env.ESCALIER_E2E_DATABASES ?? '{}') as Record<string, DatabaseUrls>)[name]!;
}

/** Starts the built server on a database of its own. */
export async function startServer(
  { app, owner }: DatabaseUrls,
  { demo = true, port = 0 } = {},
): Promise<RunningServer> {
  const child = spawn(process.execPath, ['.escalier/server/main.mjs'], {
    cwd: ROOT,
    env: {
      ...process.env,
      DATABASE_URL: app,
      ESCALIER_MIGRATION_URL: owner,
      ESCALIER_PORT: String(port),
      ESCALIER_DEMO: demo ? 'on' : 'off',
      ESCALIER_WEB: `${ROOT}.escalier/web`,
      ESCALIER_DEMO_TUNES: `${ROOT}demo/tunes`,
    },
  });
  let output = '';
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      output += text.toString();
      const match = /Escalier is at (\S+)/.exec(output);
      if (match !== null) resolve(match[1]!);
    });
    child.once('exit', () => reject(new Error('the server did not start')));
  });
  return { address, child, output: () => output };
}

export async function stopServer({ child }: RunningServer, signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await ended;
}
