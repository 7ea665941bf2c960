import { fingeringsOf, formatHoles, makersDiffer } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { BadInput, type Command } from './command.ts';
import { instrumentOption, pitchWord } from './options.ts';

export const fingering: Command = {
  usage: 'fingering NOTE [--instrument ID]',
  about: 'the holes of a note, the primary fingering first',
  example: 'fingering F4 --instrument soprano-recorder-german',
  options: ['instrument'],
  run([note, ...rest], options) {
    if (rest.length > 0) throw new BadInput('One note at a time, please.');
    const pitch = pitchWord(note);
    const on = instrumentOption(options.instrument);
    const found = fingeringsOf(on, pitch);
    if (found.length === 0) throw new BadInput(`${pitchName(pitch)} is not on the ${on.shortName}.`);
    const fingerings = found.map((each) => ({
      holes: formatHoles(on.family, each.holes),
      register: each.register,
      primary: each.primary,
      remark: each.remark,
    }));
    const lines = fingerings.map((each) => `${each.holes}${each.remark === '' ? '' : `  (${each.remark})`}`);
    const differ = makersDiffer(on, pitch);
    if (differ) lines.push('Makers differ: check the chart that came with the instrument.');
    return {
      text: lines.join('\n'),
      json: { note: pitchName(pitch), instrument: on.id, fingerings, makersDiffer: differ },
    };
  },
};
