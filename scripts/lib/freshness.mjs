import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { alone } from './lock.mjs';
import { ROOT, STATE } from './paths.mjs';

function filesBelow(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => (entry.isDirectory() ? filesBelow(join(path, entry.name)) : [join(path, entry.name)]));
}

/** Names, sizes and times: as long as none has changed, nothing has to be read. */
function glanceOf(files) {
  const hash = createHash('sha256');
  for (const file of files) {
    const { size, mtimeMs } = statSync(file);
    hash.update(`${file} ${size} ${mtimeMs}\n`);
  }
  return hash.digest('hex');
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update('\0').update(readFileSync(file));
  return hash.digest('hex');
}

function readStamp(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return {};
  }
}

/**
 * Builds a part of the product unless what it is built from is as it was.
 * @param part its name, for the stamp and for those who wait.
 * @param made the file that a build leaves.
 * @param sources folders and files below the project's root.
 * @param build makes it; called by one command at a time.
 */
export function buildUnlessFresh(part, made, sources, build) {
  const stamp = join(STATE, `${part}.stamp`);
  // A changed test changes nothing of what is built.
  const found = sources.flatMap((source) => filesBelow(join(ROOT, source))).filter((file) => !file.includes('.test.'));
  const glance = glanceOf(found);
  if (existsSync(made) && readStamp(stamp).glance === glance) return;
  alone(`building the ${part}`, () => {
    const hash = hashOf(found);
    if (!existsSync(made) || readStamp(stamp).hash !== hash) build();
    mkdirSync(STATE, { recursive: true });
    writeFileSync(stamp, JSON.stringify({ glance, hash }));
  });
}
