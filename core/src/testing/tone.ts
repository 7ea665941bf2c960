import type { Random } from '../practice/index.ts';

export interface Sounded {
  /** Seconds. */
  readonly onset: number;
  readonly offset: number;
  readonly midi: number;
  readonly cents: number;
}

export interface Tone extends Sounded {
  readonly gain: number;
  /** Seconds of the gap before it in which the air stops. */
  readonly chiff: number;
}

/** What plays, at so many samples a second. */
export interface Player {
  readonly voice: 'recorder' | 'whistle';
  readonly rate: number;
}

/** Levels in dB of the partials over the first. */
const VOICES = {
  recorder: [0, -18, -16, -32, -34, -44],
  whistle: [0, -11, -20, -28, -38],
} as const;

/** Adds a note to samples: partials, breath, a chiff at its start. */
export function addTone(samples: Float32Array, { rate, voice }: Player, tone: Tone, random: Random): void {
  const hertz = 440 * 2 ** ((tone.midi - 69 + tone.cents / 100) / 12);
  const partials = VOICES[voice]
    .map((dB, index) => ({ step: (2 * Math.PI * hertz * (index + 1)) / rate, gain: 10 ** (dB / 20) }))
    .filter((partial) => partial.step < 0.9 * Math.PI);
  const from = Math.round(tone.onset * rate);
  const release = 0.03 * rate;
  const length = Math.round((tone.offset - tone.onset) * rate + release);
  let breath = 0;
  for (let at = 0; at < length && from + at < samples.length; at++) {
    const seconds = at / rate;
    const rise = Math.min(1, seconds / 0.03);
    const fall = Math.min(1, (length - at) / release);
    let value = 0;
    for (const { step, gain } of partials) value += gain * Math.sin(step * at);
    breath += 0.4 * (2 * random() - 1 - breath);
    const chiff = seconds < tone.chiff ? 0.25 * (1 - seconds / tone.chiff) : 0;
    samples[from + at]! += tone.gain * fall * (rise * value + (0.02 + chiff) * breath);
  }
}
