import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { readTuneFile, writeAbc, writeMusicXml } from '@escalier/core/formats';
import { midiNumber, performedNotes, toNumber, type Tune } from '@escalier/core/music';
import { BadInput, type Command } from './command.ts';
import { shippedFiles } from './library.ts';
import { t } from './messages.ts';

const run = promisify(execFile);

interface Disagreement {
  readonly slug: string;
  readonly program: 'abc2midi' | 'musicxml2ly';
  readonly ours: string;
  readonly theirs: string;
}

export const agree: Command = {
  usage: 'agree',
  about: t('agree.whether-debians-abc2midi-and-musicxml2ly-packages'),
  example: 'agree',
  options: [],
  async run(words) {
    if (words.length > 0) throw new BadInput(t('agree.this-takes-no-further-words'));
    const folder = await mkdtemp(join(tmpdir(), 'escalier-agree-'));
    try {
      const files = await shippedFiles();
      const found: Disagreement[] = [];
      for (const { slug, tune } of files) found.push(...(await compared(folder, slug, tune)));
      const text = [
        t('agree.files-count-tunes-found-count-disagreements', { filesCount: files.length, foundCount: found.length }),
        ...found.map(({ slug, program, ours, theirs }) =>
          t('agree.slug-program-theirs-and-not-ours', { slug, program, theirs, ours }),
        ),
      ].join('\n');
      return { text, json: { tunes: files.length, disagreements: found } };
    } finally {
      await rm(folder, { recursive: true });
    }
  },
};

async function compared(folder: string, slug: string, tune: Tune): Promise<readonly Disagreement[]> {
  const [abc, midi, xml, ly] = ['abc', 'mid', 'musicxml', 'ly'].map((ending) => join(folder, `${slug}.${ending}`));
  // Chords are not the melody.
  await writeFile(abc!, writeAbc(tune).replace(/^K:.*$/m, '$&\n%%MIDI gchordoff'));
  await writeFile(xml!, writeMusicXml(tune));
  await called('abc2midi', [abc!, '-o', midi!, '-quiet']);
  await called('musicxml2ly', ['--absolute', '-o', ly!, xml!]);
  const found: Disagreement[] = [];
  const compare = (program: Disagreement['program'], ours: string, theirs: string): void => {
    if (ours !== theirs) found.push({ slug, program, ours, theirs });
  };
  // abc2midi plays no D.C.: it is compared as far as that.
  const straight = { ...tune, bars: tune.bars.map((bar) => ({ ...bar, jump: null })) };
  compare('abc2midi', performed(straight), await performedInFile(midi!));
  compare('musicxml2ly', written(tune), writtenIn(await readFile(ly!, 'utf8')));
  return found;
}

/** @throws BadInput where the program is not installed. */
async function called(program: string, words: readonly string[]): Promise<void> {
  try {
    await run(program, [...words]);
  } catch (error) {
    if ((error as { code?: unknown }).code !== 'ENOENT') throw error;
    throw new BadInput(t('agree.program-is-not-installed-apt-install', { program }));
  }
}

/** What sounds, in order, with the beat on which it begins. */
function performed(tune: Tune): string {
  return performedNotes(tune)
    .map(({ pitch, onset }) => `${midiNumber(pitch)}@${Math.round(toNumber(onset) * 96)}`)
    .join(' ');
}

async function performedInFile(file: string): Promise<string> {
  const read = readTuneFile(await readFile(file));
  return read.ok ? performed(read.value.tune) : read.error.map((error) => error.message).join(' ');
}

/** The notes as they stand, without repeats. */
function written(tune: Tune): string {
  return tune.parts[0].bars
    .flat()
    .flatMap((event) => (event.kind === 'note' ? [midiNumber(event.pitch)] : []))
    .join(' ');
}

const STEPS: Readonly<Record<string, number>> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 };
/** "fis'4", "bes8": a note name with its signs, octave marks and a length. */
const NOTE = /(?<![\w\\"])([a-g])((?:is|es|s)*)([',]*)(?=\d)/g;

function writtenIn(ly: string): string {
  const music = /PartPOneVoiceOne = +\{([\s\S]*?)\n\n/.exec(ly)?.[1] ?? '';
  const notes = music.replace(/\\(?:key \w+|tempo [^ ]+|time [^ ]+|times [^ ]+|clef "[^"]*"|bar "[^"]*")/g, ' ');
  return [...notes.matchAll(NOTE)]
    .map(([, letter, signs, octave]) => {
      const alter = (signs!.match(/is/g)?.length ?? 0) - (signs!.match(/es|^s/g)?.length ?? 0);
      const marks = (octave!.match(/'/g)?.length ?? 0) - (octave!.match(/,/g)?.length ?? 0);
      return 48 + 12 * marks + STEPS[letter!]! + alter;
    })
    .join(' ');
}
