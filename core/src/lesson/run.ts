import type { LocalDate } from '../calendar/index.ts';
import type { RhythmCard, RungId } from '../practice/index.ts';
import { groupBy } from '../records/index.ts';
import type { Block, BlockKind, LessonPlan, OpenThing, UsualLesson } from './plan.ts';

interface EventBase {
  /** UUID v7 made by the device: the same event twice is one. */
  readonly id: string;
  /** By the device's clock, as an ISO moment. */
  readonly at: string;
}

/** What happens to a lesson. Events are kept for good; what is shown follows from them. */
export type LessonEvent = EventBase &
  (
    | { readonly kind: 'planned'; readonly plan: LessonPlan }
    | { readonly kind: 'usual'; readonly usual: UsualLesson | null }
    /** The class's own rhythm cards, all of them. */
    | { readonly kind: 'patterns'; readonly patterns: readonly RhythmCard[] }
    | { readonly kind: 'started'; readonly plan: LessonPlan; readonly step: number | null }
    /** Goes on to a block, or back to one. */
    | { readonly kind: 'block'; readonly block: string }
    | { readonly kind: 'skipped'; readonly block: string }
    /** Goes on to a rung of the tune's ladder. */
    | { readonly kind: 'rung'; readonly rung: RungId }
    /** The same again: it did not hold yet. */
    | { readonly kind: 'again' }
    | { readonly kind: 'remark'; readonly text: string }
    | { readonly kind: 'ready'; readonly pupilId: string; readonly ready: boolean }
    /** What the class is shown instead of the usual; null for the usual again. */
    | { readonly kind: 'scene'; readonly scene: string | null }
    /** Begins to sound, or stops: so that another device does, too. */
    | { readonly kind: 'play'; readonly on: boolean; readonly tempo: number }
    /** Whether a part was taught, where the teacher says so: the clock says it otherwise. */
    | { readonly kind: 'reached'; readonly block: string; readonly reached: boolean }
    | { readonly kind: 'ended' }
    /** Goes on after its end. */
    | { readonly kind: 'reopened' }
  );
export type LessonEventKind = LessonEvent['kind'];

/** A lesson as its events make it. Moments in milliseconds. */
export interface LessonRun {
  /** What the teacher has kept for it; null as long as nothing was changed. */
  readonly planned: LessonPlan | null;
  /** As it was started; null before. */
  readonly plan: LessonPlan | null;
  /** Position of the step that the class worked on when it was started. */
  readonly step: number | null;
  readonly startedAt: number | null;
  readonly endedAt: number | null;
  /** Index of the block that it is at, and since when. */
  readonly index: number;
  readonly since: number;
  readonly rung: RungId | null;
  /** Since when it is at that rung. */
  readonly rungSince: number;
  /** What was chosen to be shown in this part; null for the usual. */
  readonly scene: string | null;
  /** The last that was said of the sound; null for nothing in this part. */
  readonly play: { readonly on: boolean; readonly tempo: number; readonly at: number } | null;
  /** How often the block, or the rung, was begun again. */
  readonly again: number;
  /** Seconds spent in each block, by its id, until the one that it is at. */
  readonly spent: Readonly<Record<string, number>>;
  readonly skipped: readonly string[];
  /** What the teacher said was taught or was not, by the part's id. */
  readonly reached: Readonly<Record<string, boolean>>;
  /** Rungs of the tune that were gone through. */
  readonly rungsDone: readonly RungId[];
  readonly remarks: readonly { readonly at: number; readonly text: string }[];
  /** Who says to be ready to be heard. */
  readonly ready: readonly string[];
}

const NOT_STARTED: LessonRun = {
  planned: null,
  plan: null,
  step: null,
  startedAt: null,
  endedAt: null,
  index: 0,
  since: 0,
  rung: null,
  rungSince: 0,
  scene: null,
  play: null,
  again: 0,
  spent: {},
  skipped: [],
  reached: {},
  rungsDone: [],
  remarks: [],
  ready: [],
};

/** In the order of the devices' clocks; each event once. */
export function inOrder(events: readonly LessonEvent[]): readonly LessonEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/** Where a lesson stands by its events, in whatever order they came. Events after the end change nothing but remarks. */
export function lessonRun(events: readonly LessonEvent[]): LessonRun {
  return inOrder(events).reduce(withEvent, NOT_STARTED);
}

