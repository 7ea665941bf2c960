import { spawn, spawnSync } from 'node:child_process';
import { Refusal } from './say.mjs';
import { ROOT } from './paths.mjs';

/** Runs to the end with its output shown; refuses when it fails. */
export function runShown(command, args, { env = {}, why } = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.error !== undefined || result.status !== 0) {
    throw new Refusal(why ?? `"${command} ${args.join(' ')}" failed.`);
  }
}

/** Runs to the end in silence. Gives {status, output}. */
export function runQuiet(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024, ...options });
  return {
    status: result.status ?? 1,
    output: `${result.stdout ?? ''}${result.stderr ?? ''}${result.error?.message ?? ''}`,
  };
}

/** Starts a child and gives a promise of its exit code. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  const ended = new Promise((resolve) => {
    child.once('exit', (code, signal) => resolve(code ?? (signal === null ? 1 : 0)));
    child.once('error', () => resolve(1));
  });
  return { child, ended };
}

/**
 * Calls `stop` once, on the first of: the returned function, Ctrl-C, SIGTERM, SIGHUP. The process then ends.
 */
export function stopOnSignals(stop) {
  let stopping = null;
  const once = () => (stopping ??= Promise.resolve().then(stop));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => void once().finally(() => process.exit(process.exitCode ?? 0)));
  }
  return once;
}
