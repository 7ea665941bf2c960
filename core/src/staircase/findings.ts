import type { Knowledge } from '../reading/index.ts';
import { newsOfSteps, type StepNews } from './news.ts';
import { AGAIN_WITHIN, HARD_MOVE } from './objective.ts';
import type { TuneProfile } from './profile.ts';

/** What an experienced teacher would say of a staircase, with the step it is about, counted from 1; null for the whole. */
export type Finding = { readonly step: number | null; readonly weight: FindingWeight } & FindingFacts;

/** A hint is worth knowing; a problem will hold up the class. */
export type FindingWeight = 'hint' | 'problem';

export type FindingFacts =
  | { readonly kind: 'two-notes'; readonly notes: readonly string[] }
  | { readonly kind: 'note-and-rhythm'; readonly notes: readonly string[]; readonly elements: readonly string[] }
  /** The note comes although others of the order have not. */
  | { readonly kind: 'early-note'; readonly note: string; readonly before: readonly string[] }
  | { readonly kind: 'outside-order'; readonly note: string }
  | { readonly kind: 'note-once'; readonly note: string }
  /** The next steps do not use it; `again` is the step that does, null when none. */
  | { readonly kind: 'note-lost'; readonly note: string; readonly again: number | null }
  | { readonly kind: 'hard-move'; readonly from: string; readonly to: string; readonly cost: number }
  /** To the step there are so many in a row that bring nothing. */
  | { readonly kind: 'nothing-new'; readonly steps: number }
  | { readonly kind: 'steep'; readonly rise: number; readonly neighbours: number }
  /** From the step on, so many are not in three. */
  | { readonly kind: 'no-three'; readonly steps: number }
  | { readonly kind: 'one-key'; readonly key: string }
  | { readonly kind: 'one-mood'; readonly mood: string }
  | { readonly kind: 'not-on-instrument'; readonly notes: readonly string[] }
  | { readonly kind: 'too-few-lessons'; readonly lessons: number; readonly needed: number; readonly rise: number }
  | { readonly kind: 'missing-note'; readonly note: string };

export type FindingKind = FindingFacts['kind'];

export interface FindingRequest {
  /** Each step's tunes as one, from the first up. */
  readonly steps: readonly TuneProfile[];
  /** Lessons foreseen for each; left out when there is no plan yet. */
  readonly lessons?: readonly number[];
  readonly order: readonly string[];
  readonly knows: Knowledge;
}

/** A class learns so many points of rise in a lesson: half a new note with its moves. */
export const POINTS_A_LESSON = 2.5;

/** So many steps with nothing new in a row, and so many without one in three, are worth a word. */
const QUIET_STEPS = 3;
const STEPS_NOT_IN_THREE = 6;
const STEPS_ALIKE = 4;
const STEEP = 2;

/** Lessons in which a class learns what a step brings, at least one. */
export function lessonsToTeach(rise: number): number {
  return Math.max(1, Math.round(rise / POINTS_A_LESSON));
}

/** In the order of the steps, what is about the whole at the end. */
export function findingsOf(request: FindingRequest): readonly Finding[] {
  const news = newsOfSteps(request.steps, request.knows);
  const bySteps = request.steps.flatMap((_, index) => [
    ...noteFindings(request, news, index),
    ...otherFindings(request, news, index),
  ]);
  return [...bySteps, ...wholeFindings(request)];
}

function noteFindings({ steps, order, knows }: FindingRequest, news: readonly StepNews[], index: number): Finding[] {
  const { notes, elements } = news[index]!;
  const step = index + 1;
  const names = notes.map((note) => note.name).toSorted((a, b) => order.indexOf(a) - order.indexOf(b));
  const isFirst = index === 0 && knows.notes.size === 0;
  const known = new Set([
    ...knows.notes,
    ...steps.slice(0, step).flatMap((earlier) => earlier.notes.map((note) => note.name)),
  ]);
  const found: Finding[] = [];
  if (names.length > 1) found.push({ step, weight: isFirst ? 'hint' : 'problem', kind: 'two-notes', notes: names });
  if (names.length > 0 && elements.length > 0 && !isFirst)
    found.push({ step, weight: 'problem', kind: 'note-and-rhythm', notes: names, elements });
  for (const { name, count } of notes) {
    const place = order.indexOf(name);
    const before = order.slice(0, Math.max(0, place)).filter((other) => !known.has(other));
    if (order.length > 0 && place < 0) found.push({ step, weight: 'problem', kind: 'outside-order', note: name });
    if (before.length > 0) found.push({ step, weight: 'problem', kind: 'early-note', note: name, before });
    if (count === 1) found.push({ step, weight: 'hint', kind: 'note-once', note: name });
    const again = steps.findIndex((other, at) => at > index && other.notes.some((note) => note.name === name));
    if (step < steps.length && (again < 0 || again > index + AGAIN_WITHIN))
      found.push({
        step,
        weight: again < 0 ? 'problem' : 'hint',
        kind: 'note-lost',
        note: name,
        again: again < 0 ? null : again + 1,
      });
  }
  return found;
}

