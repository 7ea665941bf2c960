import { costParts, formatHoles, moveBetween, type Move } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { costWords, describeMove } from '@escalier/core/words';
import { BadInput, type Command } from './command.ts';
import { instrumentOption, pitchWord } from './options.ts';

export const move: Command = {
  usage: 'move NOTE NOTE [--instrument ID]',
  about: 'what the fingers do from one note to the next, and what it costs',
  example: 'move A4 E4',
  options: ['instrument'],
  run([first, second, ...rest], options) {
    if (rest.length > 0) throw new BadInput('Name two notes.');
    const [from, to] = [pitchWord(first), pitchWord(second)];
    const on = instrumentOption(options.instrument);
    const found = moveBetween(on, from, to);
    if (found === null) throw new BadInput(`${pitchName(from)} or ${pitchName(to)} is not on the ${on.shortName}.`);
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
        `${pitchName(from)} (${holes(found.from)}) to ${pitchName(to)} (${holes(found.to)}): ${describeMove(found)}`,
        `Cost ${cost} = ${parts.map((part) => `${part.points} ${part.of}`).join(' + ')}`,
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
