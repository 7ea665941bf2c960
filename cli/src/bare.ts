import { writeAbc } from '@escalier/core/formats';
import { bareVersions, FEWEST_STAGES, MOST_STAGES } from '@escalier/core/practice';
import { BadInput, type Command } from './command.ts';
import { tuneFromFile } from './files.ts';
import { wholeNumber } from './options.ts';

const DEFAULT_STAGES = 4;

export const bare: Command = {
  usage: 'bare FILE [--stages 4]',
  about: `${FEWEST_STAGES} to ${MOST_STAGES} bare versions of a tune as ABC, each with all notes of the one before; the last is the tune`,
  example: 'bare demo/tunes/goose-walk.abc --stages 4',
  options: ['stages'],
  async run([file, ...rest], options) {
    if (file === undefined || rest.length > 0) throw new BadInput('Name one file to read.');
    const stages = wholeNumber(options.stages, 'number of stages', FEWEST_STAGES, MOST_STAGES) ?? DEFAULT_STAGES;
    const { tune } = await tuneFromFile(file);
    const versions = bareVersions(tune, stages).map((version, index) => ({
      stage: index + 1,
      notes: version.notes,
      of: version.of,
      abc: writeAbc(version.tune),
    }));
    return {
      text: versions.map(({ stage, notes, of, abc }) => `% stage ${stage}: ${notes} of ${of} notes\n${abc}`).join('\n'),
      json: { title: tune.title, stages: versions },
    };
  },
};