function otherFindings({ steps, lessons }: FindingRequest, news: readonly StepNews[], index: number): Finding[] {
  const step = index + 1;
  const { notes, moves, rise } = news[index]!;
  const found: Finding[] = [];
  const isNew = (name: string): boolean => notes.some((note) => note.name === name);
  const hardest = moves
    .filter(({ key, cost }) => cost >= HARD_MOVE && key.split('>').some(isNew))
    .toSorted((a, b) => b.cost - a.cost)[0];
  if (hardest !== undefined && index > 0) {
    const [from, to] = hardest.key.split('>') as [string, string];
    found.push({ step, weight: 'hint', kind: 'hard-move', from, to, cost: hardest.cost });
  }
  const isQuiet = (each: StepNews | undefined): boolean =>
    each !== undefined && each.notes.length + each.elements.length + each.signs.length === 0;
  const last = news.slice(Math.max(0, step - QUIET_STEPS), step);
  if (last.length === QUIET_STEPS && last.every(isQuiet) && !isQuiet(news[step]))
    found.push({ step, weight: 'hint', kind: 'nothing-new', steps: quietUpTo(news, index, isQuiet) });
  const neighbours = [news[index - 1], news[index + 1]].flatMap((neighbour) =>
    neighbour === undefined ? [] : [neighbour.rise.total],
  );
  const highest = Math.max(...neighbours);
  if (index > 0 && neighbours.length > 0 && rise.total > STEEP * highest)
    found.push({ step, weight: 'problem', kind: 'steep', rise: rise.total, neighbours: highest });
  const { unplayable } = steps[index]!;
  if (unplayable.length > 0) found.push({ step, weight: 'problem', kind: 'not-on-instrument', notes: unplayable });
  const needed = lessonsToTeach(rise.total);
  const foreseen = lessons?.[index];
  if (foreseen !== undefined && foreseen < needed)
    found.push({
      step,
      weight: needed - foreseen > 1 ? 'problem' : 'hint',
      kind: 'too-few-lessons',
      lessons: foreseen,
      needed,
      rise: rise.total,
    });
  return found;
}

function quietUpTo(news: readonly StepNews[], index: number, isQuiet: (each: StepNews | undefined) => boolean): number {
  let from = index;
  while (isQuiet(news[from - 1])) from -= 1;
  return index - from + 1;
}

function wholeFindings({ steps, order, knows }: FindingRequest): Finding[] {
  const found: Finding[] = [];
  const played = new Set([...knows.notes, ...steps.flatMap((earlier) => earlier.notes.map((note) => note.name))]);
  for (const note of order)
    if (!played.has(note)) found.push({ step: null, weight: 'hint', kind: 'missing-note', note });
  const inThree = steps.map(({ metre }) => /^[39]\//.test(metre));
  let from = 0;
  for (let at = 0; at <= steps.length; at++) {
    if (at < steps.length && inThree[at] !== true) continue;
    if (at - from >= STEPS_NOT_IN_THREE)
      found.push({ step: from + 1, weight: 'hint', kind: 'no-three', steps: at - from });
    from = at + 1;
  }
  const [first] = steps;
  if (first === undefined || steps.length < STEPS_ALIKE) return found;
  if (steps.every((step) => step.key === first.key))
    found.push({ step: null, weight: 'hint', kind: 'one-key', key: first.key });
  const mood = first.moods.find((mood) => steps.every((step) => step.moods.includes(mood)));
  if (mood !== undefined) found.push({ step: null, weight: 'hint', kind: 'one-mood', mood });
  return found;
}