function withEvent(run: LessonRun, event: LessonEvent): LessonRun {
  const at = Date.parse(event.at);
  switch (event.kind) {
    case 'planned':
      return { ...run, planned: event.plan };
    case 'usual':
    case 'patterns':
      return run;
    case 'remark':
      return { ...run, remarks: [...run.remarks, { at, text: event.text }] };
    case 'started':
      if (run.startedAt !== null) return run;
      return {
        ...run,
        plan: event.plan,
        step: event.step,
        startedAt: at,
        since: at,
        ...begun(event.plan.blocks[0], at),
      };
    case 'ready': {
      const others = run.ready.filter((id) => id !== event.pupilId);
      return { ...run, ready: event.ready ? [...others, event.pupilId] : others };
    }
    case 'reached':
      return { ...run, reached: { ...run.reached, [event.block]: event.reached } };
    case 'reopened':
      return run.endedAt === null ? run : { ...run, ...SILENT, endedAt: null, since: at, rungSince: at };
    case 'block':
    case 'skipped':
    case 'rung':
    case 'again':
    case 'scene':
    case 'play':
    case 'ended':
      return run.plan === null || run.endedAt !== null ? run : goingOn(run, run.plan, event, at);
  }
}

type GoingOn = Extract<LessonEvent, { kind: 'block' | 'skipped' | 'rung' | 'again' | 'scene' | 'play' | 'ended' }>;

function goingOn(run: LessonRun, plan: LessonPlan, event: GoingOn, at: number): LessonRun {
  switch (event.kind) {
    case 'block': {
      const index = plan.blocks.findIndex(({ id }) => id === event.block);
      return index < 0 || index === run.index
        ? run
        : {
            ...left(run, plan, at),
            skipped: run.skipped.filter((id) => id !== event.block),
            index,
            since: at,
            ...begun(plan.blocks[index], at),
          };
    }
    case 'skipped':
      return { ...run, skipped: [...new Set([...run.skipped, event.block])] };
    case 'rung':
      return { ...run, ...SILENT, rung: event.rung, rungSince: at, rungsDone: withRung(run, at) };
    case 'again':
      return { ...run, again: run.again + 1 };
    case 'scene':
      return { ...run, scene: event.scene, play: null };
    case 'play':
      return { ...run, play: { on: event.on, tempo: event.tempo, at } };
    case 'ended':
      return { ...left(run, plan, at), endedAt: at };
  }
}

/** What a new part or rung begins with. */
const SILENT = { scene: null, play: null, again: 0 } as const;

function begun(block: Block | undefined, at: number): Pick<LessonRun, 'rung' | 'rungSince' | keyof typeof SILENT> {
  return { ...SILENT, rung: block?.kind === 'tune' ? (block.rungs?.[0] ?? null) : null, rungSince: at };
}

/** The block that it was at is over: its seconds and its rung are counted. */
function left(run: LessonRun, plan: LessonPlan, at: number): LessonRun {
  const { id } = plan.blocks[run.index]!;
  const seconds = (run.spent[id] ?? 0) + Math.max(0, at - run.since) / 1000;
  const isSkipped = run.skipped.includes(id);
  return {
    ...run,
    spent: { ...run.spent, [id]: seconds },
    rungsDone: isSkipped ? run.rungsDone : withRung(run, at),
  };
}

/** Seconds that a class needs for a rung: who steps past it sooner has not gone through it. */
const LEAST_OF_RUNG = 20;

/** The rungs gone through when the one that it is at is left. */
function withRung({ rungsDone, rung, rungSince }: LessonRun, at: number): readonly RungId[] {
  const isShort = (at - rungSince) / 1000 < LEAST_OF_RUNG;
  return rung === null || isShort || rungsDone.includes(rung) ? rungsDone : [...rungsDone, rung];
}

/** So much of its minutes a part has to have before it counts as taught. */
const TAUGHT_SHARE = 1 / 3;

/** Whether a part was taught: as the teacher says, or else by the minutes that it had. */
export function isTaught({ reached, spent, skipped }: LessonRun, { id, minutes }: Block): boolean {
  return reached[id] ?? (!skipped.includes(id) && (spent[id] ?? 0) >= minutes * 60 * TAUGHT_SHARE);
}

/** The parts that were taught, in the order of the plan. */
export function taughtBlocks(run: LessonRun): readonly Block[] {
  return (run.plan?.blocks ?? []).filter((block) => isTaught(run, block));
}

/** Whether a lesson has been held: it is over, and something of it was taught. */
export function wasHeld(run: LessonRun): boolean {
  return run.endedAt !== null && taughtBlocks(run).length > 0;
}

