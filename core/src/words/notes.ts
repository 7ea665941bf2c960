import { namePitch, type Pitch } from '../music/index.ts';
import type { Bridge, EchoGap, EchoTrap } from '../practice/index.ts';
import { describeMove, NUMBERS } from './moves.ts';

/** "A, and one more finger": how to come to a new note from one that the class has. */
export function bridgeWords({ from, move }: Bridge): string {
  return `${namePitch(from, 'letters', { fifths: 0, mode: 'major' })}, ${change(move)}`;
}

function change(move: Bridge['move']): string {
  const { lands, lifts, shades, thumb, registerChange } = move;
  const breath = move.to.register > move.from.register ? 'more breath' : 'less breath';
  if (move.kind === 'none') return registerChange ? `and ${breath}` : 'and the same fingers';
  const withBreath = registerChange && !thumb ? `, and ${breath}` : '';
  if (lands + shades === 0 && lifts === 1 && thumb) return 'without the thumb';
  if (lifts + shades === 0) return `and ${NUMBERS[lands]} more ${lands === 1 ? 'finger' : 'fingers'}${withBreath}`;
  if (lands + shades === 0) return `and ${NUMBERS[lifts]} ${lifts === 1 ? 'finger' : 'fingers'} fewer${withBreath}`;
  return `but ${describeMove(move)}`;
}

/** "Starts on B, not on G." */
export function trapWords(trap: EchoTrap): string {
  switch (trap.kind) {
    case 'start':
      return `Starts on ${say(trap.on)}, not on ${say(trap.not)}.`;
    case 'link':
      return `Starts on ${say(trap.on)}; the one before ended on ${say(trap.after)}.`;
    case 'move':
      return `${say(trap.from)} to ${say(trap.to)}: ${describeMove(trap.move)}.`;
    case 'skip':
      return `Skips from ${say(trap.from)} to ${say(trap.to)}.`;
    case 'repeated':
      return 'The same note twice running: tongue it.';
    case 'rest-inside':
      return 'A rest inside: wait for it.';
    case 'same-notes':
      return 'The notes of the one before in another rhythm.';
  }
}

const GAP_WORDS: Readonly<Record<EchoGap, string>> = {
  'no-other-note': 'The class has no other note yet.',
  'two-notes-only': 'It takes three notes.',
  'no-skip': 'No two of these notes make a skip that can be sung.',
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
