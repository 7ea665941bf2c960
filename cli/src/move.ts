import { costParts, formatHoles, moveBetween, type Move } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { costWords, describeMove } from '@escalier/core/words';
import { BadInput, type Command } from './command.ts';
import { instrumentOption, pitchWord } from './options.ts';
import { t } from './messages.ts';

export const move: Command = {
  usage: t('move.move-note-note-instrument-id'),
  about: t('move.what-the-fingers-do-from-one'),
  example: t('move.move-a4-e4'),
  options: ['instrument'],
  run([first, second, ...rest], options) {
    if (rest.length > 0) throw new BadInput(t('move.name-two-notes'));
    const [from, to] = [pitchWord(first), pitchWord(second)];
    const on = instrumentOption(options.instrument);
    const found = moveBetween(on, from, to);
    if (found === null)
      throw new BadInput(
        t('move.pitch-name-or-pitch-name2-is', {
          pitchName: pitchName(from),
          pitchName2: pitchName(to),
          shortName: on.shortName,
        }),
      );
    const holes = (fingering: Move['from']): string => formatHoles(on.family, fingering.holes);
    const parts = costParts(on, found).map((part) => ({
      of: costWords(part),
      points: Math.round(100 * part.points) / 100,
    }));
    const fingers = on.holes.map(({ name, hand, finger }, index) => ({
      hole: name,
      hand,
      finger,
      does: found.actions[index]!,
    }));
    const { kind, lands, lifts, shades, hands, bothHands, thumb, registerChange, crossesBreak, cost } = found;
    return {
      text: [
        t('move.pitch-name-holes-to-pitch-name2', {
          pitchName: pitchName(from),
          holes: holes(found.from),
          pitchName2: pitchName(to),
          holes2: holes(found.to),
          move: describeMove(found),
        }),
        t('move.cost-cost-list', { cost, list: parts.map((part) => `${part.points} ${part.of}`).join(' + ') }),
      ].join('\n'),
      json: {
        from: { note: pitchName(from), holes: holes(found.from) },
        to: { note: pitchName(to), holes: holes(found.to) },
        instrument: on.id,
        kind,
        words: describeMove(found),
        lands,
        lifts,
        shades,
        hands,
        bothHands,
        thumb,
        registerChange,
        crossesBreak,
        cost,
        parts,
        fingers,
      },
    };
  },
};
