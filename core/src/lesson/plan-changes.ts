import { failure, success, type Result } from '../music/index.ts';
import { fitMinutes } from './minutes.ts';
import {
  GROWS,
  want,
  wantedBlocks,
  withSlots,
  type Block,
  type BlockKind,
  type LessonFacts,
  type LessonPlan,
  type UsualLesson,
  type Wanted,
} from './plan.ts';

export type PlanChange = Result<LessonPlan, 'too-long' | 'too-short' | 'last'>;

/** The minutes of the blocks anew: those that are locked stay, the others share what is left. */
function refit(plan: LessonPlan, blocks: readonly Block[], facts: LessonFacts): PlanChange {
  const locked = blocks.reduce((sum, block) => sum + (block.locked ? block.minutes : 0), 0);
  const open = blocks.filter((block) => !block.locked);
  if (locked + open.length > plan.minutes) return failure('too-long');
  if (open.length === 0 && locked < plan.minutes) return failure('too-short');
  const minutes = fitMinutes(
    blocks.map(({ minutes: wish, least, kind, locked: fixed }) => ({
      wish,
      least: Math.min(least, wish),
      grows: GROWS[kind],
      fixed: fixed ? wish : null,
    })),
    plan.minutes,
  );
  const fitted = blocks.map((block, index) => ({ ...block, minutes: minutes[index]! }));
  return success({ ...plan, blocks: withSlots(fitted, facts) });
}

/** A block as long as the teacher says; the others give way, so that the lesson still ends with the bell. */
export function setMinutes(plan: LessonPlan, id: string, minutes: number, facts: LessonFacts): PlanChange {
  const wish = Math.max(1, Math.round(minutes));
  return refit(
    plan,
    plan.blocks.map((block) => (block.id === id ? { ...block, minutes: wish, locked: true } : block)),
    facts,
  );
}

export function lockBlock(plan: LessonPlan, id: string, locked: boolean): LessonPlan {
  return { ...plan, blocks: plan.blocks.map((block) => (block.id === id ? { ...block, locked } : block)) };
}

export function moveBlock(plan: LessonPlan, from: number, to: number): LessonPlan {
  const block = plan.blocks[from];
  if (block === undefined || to < 0 || to >= plan.blocks.length) return plan;
  return { ...plan, blocks: plan.blocks.toSpliced(from, 1).toSpliced(to, 0, block) };
}

/** Without a block; its minutes go to the others. */
export function leaveOut(plan: LessonPlan, id: string, facts: LessonFacts): PlanChange {
  const blocks = plan.blocks.filter((block) => block.id !== id);
  if (blocks.length === 0) return failure('last');
  return refit(plan, blocks, facts);
}

/** Another block of a kind, at a place; it takes its minutes from the others. */
export function putIn(plan: LessonPlan, kind: BlockKind, at: number, facts: LessonFacts): PlanChange {
  const { block, wish } = blockFor(kind, facts);
  let copy = 1;
  const taken = new Set(plan.blocks.map(({ id }) => id));
  while (taken.has(copy === 1 ? kind : `${kind}-${copy}`)) copy += 1;
  const id = copy === 1 ? kind : `${kind}-${copy}`;
  return refit(plan, plan.blocks.toSpliced(at, 0, { ...block, id, minutes: wish, locked: false }), facts);
}

/** A block in the place of another, with its minutes. */
export function swapBlock(plan: LessonPlan, id: string, kind: BlockKind, facts: LessonFacts): PlanChange {
  const at = plan.blocks.findIndex((block) => block.id === id);
  const old = plan.blocks[at];
  if (old === undefined) return success(plan);
  const put = putIn({ ...plan, blocks: plan.blocks.toSpliced(at, 1) }, kind, at, facts);
  if (!put.ok) return put;
  return refit(
    put.value,
    put.value.blocks.map((block, index) =>
      index === at ? { ...block, minutes: old.minutes, locked: old.locked } : block,
    ),
    facts,
  );
}

/** A block as the plan would have it, or a plain one of a kind that is not due. */
function blockFor(kind: BlockKind, facts: LessonFacts): Wanted {
  const due = wantedBlocks(facts).find(({ block }) => block.kind === kind);
  if (due !== undefined) return due;
  const { step } = facts;
  switch (kind) {
    case 'new-note':
      return want(kind, 8, 5, 'step-notes', { notes: step?.newNotes ?? [] });
    case 'moves':
      return want(kind, 4, 2, 'before-tune', { moves: step?.moves ?? [] });
    case 'hard-spot': {
      const spot = step?.hardSpot ?? null;
      const content = spot === null ? {} : { moves: [spot], bars: spot.bars, tempi: spot.tempi };
      return want(kind, 4, 3, 'hardest', content);
    }
    case 'settle':
    case 'warm-up':
    case 'tune':
    case 'hearing':
    case 'together':
    case 'close':
      return want(kind, 4, 2, 'everyone', {});
  }
}

/** The plan as a usual lesson: what is in it, in its order, how long. */
export function usualFrom({ blocks }: LessonPlan): UsualLesson {
  const kinds = [...new Set(blocks.map(({ kind }) => kind))];
  return kinds.map((kind) => ({
    kind,
    minutes: blocks.filter((block) => block.kind === kind).reduce((sum, { minutes }) => sum + minutes, 0),
  }));
}
