import { LONGEST_RECORDING } from '@escalier/contract/recordings';
import { wrongInput } from '../../platform/problem.ts';
import { reader, type SoundFacts } from '../../reader/index.ts';

/** A browser counts the silence that a coder adds, and rounds: so far its length may be from that of the frames. */
const SECONDS_APART = 1;
const SHARE_APART = 0.05;

/**
 * A recording that is what it says.
 * @param lane whose it is: accounts and pupils take turns.
 * @param claimed seconds, as its sender says. @param longest seconds.
 * @throws Problem 400 for what is no sound, empty, too long, or of another length than was said.
 */
export async function checkedSound(
  lane: string,
  bytes: Uint8Array,
  claimed: number,
  longest: number = LONGEST_RECORDING,
): Promise<SoundFacts> {
  const read = await reader.sound(lane, bytes);
  if (!read.ok) throw wrongInput({ sound: bytes.length === 0 ? 'sound-empty' : read.error });
  const { seconds } = read.value;
  const apart = Math.max(SECONDS_APART, SHARE_APART * seconds);
  if (seconds > longest + apart) throw wrongInput({ sound: { code: 'sound-too-long', most: longest } });
  if (Math.abs(seconds - claimed) > apart)
    throw wrongInput({ seconds: { code: 'other-length', seconds: Math.round(seconds) } });
  return read.value;
}
