import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { STATE } from './paths.mjs';
import { Refusal, say } from './say.mjs';

const POLL_MS = 200;

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Who holds a lock; null when nobody does, or who held it has died. */
function holderOf(file) {
  try {
    const [pid, command] = readFileSync(file, 'utf8').split('\n');
    return isAlive(Number(pid)) ? { pid: Number(pid), command } : null;
  } catch {
    return null;
  }
}

function take(file, what) {
  try {
    const handle = openSync(file, 'wx');
    writeSync(handle, `${process.pid}\n${what}\n`);
    closeSync(handle);
    return true;
  } catch (error) {
    if (error.code === 'EEXIST') return false;
    throw readOnly(error);
  }
}

function readOnly(error) {
  if (error.code !== 'EROFS' && error.code !== 'EACCES') return error;
  return new Refusal(`Escalier installs and builds inside its own folder, and may not write there: ${error.path}.`);
}

const pause = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

/**
 * Lets one command at a time install or build in this checkout; the others wait and say for whom.
 * @param what this command is doing, for those who wait.
 * @param file the lock: another one in tests.
 */
export function alone(what, work, file = join(STATE, 'busy')) {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (error) {
    throw readOnly(error);
  }
  let said = false;
  // A command inside one that holds the lock, such as a script that a test starts, is not another.
  if (process.env.ESCALIER_HOLDS === file) return work();
  while (!take(file, what)) {
    const holder = holderOf(file);
    if (holder === null) {
      if (existsSync(file)) rmSync(file, { force: true });
      continue;
    }
    if (!said) say(`Waiting for another command (process ${holder.pid}, ${holder.command}) …`);
    said = true;
    pause(POLL_MS);
  }
  const release = () => rmSync(file, { force: true });
  process.once('exit', release);
  try {
    process.env.ESCALIER_HOLDS = file;
    return work();
  } finally {
    delete process.env.ESCALIER_HOLDS;
    process.off('exit', release);
    release();
  }
}
