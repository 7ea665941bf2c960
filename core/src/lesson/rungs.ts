import type { RungId } from '../practice/index.ts';

/** How a rung of the practice ladder is run. */
export interface RungRun {
  readonly who: 'class' | 'you-then-class' | 'rows' | 'one';
  /** What the class sees. */
  readonly scene: 'words' | 'chant' | 'silent' | 'tune' | 'spot' | 'breaths';
  /** The tempo against the tune’s own: none, the slowest rung, up the tempo ladder, or its own. */
  readonly tempo: 'free' | 'slow' | 'ladder' | 'own';
  readonly times: number;
  /** When the class goes on to the next rung. */
  readonly until: 'together' | 'names-sure' | 'fingers-sure' | 'held-twice' | 'no-stop' | 'heard';
  /** The melody sounds along, and the backing. */
  readonly melody: boolean;
  readonly backing: boolean;
}

/** One line for each rung; a school may choose and order them, not how they are run. */
export const RUNG_RUNS: Readonly<Record<RungId, RungRun>> = {
  say: run('you-then-class', 'words', 'free', 2, 'names-sure'),
  clap: run('class', 'chant', 'slow', 2, 'together'),
  finger: run('class', 'silent', 'slow', 2, 'fingers-sure'),
  slow: run('class', 'tune', 'slow', 2, 'no-stop', { melody: true }),
  spot: run('class', 'spot', 'ladder', 4, 'held-twice', { melody: true }),
  join: run('rows', 'tune', 'slow', 2, 'no-stop', { melody: true }),
  whole: run('class', 'tune', 'own', 2, 'no-stop', { melody: true }),
  backing: run('class', 'tune', 'own', 2, 'no-stop', { melody: true, backing: true }),
  alone: run('one', 'tune', 'own', 1, 'heard'),
};

function run(
  who: RungRun['who'],
  scene: RungRun['scene'],
  tempo: RungRun['tempo'],
  times: number,
  until: RungRun['until'],
  along: { readonly melody?: boolean; readonly backing?: boolean } = {},
): RungRun {
  return { who, scene, tempo, times, until, melody: along.melody ?? false, backing: along.backing ?? false };
}
