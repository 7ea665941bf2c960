import { MOST_STEP_LESSONS, MOST_STEPS } from '@escalier/contract/staircases';
import type { StaircaseDto } from '@escalier/contract/staircases';
import { failure, success, type Result } from '@escalier/core/music';
import {
  ANY_WAY,
  BELTS,
  beltsFor,
  isBeltId,
  staysBecause,
  type BeltId,
  type StepPassRule,
  type TuneRole,
} from '@escalier/core/staircase';
import { staysWords } from '@escalier/core/words';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

export interface DraftTune {
  readonly id: string;
  readonly title: string;
  readonly role: TuneRole;
}

export interface DraftStep {
  /** Stays the same while a step moves. */
  readonly key: string;
  /** Null for a step that has not been saved. */
  readonly id: string | null;
  readonly belt: BeltId;
  readonly lessons: number;
  readonly toPass: number;
  readonly passRule: StepPassRule;
  /** The main tune first. */
  readonly tunes: readonly DraftTune[];
  readonly results: number;
  readonly starters: number;
}

/** A staircase while it is changed. Each change gives a new one, or says why it cannot be. */
export interface Draft {
  readonly name: string;
  readonly noteOrder: readonly string[];
  readonly steps: readonly DraftStep[];
}

export type Changed = Result<Draft, string>;

export function draftOf({ name, noteOrder, steps }: StaircaseDto): Draft {
  return {
    name,
    noteOrder,
    steps: steps.map((step) => ({ ...step, key: step.id, belt: isBeltId(step.belt) ? step.belt : BELTS[0].id })),
  };
}

/** What goes to the server. */
export function contentOf({ name, noteOrder, steps }: Draft) {
  return {
    name,
    noteOrder: [...noteOrder],
    steps: steps.map(({ id, belt, lessons, toPass, passRule, tunes }) => ({
      id,
      belt,
      lessons,
      toPass,
      passRule: { ...passRule, lookFor: [...passRule.lookFor] },
      tunes: tunes.map((tune) => ({ id: tune.id, role: tune.role })),
    })),
  };
}

let made = 0;

/** A step of one tune that has not been saved. */
export function newStep(tune: Pick<DraftTune, 'id' | 'title'>, belt: BeltId, lessons: number): DraftStep {
  made += 1;
  return {
    key: `new-${made}`,
    id: null,
    belt,
    lessons,
    toPass: 1,
    passRule: ANY_WAY,
    results: 0,
    starters: 0,
    tunes: [{ id: tune.id, title: tune.title, role: 'main' }],
  };
}

export function moveStep(draft: Draft, from: number, to: number): Changed {
  const step = draft.steps[from];
  if (step === undefined || to < 0 || to >= draft.steps.length) return success(draft);
  return success(withSteps(draft, draft.steps.toSpliced(from, 1).toSpliced(to, 0, step)));
}

export function setLessons(draft: Draft, index: number, lessons: number): Changed {
  return success(changeStep(draft, index, { lessons: Math.min(MOST_STEP_LESSONS, Math.max(1, Math.round(lessons))) }));
}

export function setBelt(draft: Draft, index: number, belt: BeltId): Changed {
  return success(changeStep(draft, index, { belt }));
}

export function setPassing(
  draft: Draft,
  index: number,
  passing: Partial<Pick<DraftStep, 'toPass' | 'passRule'>>,
): Changed {
  return success(changeStep(draft, index, passing));
}

/** Belts anew, in their order. */
export function beltsInOrder(draft: Draft): Changed {
  const belts = beltsFor(draft.steps.length);
  return success(
    withSteps(
      draft,
      draft.steps.map((step, index) => ({ ...step, belt: belts[index]! })),
    ),
  );
}

/** @param index where the new step will stand. */
export function insertStep(
  draft: Draft,
  index: number,
  tune: Pick<DraftTune, 'id' | 'title'>,
  lessons: number,
): Changed {
  if (draft.steps.length >= MOST_STEPS)
    return failure(t('draft.a-staircase-has-at-most-most', { mostSteps: MOST_STEPS }));
  const used = new Set(draft.steps.map((step) => step.belt));
  const belt = BELTS.find((each) => !used.has(each.id))?.id ?? BELTS[0].id;
  return success(withSteps(draft, draft.steps.toSpliced(index, 0, newStep(tune, belt, lessons))));
}

