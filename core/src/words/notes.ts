import { namePitch, type Pitch } from '../music/index.ts';
import type { Bridge, EchoGap, EchoTrap } from '../practice/index.ts';
import { describeMove, NUMBERS } from './moves.ts';
import { t } from './messages.ts';

/** "A, and one more finger": how to come to a new note from one that the class has. */
export function bridgeWords({ from, move }: Bridge): string {
  return `${namePitch(from, 'letters', { fifths: 0, mode: 'major' })}, ${change(move)}`;
}

function change(move: Bridge['move']): string {
  const { lands, lifts, shades, thumb, registerChange } = move;
  const breath = move.to.register > move.from.register ? t('notes.more-breath') : t('notes.less-breath');
  if (move.kind === 'none')
    return registerChange ? t('notes.and-breath-2', { breath }) : t('notes.and-the-same-fingers');
  const withBreath = registerChange && !thumb ? t('notes.and-breath', { breath }) : '';
  if (lands + shades === 0 && lifts === 1 && thumb) return t('notes.without-the-thumb');
  if (lifts + shades === 0)
    return t('notes.and-numbers-more-value-with-breath', { n: lands, numbers: NUMBERS[lands]!, withBreath });
  if (lands + shades === 0)
    return t('notes.and-numbers-value-fewer-with-breath', { n: lifts, numbers: NUMBERS[lifts]!, withBreath });
  return t('notes.but-move', { move: describeMove(move) });
}

/** "Starts on B, not on G." */
export function trapWords(trap: EchoTrap): string {
  switch (trap.kind) {
    case 'start':
      return t('notes.starts-on-say-not-on-say2', { say: say(trap.on), say2: say(trap.not) });
    case 'link':
      return t('notes.starts-on-say-the-last-one', { say: say(trap.on), say2: say(trap.after) });
    case 'move':
      return t('notes.say-to-say2-move', { say: say(trap.from), say2: say(trap.to), move: describeMove(trap.move) });
    case 'skip':
      return t('notes.skips-from-say-to-say2', { say: say(trap.from), say2: say(trap.to) });
    case 'repeated':
      return t('notes.the-same-note-twice-running-tongue');
    case 'rest-inside':
      return t('notes.a-rest-inside-wait-for-it');
    case 'same-notes':
      return t('notes.the-last-ones-notes-in-a');
  }
}

const GAP_WORDS: Readonly<Record<EchoGap, string>> = {
  'no-other-note': t('notes.the-class-has-no-other-note'),
  'two-notes-only': t('notes.needs-three-notes'),
  'no-skip': t('notes.no-two-of-these-notes-make'),
};

/** Why a grade has no patterns, as a sentence. */
export function gapWords(gap: EchoGap): string {
  return GAP_WORDS[gap];
}

/** "F sharp", "B double flat": without the octave, which a class does not say. */
function say({ letter, alter }: Pitch): string {
  const sign = alter > 0 ? 'sharp' : 'flat';
  return [letter, ...(Math.abs(alter) > 1 ? ['double'] : []), ...(alter === 0 ? [] : [sign])].join(' ');
}
