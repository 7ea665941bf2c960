import { seeded, type Random } from '../practice/index.ts';
import { LEAD, surround, type Setting } from './surroundings.ts';
import { addTone, type Sounded, type Tone } from './tone.ts';

/** A note of the tune that is played: beats from the start, and the sounding pitch. */
export interface RecordedNote {
  readonly onset: number;
  readonly duration: number;
  readonly midi: number;
}

export interface RecordingRecipe extends Setting {
  readonly seed: number;
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

const TAIL = 0.6;
const LOUD = 0.25;

/** A recording made from a seed: a pupil's playing with its faults, in surroundings. */
export function recordingOf(notes: readonly RecordedNote[], recipe: RecordingRecipe): Recording {
  const random = seeded(recipe.seed);
  const plan = planOf(notes, recipe, random);
  const seconds = plan.played.at(-1)!.offset + TAIL;
  const samples = new Float32Array(Math.ceil(seconds * recipe.rate));
  for (const tone of plan.sounded) addTone(samples, recipe, tone, random);
  surround(samples, recipe, random);
  return { ...plan, rate: recipe.rate, samples };
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
      onset: from + jitter,
      offset: to - 0.035 - 0.02 * random(),
      midi,
      cents: recipe.tuning + 12 * (random() - 0.5),
      gain: LOUD * (0.75 + 0.4 * random()),
      chiff: 0.03,
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
    sounded,
    played,
    verdicts,
    extras: chosen.extra.size,
    hesitations: chosen.hesitate.size,
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
