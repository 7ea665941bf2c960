import type { Random } from '../practice/index.ts';
import { addTone, type Player } from './tone.ts';

export const SURROUNDINGS = [
  'quiet',
  'hiss',
  'second pupil',
  'bell',
  'chair',
  'counting along',
  'automatic gain',
  'packet loss',
  'far away',
  'eight bits',
  'clipped',
  'echo',
] as const;
export type Surroundings = (typeof SURROUNDINGS)[number];

/** Where and how a pupil plays. */
export interface Setting extends Player {
  /** Quarter notes a minute. */
  readonly tempo: number;
  /** Cents above A 440. */
  readonly tuning: number;
  readonly surroundings: Surroundings;
}

/** Seconds before the first note. */
export const LEAD = 0.6;

/** What is heard beside the pupil, and what the microphone makes of it. */
export function surround(samples: Float32Array, recipe: Setting, random: Random): void {
  const { rate } = recipe;
  const noise = (gain: number): void => {
    for (let at = 0; at < samples.length; at++) samples[at]! += gain * (2 * random() - 1);
  };
  noise(0.0006);
  switch (recipe.surroundings) {
    case 'quiet':
      return;
    case 'hiss':
      return noise(0.05);
    case 'second pupil':
      return secondPupil(samples, recipe, random);
    case 'bell':
      return bell(samples, rate, random);
    case 'chair':
      return chair(samples, rate, random);
    case 'counting along':
      return counting(samples, recipe, random);
    case 'automatic gain':
      return automaticGain(samples, rate);
    case 'packet loss':
      return packetLoss(samples, rate, random);
    case 'far away':
      for (let at = 0; at < samples.length; at++) samples[at] = samples[at]! * 0.01 + 0.00008 * (2 * random() - 1);
      return;
    case 'eight bits':
      for (let at = 0; at < samples.length; at++) samples[at] = Math.round(samples[at]! * 127) / 127;
      return;
    case 'clipped':
      for (let at = 0; at < samples.length; at++) samples[at] = Math.max(-0.3, Math.min(0.3, samples[at]! * 3));
      return;
    case 'echo':
      return echo(samples, rate, random);
  }
}

/** Another child plays something else, farther off. */
function secondPupil(samples: Float32Array, recipe: Setting, random: Random): void {
  for (let at = 0.3; at < samples.length / recipe.rate - 0.7; at += 0.45) {
    if (random() < 0.3) continue;
    const midi = 79 + Math.floor(random() * 8);
    const tone = { onset: at, offset: at + 0.4, midi, cents: recipe.tuning - 20, gain: 0.04, chiff: 0.03 };
    addTone(samples, recipe, tone, random);
  }
}

/** A struck bell: partials that are no multiples, dying away. */
function bell(samples: Float32Array, rate: number, random: Random): void {
  const base = 620 + 200 * random();
  for (const start of [0.2, 0.5].map((share) => Math.floor(share * samples.length))) {
    for (const [ratio, gain] of [
      [0.56, 0.5],
      [0.92, 0.4],
      [1.19, 0.35],
      [1.71, 0.5],
      [2, 0.3],
      [2.74, 0.3],
      [3.76, 0.2],
    ] as const)
      for (let at = 0; at < 0.9 * rate && start + at < samples.length; at++)
        samples[start + at]! +=
          0.05 * gain * Math.exp((-5 * at) / rate) * Math.sin((2 * Math.PI * base * ratio * at) / rate);
  }
}

/** A chair is pushed: half a second of rough noise that judders. */
function chair(samples: Float32Array, rate: number, random: Random): void {
  for (const start of [0.15, 0.6].map((share) => Math.floor(share * samples.length))) {
    let low = 0;
    for (let at = 0; at < 0.5 * rate && start + at < samples.length; at++) {
      low += 0.15 * (2 * random() - 1 - low);
      const judder = 0.5 + 0.5 * Math.sin((2 * Math.PI * 23 * at) / rate);
      samples[start + at]! += 0.5 * low * judder;
    }
  }
}

/** A teacher says the beats: a buzz of a voice through two formants, short words. */
function counting(samples: Float32Array, recipe: Setting, random: Random): void {
  const { rate } = recipe;
  for (let beat = LEAD - 0.02; beat < samples.length / rate - 0.3; beat += 60 / recipe.tempo) {
    const formants = [400 + 300 * random(), 1100 + 900 * random()];
    let phase = 0;
    for (let at = 0; at < 0.22 * rate; at++) {
      const index = Math.round(beat * rate) + at;
      if (index >= samples.length) break;
      phase += (2 * Math.PI * (205 - (60 * at) / (0.22 * rate))) / rate;
      let value = 0;
      for (let partial = 1; partial <= 14; partial++) {
        const hertz = partial * 180;
        const near = formants.reduce((sum, formant) => sum + 1 / (1 + ((hertz - formant) / 110) ** 2), 0);
        value += near * Math.sin(partial * phase);
      }
      samples[index]! += 0.05 * Math.sin((Math.PI * at) / (0.22 * rate)) * value;
    }
  }
}

/** A telephone turns itself up in pauses and down when it is loud. */
function automaticGain(samples: Float32Array, rate: number): void {
  let level = 0.1;
  for (let at = 0; at < samples.length; at++) {
    const size = Math.abs(samples[at]!);
    level += (size > level ? 30 / rate : 1.2 / rate) * (size - level);
    samples[at]! *= Math.min(12, 0.2 / Math.max(0.01, level));
    samples[at] = Math.max(-1, Math.min(1, samples[at]!));
  }
}

/** Packets of 20 ms are lost: silence, or the one before again. */
function packetLoss(samples: Float32Array, rate: number, random: Random): void {
  const packet = Math.round(0.02 * rate);
  for (let at = packet; at + packet < samples.length; at += packet) {
    if (random() > 0.015) continue;
    for (let index = 0; index < packet; index++) samples[at + index] = samples[at + index - packet]!;
  }
}

function echo(samples: Float32Array, rate: number, random: Random): void {
  const taps = Array.from({ length: 40 }, () => {
    const seconds = 0.01 + 0.35 * random();
    return { delay: Math.round(seconds * rate), gain: (random() < 0.5 ? -1 : 1) * 0.12 * Math.exp(-seconds * 9) };
  });
  const dry = samples.slice();
  for (const { delay, gain } of taps)
    for (let at = delay; at < samples.length; at++) samples[at]! += gain * dry[at - delay]!;
}
