import { FILE_ENDINGS, fileEnding, writeTuneFile } from '@escalier/core/formats';
import { BadInput, type Command } from './command.ts';
import { bytesToFile, tuneFromFile } from './files.ts';

export const convert: Command = {
  usage: 'convert IN OUT',
  about: `a tune from one format to another, by the ending of OUT: ${FILE_ENDINGS.join(', ')}`,
  options: [],
  async run([from, to, ...rest]) {
    if (from === undefined || to === undefined || rest.length > 0)
      throw new BadInput('Name a file to read and a file to write.');
    const ending = fileEnding(to);
    if (ending === null) throw new BadInput(`The ending of ${to} is not one of: ${FILE_ENDINGS.join(', ')}.`);
    const { tune, leftOut } = await tuneFromFile(from);
    await bytesToFile(to, writeTuneFile(tune, ending));
    const notices = leftOut.map((notice) => `${notice.bar === null ? '' : `Bar ${notice.bar}: `}${notice.message}`);
    return {
      text: [`${tune.title} is in ${to}.`, ...notices].join('\n'),
      json: { title: tune.title, file: to, left: leftOut },
    };
  },
};
