import { writeAbc } from '@escalier/core/formats';
import { bareVersions, FEWEST_STAGES, MOST_STAGES } from '@escalier/core/practice';
import { BadInput, type Command } from './command.ts';
import { tuneFromFile } from './files.ts';
import { wholeNumber } from './options.ts';
import { t } from './messages.ts';

const DEFAULT_STAGES = 4;

export const bare: Command = {
  usage: t('bare.bare-file-stages-4-2'),
  about: t('bare.fewest-stages-to-most-stages-bare', { fewestStages: FEWEST_STAGES, mostStages: MOST_STAGES }),
  example: t('bare.bare-demo-tunes-goose-walk-abc'),
  options: ['stages'],
  async run([file, ...rest], options) {
    if (file === undefined || rest.length > 0) throw new BadInput(t('bare.name-one-file-to-read'));
    const stages =
      wholeNumber(options.stages, t('bare.number-of-stages'), FEWEST_STAGES, MOST_STAGES) ?? DEFAULT_STAGES;
    const { tune } = await tuneFromFile(file);
    const versions = bareVersions(tune, stages).map((version, index) => ({
      stage: index + 1,
      notes: version.notes,
      of: version.of,
      abc: writeAbc(version.tune),
    }));
    return {
      text: versions
        .map(({ stage, notes, of, abc }) => t('bare.stage-stage-notes-of-of-notes', { stage, notes, of, abc }))
        .join('\n'),
      json: { title: tune.title, stages: versions },
    };
  },
};
