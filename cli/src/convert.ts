import { basename, extname, join } from 'node:path';
import { FILE_ENDINGS, fileEnding, writeTuneFile, type FileEnding } from '@escalier/core/formats';
import { BadInput, type Command, type Output } from './command.ts';
import { bytesToFile, filesIn, makeFolder, tuneFromFile } from './files.ts';

export const convert: Command = {
  usage: 'convert IN OUT | convert FOLDER OUTFOLDER --to ENDING',
  about: `a tune, or all tunes of a folder, from one format to another: ${FILE_ENDINGS.join(', ')}`,
  example: 'convert demo/tunes/goose-walk.abc goose-walk.musicxml',
  options: ['to'],
  async run([from, to, ...rest], options) {
    if (from === undefined || to === undefined || rest.length > 0)
      throw new BadInput('Name a file to read and a file to write.');
    const files = await filesIn(from);
    if (files === null) return convertOne(from, to, endingOf(to));
    return convertAll(files, to, endingOf(`.${options.to ?? ''}`));
  },
};

function endingOf(name: string): FileEnding {
  const ending = fileEnding(name);
  if (ending === null) throw new BadInput(`The ending of ${name} is not one of: ${FILE_ENDINGS.join(', ')}.`);
  return ending;
}

async function convertOne(from: string, to: string, ending: FileEnding): Promise<Output> {
  const { tune, leftOut } = await tuneFromFile(from);
  await bytesToFile(to, writeTuneFile(tune, ending));
  const notices = leftOut.map((notice) => `${notice.bar === null ? '' : `Bar ${notice.bar}: `}${notice.message}`);
  return {
    text: [`${tune.title} is in ${to}.`, ...notices].join('\n'),
    json: { title: tune.title, file: to, left: leftOut },
  };
}

/** Files that are no tunes are told, and do not stop the others. */
async function convertAll(files: readonly string[], folder: string, ending: FileEnding): Promise<Output> {
  await makeFolder(folder);
  const done: Output[] = [];
  const failed: { readonly file: string; readonly reason: string }[] = [];
  for (const file of files.filter((each) => fileEnding(each) !== null)) {
    const to = join(folder, `${basename(file, extname(file))}.${ending}`);
    try {
      done.push(await convertOne(file, to, ending));
    } catch (problem) {
      if (!(problem instanceof BadInput)) throw problem;
      failed.push({ file, reason: problem.message });
    }
  }
  if (done.length === 0)
    throw new BadInput(`No tune of the folder could be converted. ${failed[0]?.reason ?? ''}`.trim());
  return {
    text: [...done.map(({ text }) => text), ...failed.map(({ file, reason }) => `${file}: ${reason}`)].join('\n'),
    json: { tunes: done.map(({ json }) => json), failed },
  };
}
