import type { Seconds } from '@escalier/core/units';

/** Of full scale: under it a microphone gives what is in the room anyway. */
const LEAST_LEVEL = 0.012;
/** Of the loudest so far: a room that talks lies lower than an instrument in the hand. */
const SHARE = 0.15;
/** So long must it have sounded: a knock on the table is no playing. */
const LEAST_PLAYED: Seconds = 0.3;

/**
 * Tells when whoever has played has stopped: `heard` says so for each block.
 * @param rest that must be quiet, longer than any breath and any rest of the music.
 */
export function untilQuiet(rest: Seconds) {
  let loudest = 0;
  let played: Seconds = 0;
  let quiet: Seconds = 0;

  function heard(block: Float32Array, rate: number): boolean {
    const seconds = block.length / rate;
    const level = Math.sqrt(block.reduce((sum, sample) => sum + sample * sample, 0) / Math.max(1, block.length));
    loudest = Math.max(loudest, level);
    const isQuiet = level < Math.max(LEAST_LEVEL, loudest * SHARE);
    if (isQuiet) quiet += seconds;
    else [played, quiet] = [played + seconds, 0];
    return played >= LEAST_PLAYED && quiet >= rest;
  }

  return { heard };
}
