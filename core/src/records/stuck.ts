import { groupBy } from './group.ts';
import type { Standing } from './standings.ts';

/** So many lessons without a try, while the class has moved on, also mean that a pupil is stuck. */
export const STUCK_LESSONS = 2;

export interface Stuck {
  readonly pupilId: string;
  readonly stepIndex: number;
  readonly why:
    { readonly kind: 'tries'; readonly tries: number } | { readonly kind: 'left'; readonly lessons: number };
  /** Remarks of the last hearing on the step. */
  readonly remarks: readonly string[];
}

/**
 * Who is stuck: after three tries on a step without a pass, or below the class and without a try for two lessons; never
 * who nearly passed the last time.
 * @param lessonsWaited lessons since a pupil was last heard, or came.
 * @param classStep index of the step that the class works on.
 */
export function stuckPupils(
  all: readonly Standing[],
  stepIds: readonly string[],
  lessonsWaited: (standing: Standing) => number,
  classStep: number,
): readonly Stuck[] {
  return all.flatMap((standing): Stuck[] => {
    const { pupilId, stepIndex } = standing;
    const current = standing.steps.find((step) => step.stepId === stepIds[stepIndex]);
    const stuck = { pupilId, stepIndex, remarks: current?.remarks ?? [] };
    if (standing.state === 'stuck') return [{ ...stuck, why: { kind: 'tries', tries: standing.triesOnStep } }];
    const lessons = lessonsWaited(standing);
    // Who nearly passed is ready to be heard, however long ago it was.
    const isWorking = standing.state === 'working';
    const isLeft = isWorking && stepIndex < classStep && lessons >= STUCK_LESSONS;
    return isLeft ? [{ ...stuck, why: { kind: 'left', lessons } }] : [];
  });
}

/** What stops a step's players: a move between two notes, hardest first. */
export interface HardMove {
  readonly from: string;
  readonly to: string;
  readonly cost: number;
}

/** Something that stands with several who are stuck. */
export interface Shared<What> {
  readonly what: What;
  readonly pupilIds: readonly string[];
}

export interface CommonCause {
  /** The remark that stands with most of them. */
  readonly remark: Shared<string> | null;
  /** The hard move that is in the tunes of most of them; the costlier one when two are. */
  readonly move: Shared<HardMove> | null;
  /** The new note that is in the steps of most of them. */
  readonly note: Shared<string> | null;
}

/** What a step asks of who plays it. */
export interface StepTrouble {
  readonly newNotes: readonly string[];
  readonly hardMoves: readonly HardMove[];
}

/** One alone is no common cause: each of the three is shared by two or more. */
export function commonCause(stuck: readonly Stuck[], steps: readonly StepTrouble[]): CommonCause {
  const trouble = (pupil: Stuck): StepTrouble => steps[pupil.stepIndex] ?? { newNotes: [], hardMoves: [] };
  return {
    remark: mostShared(stuck, (pupil) => pupil.remarks, String),
    move: mostShared(
      stuck,
      (pupil) => trouble(pupil).hardMoves,
      (move) => [move.from, move.to].toSorted().join(' '),
      (move) => move.cost,
    ),
    note: mostShared(stuck, (pupil) => trouble(pupil).newNotes, String),
  };
}

function mostShared<What>(
  stuck: readonly Stuck[],
  of: (pupil: Stuck) => readonly What[],
  keyOf: (what: What) => string,
  weight: (what: What) => number = () => 0,
): Shared<What> | null {
  const found = stuck.flatMap((pupil) => of(pupil).map((what) => ({ what, pupilId: pupil.pupilId })));
  const shared = [...groupBy(found, ({ what }) => keyOf(what)).values()].map((group): Shared<What> => ({
    what: group.map(({ what }) => what).toSorted((a, b) => weight(b) - weight(a))[0]!,
    pupilIds: [...new Set(group.map(({ pupilId }) => pupilId))],
  }));
  const [most] = shared.toSorted((a, b) => b.pupilIds.length - a.pupilIds.length || weight(b.what) - weight(a.what));
  return most !== undefined && most.pupilIds.length > 1 ? most : null;
}

export const MOST_IN_GROUP = 5;

/** A few who can be helped together: on one step, with what to drill. */
export interface HelpGroup {
  readonly stepIndex: number;
  readonly pupilIds: readonly string[];
  /** The move to toggle; null when the step has no hard one. */
  readonly drill: HardMove | null;
}

/** Small groups by step, the largest first, none over five. */
export function helpGroups(stuck: readonly Stuck[], steps: readonly StepTrouble[]): readonly HelpGroup[] {
  return [...groupBy(stuck, (pupil) => pupil.stepIndex)]
    .flatMap(([stepIndex, pupils]) => {
      const groups = Math.ceil(pupils.length / MOST_IN_GROUP);
      const size = Math.ceil(pupils.length / groups);
      return Array.from({ length: groups }, (_, index) => ({
        stepIndex,
        pupilIds: pupils.slice(index * size, (index + 1) * size).map((pupil) => pupil.pupilId),
        drill: steps[stepIndex]?.hardMoves[0] ?? null,
      }));
    })
    .toSorted((a, b) => b.pupilIds.length - a.pupilIds.length || a.stepIndex - b.stepIndex);
}
