import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readAbc, writeMusicXml } from '@escalier/core/formats';
import { madeUpClass, makeHandout, USUAL_BREATHING, usualRequest } from '@escalier/core/handouts';
import { instrument } from '@escalier/core/instruments';
import type { Tune } from '@escalier/core/music';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { layOut, toPdf } from '@escalier/paper';
import { toolsOnDisk } from '@escalier/paper/node';
import { runBenchmarks } from './harness.ts';

const FOLDER = new URL('../../demo/tunes/', import.meta.url).pathname;
const ON = instrument('soprano-recorder-baroque');
/** So many steps come to about forty pages. */
const STEPS = 20;

const tunes: readonly Tune[] = readdirSync(FOLDER)
  .toSorted()
  .flatMap((file) => {
    const read = readAbc(readFileSync(join(FOLDER, file), 'utf8'));
    return read.ok && readTune(read.value.tune, ON, NOTHING_KNOWN).unplayable.length === 0 ? [read.value.tune] : [];
  })
  .slice(0, STEPS);

const seen = new Set<string>();
const schoolClass = {
  ...madeUpClass(),
  steps: tunes.map((tune) => {
    const newNotes = readTune(tune, ON, NOTHING_KNOWN)
      .notes.new.map(({ name }) => name)
      .filter((name) => !seen.has(name));
    for (const name of newNotes) seen.add(name);
    return {
      title: tune.title,
      belt: 'moss',
      lessons: 2,
      rise: 2,
      tempo: 80,
      tune,
      newNotes,
      breathing: USUAL_BREATHING,
    };
  }),
};
const { fonts, letters, engraver } = await toolsOnDisk();
let pages = 0;
let bytes = 0;

async function booklet(): Promise<number> {
  const start = performance.now();
  const handout = makeHandout('booklet', usualRequest({ schoolClass }));
  const laid = layOut(handout, { letters, engraver }, { paper: 'a4', holding: 'none', size: 'medium' });
  const pdf = await toPdf([laid], letters, fonts, handout.title);
  [pages, bytes] = [laid.pages.length, pdf.length];
  return (performance.now() - start) / 1000;
}

/** The same tunes, each on a page, by LilyPond; reading them into its own language is not timed. */
function byLilyPond(): number {
  const folder = mkdtempSync(join(tmpdir(), 'escalier-booklet-'));
  try {
    const quiet = { cwd: folder, stdio: 'ignore' } as const;
    const files = tunes.map((tune, index) => {
      writeFileSync(join(folder, `${index}.xml`), writeMusicXml(tune));
      execFileSync('musicxml2ly', ['-o', `${index}.ly`, `${index}.xml`], quiet);
      return `${index}.ly`;
    });
    const start = performance.now();
    execFileSync('lilypond', ['--loglevel=NONE', ...files], quiet);
    return (performance.now() - start) / 1000;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

await runBenchmarks(
  [
    {
      name: 'booklet',
      unit: 's',
      peer: `LilyPond, the same ${tunes.length} tunes`,
      measure: async () => ({ value: await booklet(), peerValue: byLilyPond() }),
    },
    {
      name: 'booklet-page',
      unit: 'kB a page',
      peer: 'the limit of 60 kB a page',
      measure: async () => {
        await booklet();
        return { value: bytes / pages / 1000, peerValue: 60 };
      },
    },
  ],
  process.env.ESCALIER_BENCH_ONLY,
);
console.error(`The booklet has ${pages} pages.`);
