import { fingeringsOf, formatHoles, makersDiffer } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { BadInput, type Command } from './command.ts';
import { instrumentOption, pitchWord } from './options.ts';
import { t } from './messages.ts';

export const fingering: Command = {
  usage: t('fingering.fingering-note-instrument-id'),
  about: t('fingering.the-holes-of-a-note-the'),
  example: t('fingering.fingering-f4-instrument-soprano-recorder-german'),
  options: ['instrument'],
  run([note, ...rest], options) {
    if (rest.length > 0) throw new BadInput(t('fingering.one-note-at-a-time-please'));
    const pitch = pitchWord(note);
    const on = instrumentOption(options.instrument);
    const found = fingeringsOf(on, pitch);
    if (found.length === 0)
      throw new BadInput(
        t('fingering.pitch-name-is-not-on-the', { pitchName: pitchName(pitch), shortName: on.shortName }),
      );
    const fingerings = found.map((fingering) => ({
      holes: formatHoles(on.family, fingering.holes),
      register: fingering.register,
      primary: fingering.primary,
      remark: fingering.remark,
    }));
    const lines = fingerings.map(
      (fingering) => `${fingering.holes}${fingering.remark === '' ? '' : `  (${fingering.remark})`}`,
    );
    const differ = makersDiffer(on, pitch);
    if (differ) lines.push(t('fingering.makers-differ-check-the-chart-that'));
    return {
      text: lines.join('\n'),
      json: { note: pitchName(pitch), instrument: on.id, fingerings, makersDiffer: differ },
    };
  },
};
