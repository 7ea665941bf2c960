import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

export interface RunningServer {
  readonly address: string;
  readonly child: ChildProcess;
}

/** Starts the built server on a database of its own. */
export async function startServer(
  databaseUrl: string | undefined,
  { demo = true, port = 0 } = {},
): Promise<RunningServer> {
  const child = spawn(process.execPath, ['.escalier/server/main.mjs'], {
    cwd: ROOT,
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      ESCALIER_PORT: String(port),
      ESCALIER_DEMO: demo ? 'on' : 'off',
      ESCALIER_WEB: `${ROOT}.escalier/web`,
      ESCALIER_DEMO_TUNES: `${ROOT}demo/tunes`,
    },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      const match = /Escalier is at (\S+)/.exec(text.toString());
      if (match !== null) resolve(match[1]!);
    });
    child.once('exit', () => reject(new Error('the server did not start')));
  });
  return { address, child };
}

export async function stopServer({ child }: RunningServer, signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await ended;
}
