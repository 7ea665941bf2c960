import { seeded } from '../practice/index.ts';

type Random = () => number;

/** A note of the tune that is played: beats from the start, and the sounding pitch. */
export interface RecordedNote {
  readonly onset: number;
  readonly duration: number;
  readonly midi: number;
}

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

export interface RecordingRecipe {
  readonly seed: number;
  readonly rate: number;
  readonly voice: 'recorder' | 'whistle';
  /** Quarter notes a minute. */
  readonly tempo: number;
  /** Cents above A 440. */
  readonly tuning: number;
  readonly surroundings: Surroundings;
  readonly wrong?: number;
  readonly missed?: number;
  readonly extra?: number;
  readonly hesitations?: number;
  /** Played so many notes, then begun again. */
  readonly restartAfter?: number;
  /** Repeated notes that are not tongued again. */
  readonly slurred?: number;
  readonly squeaks?: number;
}

/** What a made recording holds. */
export interface Recording {
  readonly rate: number;
  readonly samples: Float32Array;
  /** For each note of the tune. */
  readonly verdicts: readonly ('right' | 'wrong' | 'missed' | 'slurred')[];
  readonly extras: number;
  readonly hesitations: number;
  readonly restarts: number;
  /** Notes that sound, in order, without squeaks. */
  readonly played: readonly Sounded[];
}

export interface Sounded {
  /** Seconds. */
  readonly onset: number;
  readonly offset: number;
  readonly midi: number;
  readonly cents: number;
}

const LEAD = 0.6;
const TAIL = 0.6;
/** Levels in dB of the partials over the first. */
const VOICES = {
  recorder: [0, -18, -16, -32, -34, -44],
  whistle: [0, -11, -20, -28, -38],
} as const;
const LOUD = 0.25;

/** A recording made from a seed: a pupil's playing with its faults, in surroundings. */
export function recordingOf(notes: readonly RecordedNote[], recipe: RecordingRecipe): Recording {
  const random = seeded(recipe.seed);
  const plan = planOf(notes, recipe, random);
  const seconds = plan.played.at(-1)!.offset + TAIL;
  const samples = new Float32Array(Math.ceil(seconds * recipe.rate));
  for (const each of plan.sounded) sound(samples, recipe, each, random);
  surround(samples, recipe, random);
  return { ...plan, rate: recipe.rate, samples };
}

interface Tone extends Sounded {
  readonly gain: number;
  /** Seconds of the gap before it in which the air stops. */
  readonly chiff: number;
}

function planOf(notes: readonly RecordedNote[], recipe: RecordingRecipe, random: Random) {
  const pace = 60 / recipe.tempo;
  const chosen = chooseFaults(notes, recipe, random);
  const verdicts = notes.map((): Recording['verdicts'][number] => 'right');
  const sounded: Tone[] = [];
  const played: Tone[] = [];
  let shift = LEAD;
  const play = (midi: number, from: number, to: number, at = sounded.length): void => {
    const jitter = 0.012 * (random() - 0.5);
    const tone = {
      ...{ onset: from + jitter, offset: to - 0.035 - 0.02 * random(), midi },
      ...{ cents: recipe.tuning + 12 * (random() - 0.5), gain: LOUD * (0.75 + 0.4 * random()), chiff: 0.03 },
    };
    sounded.splice(at, 0, tone);
    played.push(tone);
  };
  const { restartAfter } = recipe;
  if (restartAfter !== undefined) {
    for (const note of notes.slice(0, restartAfter))
      play(note.midi, shift + note.onset * pace, shift + (note.onset + note.duration) * pace);
    shift += notes[restartAfter]!.onset * pace + 1.1;
  }
  for (const [index, note] of notes.entries()) {
    if (chosen.hesitate.has(index)) shift += 0.9 + 0.4 * random();
    const from = shift + note.onset * pace;
    const to = from + note.duration * pace;
    if (chosen.missed.has(index)) verdicts[index] = 'missed';
    else if (chosen.slurred.has(index)) {
      verdicts[index] = 'slurred';
      const last = sounded.pop()!;
      played.pop();
      const longer = { ...last, offset: to - 0.03 };
      sounded.push(longer);
      played.push(longer);
    } else if (chosen.wrong.has(index)) {
      verdicts[index] = 'wrong';
      play(note.midi + (random() < 0.5 ? -2 : 1), from, to);
    } else play(note.midi, from, to);
    if (chosen.squeak.has(index) && verdicts[index] === 'right') {
      const { onset, ...tone } = sounded.at(-1)!;
      sounded[sounded.length - 1] = { ...tone, onset: onset + 0.08 };
      sounded.push({ ...tone, onset, offset: onset + 0.075, midi: tone.midi + 12 + (random() < 0.4 ? 7 : 0) });
    }
    if (chosen.extra.has(index)) {
      const length = 0.5 * pace;
      play(note.midi + (random() < 0.5 ? 3 : -3), to, to + length);
      shift += length;
    }
  }
  return {
    ...{ sounded, played, verdicts, extras: chosen.extra.size, hesitations: chosen.hesitate.size },
    restarts: restartAfter === undefined ? 0 : 1,
  };
}

function chooseFaults(notes: readonly RecordedNote[], recipe: RecordingRecipe, random: Random) {
  const free = notes.map((_, index) => index).slice(1, -1);
  const take = (count: number, fits: (index: number) => boolean = () => true): Set<number> => {
    const taken = new Set<number>();
    for (let left = count; left > 0; left--) {
      const fitting = free.filter(fits);
      const index = fitting[Math.floor(random() * fitting.length)];
      if (index === undefined) break;
      taken.add(index);
      // Neighbours stay as they are, so that each fault stands alone.
      for (const near of [index - 1, index, index + 1]) if (free.includes(near)) free.splice(free.indexOf(near), 1);
    }
    return taken;
  };
  const repeats = (index: number): boolean => notes[index]!.midi === notes[index - 1]!.midi;
  return {
    slurred: take(recipe.slurred ?? 0, repeats),
    wrong: take(recipe.wrong ?? 0, (index) => !repeats(index) && notes[index + 1]!.midi !== notes[index]!.midi),
    missed: take(recipe.missed ?? 0),
    extra: take(recipe.extra ?? 0),
    hesitate: take(recipe.hesitations ?? 0),
    squeak: take(recipe.squeaks ?? 0, (index) => notes[index]!.duration >= 1),
  };
}

function sound(samples: Float32Array, { rate, voice }: RecordingRecipe, tone: Tone, random: Random): void {
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

function surround(samples: Float32Array, recipe: RecordingRecipe, random: Random): void {
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
function secondPupil(samples: Float32Array, recipe: RecordingRecipe, random: Random): void {
  for (let at = 0.3; at < samples.length / recipe.rate - 0.7; at += 0.45) {
    if (random() < 0.3) continue;
    const midi = 79 + Math.floor(random() * 8);
    const tone = { onset: at, offset: at + 0.4, midi, cents: recipe.tuning - 20, gain: 0.04, chiff: 0.03 };
    sound(samples, recipe, tone, random);
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
function counting(samples: Float32Array, recipe: RecordingRecipe, random: Random): void {
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