/** The clock of a lesson; all in seconds. */
export interface LessonClock {
  readonly elapsed: number;
  /** To the bell; below 0 when it has rung. */
  readonly left: number;
  readonly inBlock: number;
  /** Of the block, as planned; below 0 when it takes longer. */
  readonly blockLeft: number;
  /** Behind the plan; below 0 when ahead of it. */
  readonly behind: number;
  /** The block still to come that can best give minutes back; null when none can, or none is needed. */
  readonly gives: Block | null;
}

const WORTH_SAYING = 60;

/** @param now in milliseconds. @returns null before the lesson has begun. */
export function lessonClock(run: LessonRun, now: number): LessonClock | null {
  const { plan, startedAt, endedAt, index, since, spent } = run;
  if (plan === null || startedAt === null) return null;
  const until = endedAt ?? now;
  const elapsed = Math.max(0, until - startedAt) / 1000;
  const block = plan.blocks[index]!;
  const inBlock = (spent[block.id] ?? 0) + (endedAt === null ? Math.max(0, until - since) / 1000 : 0);
  const before = plan.blocks.slice(0, index).reduce((sum, { minutes }) => sum + minutes * 60, 0);
  const behind = elapsed - before - Math.min(inBlock, block.minutes * 60);
  const spare = (block: Block): number => (block.locked ? 0 : block.minutes - block.least);
  const [gives] = plan.blocks.slice(index + 1).toSorted((a, b) => spare(b) - spare(a));
  return {
    elapsed,
    inBlock,
    behind,
    left: plan.minutes * 60 - elapsed,
    blockLeft: block.minutes * 60 - inBlock,
    gives: behind < WORTH_SAYING || gives === undefined || spare(gives) <= 0 ? null : gives,
  };
}

const CARRIES: ReadonlySet<BlockKind> = new Set(['new-note', 'moves', 'hard-spot', 'tune']);

/** What was not reached and is worth taking up next time; nothing of a lesson that was never begun. */
export function leftOpen(run: LessonRun): readonly OpenThing[] {
  const { plan, rungsDone, reached, endedAt } = run;
  if (plan === null || endedAt === null) return [];
  return plan.blocks.flatMap((block): readonly OpenThing[] => {
    if (!CARRIES.has(block.kind)) return [];
    if (block.kind !== 'tune') return isTaught(run, block) ? [] : [{ kind: block.kind }];
    if (reached[block.id] === true) return [];
    const rungs = (block.rungs ?? []).filter((rung) => !rungsDone.includes(rung));
    return rungs.length === 0 ? [] : [{ kind: 'tune', rungs }];
  });
}

/** What the lessons of a class come to, for the plan of the next one. */
export interface LessonHistory {
  readonly usual: UsualLesson | null;
  readonly patterns: readonly RhythmCard[];
  /** Rungs that were gone through with the tune of a step, by its position. */
  readonly rungsDone: (step: number) => readonly RungId[];
  /** Whether the new notes of a step were taught, by its position. */
  readonly isNoteTaught: (step: number) => boolean;
  readonly last: { readonly date: LocalDate; readonly run: LessonRun } | null;
  readonly open: readonly OpenThing[];
}

/**
 * @param lessons events by the date of their lesson.
 * @param date of the lesson that is planned: only those before it count.
 */
export function lessonHistory(
  lessons: readonly { readonly date: LocalDate; readonly event: LessonEvent }[],
  date: LocalDate,
): LessonHistory {
  const all = inOrder(lessons.map(({ event }) => event));
  const usual = all.findLast((event) => event.kind === 'usual');
  const patterns = all.findLast((event) => event.kind === 'patterns');
  const before = lessons.filter((lesson) => lesson.date < date);
  const runs = [...groupBy(before, (lesson) => lesson.date)]
    .map(([day, own]) => ({ date: day, run: lessonRun(own.map(({ event }) => event)) }))
    // One that was stepped through, or begun by mistake, was no lesson.
    .filter(({ run }) => taughtBlocks(run).length > 0 || run.remarks.length > 0)
    .toSorted((a, b) => (a.date < b.date ? -1 : 1));
  const last = runs.at(-1) ?? null;
  return {
    usual: usual?.usual ?? null,
    patterns: patterns?.patterns ?? [],
    isNoteTaught: (step) =>
      runs.some(({ run }) => run.step === step && taughtBlocks(run).some(({ kind }) => kind === 'new-note')),
    rungsDone: (step) => [...new Set(runs.filter(({ run }) => run.step === step).flatMap(({ run }) => run.rungsDone))],
    last,
    open: last === null ? [] : leftOpen(last.run),
  };
}
