import type { Knowledge } from '../reading/index.ts';
import type { TuneProfile } from './profile.ts';
import { riseOf, type Rise } from './rise.ts';

/** What a step brings to a class that has learned all before it. */
export interface StepNews {
  /** With how often each is struck in the step's tunes. */
  readonly notes: readonly { readonly name: string; readonly count: number }[];
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  readonly moves: readonly { readonly key: string; readonly cost: number }[];
  readonly rise: Rise;
}

export function newsOf(profile: TuneProfile, known: Knowledge): StepNews {
  const notes = profile.notes.filter(({ name }) => !known.notes.has(name));
  const elements = profile.elements.filter((id) => !known.elements.has(id));
  const signs = profile.signs.filter((id) => !known.signs.has(id));
  const moves = profile.moves.filter(({ key }) => !known.moves.has(key));
  const rise = riseOf({
    notes: notes.length,
    elements: elements.length,
    signs: signs.length,
    moveCosts: moves.map((move) => move.cost),
  });
  return { notes, elements, signs, moves, rise };
}

/** What a class knows when it has learned a step. */
export function learned(known: Knowledge, profile: TuneProfile): Knowledge {
  return {
    notes: new Set([...known.notes, ...profile.notes.map((note) => note.name)]),
    elements: new Set([...known.elements, ...profile.elements]),
    signs: new Set([...known.signs, ...profile.signs]),
    moves: new Set([...known.moves, ...profile.moves.map((move) => move.key)]),
  };
}

/** What each step brings, from the first up. */
export function newsOfSteps(steps: readonly TuneProfile[], knows: Knowledge): readonly StepNews[] {
  let known = knows;
  return steps.map((step) => {
    const news = newsOf(step, known);
    known = learned(known, step);
    return news;
  });
}
