import type { BeatsPerMinute } from '../units/index.ts';

/** One rung to the next: small enough to follow, large enough to be felt. */
const WIDEST_RUNG = 1.15;
const CHALLENGE_RUNG = 1.12;
const CHALLENGE_RUNGS = 2;

/**
 * Tempi from the one at which the hard spot holds to the target, each 10 to 15 % above the one before (less only where
 * the whole way is less), in whole beats a minute; never above the target but for a challenge, which adds two.
 */
export function tempoRungs(holds: BeatsPerMinute, target: BeatsPerMinute, challenge = false): readonly number[] {
  const from = Math.min(holds, target);
  const count = Math.ceil(Math.log(target / from) / Math.log(WIDEST_RUNG) - 1e-9);
  const rungs = Array.from({ length: count }, (_, rung) => Math.round(from * (target / from) ** (rung / count)));
  const above = challenge
    ? Array.from({ length: CHALLENGE_RUNGS }, (_, rung) => Math.round(target * CHALLENGE_RUNG ** (rung + 1)))
    : [];
  return [...new Set([...rungs, Math.round(target), ...above])];
}

/** What a class manages when it first meets a move. */
const COMFORTABLE = 1.6;
const EXPONENT = 0.7;

/** From the tempo that leaves enough time for a move, by what it costs at the tune's tempo, up to that tempo. */
export function tempoLadder(pass: BeatsPerMinute, costAtTempo: number): readonly number[] {
  const slower = Math.min(0.85, Math.max(0.5, (COMFORTABLE / costAtTempo) ** (1 / EXPONENT)));
  return tempoRungs(Math.round(pass * slower), pass);
}
