import { basename, extname, join } from 'node:path';
import { FILE_ENDINGS, fileEnding, writeTuneFile, type FileEnding } from '@escalier/core/formats';
import { BadInput, type Command, type Output } from './command.ts';
import { bytesToFile, filesIn, makeFolder, tuneFromFile } from './files.ts';
import { t } from './messages.ts';

export const convert: Command = {
  usage: t('convert.convert-in-out-convert-folder-outfolder'),
  about: t('convert.a-tune-or-all-tunes-of', { list: FILE_ENDINGS.join(', ') }),
  example: t('convert.convert-demo-tunes-goose-walk-abc'),
  options: ['to'],
  async run([from, to, ...rest], options) {
    if (from === undefined || to === undefined || rest.length > 0)
      throw new BadInput(t('convert.name-a-file-to-read-and'));
    const files = await filesIn(from);
    if (files === null) return convertOne(from, to, endingOf(to));
    return convertAll(files, to, endingOf(`.${options.to ?? ''}`));
  },
};

function endingOf(name: string): FileEnding {
  const ending = fileEnding(name);
  if (ending === null)
    throw new BadInput(t('convert.the-ending-of-name-is-not', { name, list: FILE_ENDINGS.join(', ') }));
  return ending;
}

async function convertOne(from: string, to: string, ending: FileEnding): Promise<Output> {
  const { tune, leftOut } = await tuneFromFile(from);
  await bytesToFile(to, writeTuneFile(tune, ending));
  const notices = leftOut.map(
    (notice) => `${notice.bar === null ? '' : t('convert.bar-bar', { bar: notice.bar })}${notice.message}`,
  );
  return {
    text: [t('convert.title-is-in-to', { title: tune.title, to }), ...notices].join('\n'),
    json: { title: tune.title, file: to, left: leftOut },
  };
}

/** Files that are no tunes are told, and do not stop the others. */
async function convertAll(files: readonly string[], folder: string, ending: FileEnding): Promise<Output> {
  await makeFolder(folder);
  const done: Output[] = [];
  const failed: { readonly file: string; readonly reason: string }[] = [];
  for (const file of files.filter((file) => fileEnding(file) !== null)) {
    const to = join(folder, `${basename(file, extname(file))}.${ending}`);
    try {
      done.push(await convertOne(file, to, ending));
    } catch (problem) {
      if (!(problem instanceof BadInput)) throw problem;
      failed.push({ file, reason: problem.message });
    }
  }
  if (done.length === 0)
    throw new BadInput(t('convert.no-tune-of-the-folder-could', { reason: failed[0]?.reason ?? '' }).trim());
  return {
    text: [...done.map(({ text }) => text), ...failed.map(({ file, reason }) => `${file}: ${reason}`)].join('\n'),
    json: { tunes: done.map(({ json }) => json), failed },
  };
}
