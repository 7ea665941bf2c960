import type { Match } from './match.ts';
import type { HeardNote } from './runs.ts';
import type { ListeningScore } from './score.ts';
import { median } from './spread.ts';

/** How fast it goes, as time passes. */
export interface Pace {
  /** Seconds a quarter note at a second of the recording. */
  at(seconds: number): number;
}

/** Steps from one note to the next that are looked at together. */
const TOGETHER = 7;

/** The pace between right notes that follow on each other; where there are too few, the tempo that is asked for. */
export function localPace(
  heard: readonly HeardNote[],
  score: ListeningScore,
  matches: readonly Match[],
  isRight: (note: HeardNote, midi: number) => boolean,
): Pace {
  const steps: { readonly at: number; readonly pace: number }[] = [];
  for (const [index, match] of matches.entries()) {
    const before = matches[index - 1];
    if (before === undefined || match.heard !== before.heard + 1 || match.score - match.merged !== before.score + 1)
      continue;
    const [a, b] = [heard[before.heard]!, heard[match.heard]!];
    const [from, to] = [score.notes[before.score - before.merged]!, score.notes[match.score - match.merged]!];
    if (!isRight(a, from.midi) || !isRight(b, to.midi)) continue;
    steps.push({ at: (a.onset + b.onset) / 2, pace: (b.onset - a.onset) / (to.onset - from.onset) });
  }
  const usual = steps.length < 2 ? 60 / score.tempo : median(steps.map(({ pace }) => pace));
  const local = steps.map((step, index) => {
    const from = Math.max(0, Math.min(index - (TOGETHER >> 1), steps.length - TOGETHER));
    return { at: step.at, pace: median(steps.slice(from, from + TOGETHER).map(({ pace }) => pace)) };
  });
  return {
    at(seconds) {
      if (local.length < TOGETHER) return usual;
      let nearest = local[0]!;
      for (const each of local) if (Math.abs(each.at - seconds) < Math.abs(nearest.at - seconds)) nearest = each;
      return nearest.pace;
    },
  };
}