export function removeStep(draft: Draft, index: number): Changed {
  const step = draft.steps[index]!;
  const why = staysBecause(step);
  if (why !== null)
    return failure(
      t('draft.step-index-title-stays', { index: index + 1, title: step.tunes[0]!.title, stays: staysWords(why) }),
    );
  if (draft.steps.length === 1) return failure(t('draft.a-staircase-needs-a-step-take'));
  return success(withSteps(draft, draft.steps.toSpliced(index, 1)));
}

/** The last of a step's further tunes becomes a step of its own behind it; the lessons are shared. */
export function splitStep(draft: Draft, index: number): Changed {
  const step = draft.steps[index]!;
  const last = step.tunes.at(-1)!;
  if (last.role === 'main') return failure(t('draft.only-a-step-of-several-tunes'));
  if (step.results > 0)
    return failure(t('draft.step-index-has-results-that-may', { index: index + 1, title: last.title }));
  const later = Math.max(1, Math.floor(step.lessons / 2));
  const earlier = Math.max(1, step.lessons - later);
  const tunes = step.tunes.slice(0, -1);
  const rest = changeStep(draft, index, { tunes, lessons: earlier, toPass: Math.min(step.toPass, tunes.length) });
  return insertStep(rest, index + 1, last, later);
}

/** A step takes the tunes and lessons of the one behind it: pupils may choose. */
export function mergeWithNext(draft: Draft, index: number): Changed {
  const [step, next] = [draft.steps[index]!, draft.steps[index + 1]];
  if (next === undefined) return failure(t('draft.there-is-no-step-after-it'));
  const why = staysBecause(next);
  if (why !== null)
    return failure(
      t('draft.step-index-title-stays', { index: index + 2, title: next.tunes[0]!.title, stays: staysWords(why) }),
    );
  const own = new Set(step.tunes.map((tune) => tune.id));
  const more = next.tunes
    .filter((tune) => !own.has(tune.id))
    .map((tune): DraftTune => ({ ...tune, role: tune.role === 'main' ? 'choice' : tune.role }));
  const merged = changeStep(draft, index, {
    tunes: [...step.tunes, ...more],
    lessons: Math.min(MOST_STEP_LESSONS, step.lessons + next.lessons),
  });
  return success(withSteps(merged, merged.steps.toSpliced(index + 1, 1)));
}

/** Another main tune. */
export function takeTune(draft: Draft, index: number, tune: Pick<DraftTune, 'id' | 'title'>): Changed {
  const step = draft.steps[index]!;
  if (step.results > 0 && step.tunes[0]!.id !== tune.id)
    return failure(
      t('draft.title-has-results-here-add-the', {
        title: step.tunes[0]!.title,
        results: counted('results', { n: step.results }),
      }),
    );
  const others = step.tunes.slice(1).filter((each) => each.id !== tune.id);
  return success(changeStep(draft, index, { tunes: [{ id: tune.id, title: tune.title, role: 'main' }, ...others] }));
}

export function addTune(draft: Draft, index: number, tune: DraftTune): Changed {
  const step = draft.steps[index]!;
  if (step.tunes.some((each) => each.id === tune.id))
    return failure(t('draft.title-is-already-at-step-index', { title: tune.title, index: index + 1 }));
  return success(changeStep(draft, index, { tunes: [...step.tunes, tune] }));
}

export function removeTune(draft: Draft, index: number, tuneId: string): Changed {
  const step = draft.steps[index]!;
  const tunes = step.tunes.filter((tune) => tune.id !== tuneId || tune.role === 'main');
  if (step.results > 0) return failure(t('draft.step-index-has-results-that-may-2', { index: index + 1 }));
  return success(changeStep(draft, index, { tunes, toPass: Math.min(step.toPass, tunes.length) }));
}

function changeStep(draft: Draft, index: number, change: Partial<DraftStep>): Draft {
  return withSteps(draft, draft.steps.with(index, { ...draft.steps[index]!, ...change }));
}

function withSteps(draft: Draft, steps: readonly DraftStep[]): Draft {
  return { ...draft, steps };
}
