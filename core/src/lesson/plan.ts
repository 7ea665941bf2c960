import type { LessonPart } from '../calendar/index.ts';
import type { RungId } from '../practice/index.ts';
import type { QueueReason } from '../records/index.ts';
import { fitMinutes } from './minutes.ts';

/** The parts of a lesson, in the order in which most lessons have them. */
export const BLOCK_KINDS = [
  'settle',
  'warm-up',
  'new-note',
  'moves',
  'hard-spot',
  'tune',
  'hearing',
  'together',
  'close',
] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

export interface MoveNames {
  readonly from: string;
  readonly to: string;
}

/** What the step that the class works on asks for; notes by name, such as F#4. */
export interface LessonStep {
  readonly position: number;
  readonly title: string;
  readonly newNotes: readonly string[];
  /** What the class knows of the tune's notes, else all that it knows: the last learned first. */
  readonly knownNotes: readonly string[];
  readonly newElements: readonly string[];
  /** Moves to go over before the tune, the easiest first. */
  readonly moves: readonly MoveNames[];
  readonly hardSpot:
    (MoveNames & { readonly bars: readonly [number, number]; readonly tempi: readonly number[] }) | null;
  /** The class’s practice ladder, and what of it the class has done with this tune. */
  readonly rungs: readonly RungId[];
  readonly rungsDone: readonly RungId[];
  /** Titles of the easier line and of the extra for those ahead. */
  readonly easier: string | null;
  readonly extra: string | null;
}

/** Somebody who waits to be heard, who is here. */
export interface LessonTurn {
  readonly pupilId: string;
  readonly reason: QueueReason;
  /** The tune, the change and the talk. */
  readonly seconds: number;
  /** Position of the step that is heard. */
  readonly step: number;
}

/** What was weak in the last hearings, the most frequent first. */
export type WeakSpot =
  | ({ readonly kind: 'move' } & MoveNames)
  | { readonly kind: 'note'; readonly note: string }
  | { readonly kind: 'rhythm'; readonly element: string };

/** What an earlier lesson left open. */
export interface OpenThing {
  readonly kind: BlockKind;
  /** Of a tune: the rungs that were planned and not reached. */
  readonly rungs?: readonly RungId[];
}

/** A lesson as a teacher likes it: kinds in their order, with minutes. */
export type UsualLesson = readonly { readonly kind: BlockKind; readonly minutes: number }[];

/** From what a lesson is planned. */
export interface LessonFacts {
  /** Whole minutes from bell to bell. */
  readonly minutes: number;
  readonly seed: number;
  /** What the calendar holds for the lesson. */
  readonly part: LessonPart;
  /** Null once all steps are passed. */
  readonly step: LessonStep | null;
  readonly usual: UsualLesson | null;
  /** Minutes of a lesson that the class gives to hearing. */
  readonly hearingMinutes: number;
  /** Who is here, whom to hear first at the front. */
  readonly queue: readonly LessonTurn[];
  /** Pupils on a later step than the class, and on an earlier one. */
  readonly ahead: readonly string[];
  readonly behind: readonly string[];
  readonly weak: readonly WeakSpot[];
  readonly open: readonly OpenThing[];
  /** The class has been taught the new notes of its step. */
  readonly noteTaught: boolean;
  /** The class has played the tune of its step through, or somebody has been heard with it. */
  readonly playedThrough: boolean;
  /** Nobody is heard on the class's step before the class has played it through. */
  readonly hearsAfterPlaying: boolean;
  readonly toClean: number;
  readonly beltsToHand: number;
}

export const BLOCK_WHYS = [
  'always',
  'weak',
  'step-notes',
  'new-due',
  'left-open',
  'before-tune',
  'ladder',
  'hardest',
  'queue',
  'concert',
  'review',
  'everyone',
] as const;
export type BlockWhy = (typeof BLOCK_WHYS)[number];

export interface HearingSlot {
  readonly pupilId: string;
  readonly reason: QueueReason;
  /** Seconds from the start of the block. */
  readonly at: number;
}

export const OTHERS_GROUPS = ['ahead', 'behind', 'rest'] as const;
export const OTHERS_TASKS = ['extra', 'next-tune', 'easier', 'hard-spot', 'silent', 'pattern'] as const;

/** What a group does while others are heard. */
export interface OthersWork {
  readonly group: (typeof OTHERS_GROUPS)[number];
  readonly pupilIds: readonly string[];
  readonly does: (typeof OTHERS_TASKS)[number];
}

export interface BlockContent {
  readonly notes?: readonly string[] | undefined;
  readonly moves?: readonly MoveNames[] | undefined;
  readonly weak?: WeakSpot | undefined;
  readonly rungs?: readonly RungId[] | undefined;
  readonly bars?: readonly [number, number] | undefined;
  readonly tempi?: readonly number[] | undefined;
  readonly slots?: readonly HearingSlot[] | undefined;
  readonly others?: readonly OthersWork[] | undefined;
  readonly toClean?: number | undefined;
  readonly beltsToHand?: number | undefined;
  /** By which patterns and cards are made: the same lesson has the same ones. */
  readonly seed?: number | undefined;
}

export interface Block extends BlockContent {
  /** Stays the same while a block moves. */
  readonly id: string;
  readonly kind: BlockKind;
  readonly minutes: number;
  /** Under these the block is not worth beginning. */
  readonly least: number;
  /** The teacher has set its minutes: others give way. */
  readonly locked: boolean;
  readonly why: BlockWhy;
}

export interface LessonPlan {
  readonly minutes: number;
  /** Minutes of the blocks sum to those of the lesson. */
  readonly blocks: readonly Block[];
  /** Kinds that were due and found no room. */
  readonly left: readonly BlockKind[];
}

export interface Wanted {
  readonly block: Omit<Block, 'minutes' | 'locked'>;
  readonly wish: number;
}

/** Which goes first when a lesson is short: the front of the list. */
const GIVES_WAY: readonly BlockKind[] = ['moves', 'hard-spot', 'together', 'warm-up', 'hearing', 'new-note', 'tune'];
export const SHORTEST_LESSON = 5;
export const LONGEST_LESSON = 240;
/** A hearing that is due is worth so many times the usual minutes in the lesson for hearing. */
const MORE_HEARING = 1.5;

/**
 * A lesson for where a class stands: what is due in the minutes that there are. The same facts give the same plan.
 * @throws RangeError for minutes that are no lesson; what a teacher types is checked before.
 */
export function planLesson(facts: LessonFacts): LessonPlan {
  if (!Number.isInteger(facts.minutes) || facts.minutes < SHORTEST_LESSON || facts.minutes > LONGEST_LESSON)
    throw new RangeError(`a lesson of ${facts.minutes} minutes`);
  const wanted = noteFirst(inUsualOrder(wantedBlocks(facts), facts.usual), facts);
  const dropped: BlockKind[] = [];
  let kept = wanted;
  const least = (): number => kept.reduce((sum, { block }) => sum + block.least, 0);
  for (const kind of GIVES_WAY) {
    if (least() <= facts.minutes) break;
    if (!kept.some(({ block }) => block.kind === kind) || kept.length <= 3) continue;
    kept = kept.filter(({ block }) => block.kind !== kind);
    dropped.push(kind);
  }
  const minutes = fitMinutes(
    kept.map(({ block, wish }) => ({ wish, least: block.least, grows: GROWS[block.kind], fixed: null })),
    facts.minutes,
  );
  const blocks = kept.map(({ block }, index): Block => ({ ...block, minutes: minutes[index]!, locked: false }));
  return { minutes: facts.minutes, blocks: withSlots(blocks, facts), left: dropped };
}

/** How the minutes that are left over are shared out. */
export const GROWS: Readonly<Record<BlockKind, number>> = {
  settle: 0,
  'warm-up': 1,
  'new-note': 1,
  moves: 1,
  'hard-spot': 1,
  tune: 4,
  hearing: 3,
  together: 2,
  close: 0,
};

export function wantedBlocks(facts: LessonFacts): readonly Wanted[] {
  const { step, part, open } = facts;
  const left = new Set(open.map(({ kind }) => kind));
  const isConcert = part === 'concert';
  const notes = step?.newNotes ?? [];
  const noteDue = isNoteDue(facts);
  const wanted: Wanted[] = [
    want('settle', 3, 2, 'always', { toClean: facts.toClean, beltsToHand: facts.beltsToHand }),
    warmUp(facts),
  ];
  if (noteDue) wanted.push(want('new-note', 9, 5, left.has('new-note') ? 'left-open' : 'new-due', { notes }));
  if (step !== null && step.moves.length > 0 && !isConcert && (noteDue || left.has('moves')))
    wanted.push(want('moves', 4, 2, left.has('moves') ? 'left-open' : 'before-tune', { moves: step.moves }));
  if (step !== null && step.hardSpot !== null && !noteDue && !isConcert) {
    const { from, to, bars, tempi } = step.hardSpot;
    wanted.push(want('hard-spot', 4, 3, 'hardest', { moves: [{ from, to }], bars, tempi }));
  }
  const tune = step === null ? null : tuneBlock(facts, step, noteDue);
  if (tune !== null) wanted.push(tune);
  const [first] = turnsOf(facts);
  if (first !== undefined && facts.hearingMinutes > 0 && !isConcert) {
    const more = part === 'hearing' ? MORE_HEARING : 1;
    const shortest = Math.ceil(first.seconds / 60);
    const wish = Math.max(shortest, Math.round(facts.hearingMinutes * more));
    wanted.push(want('hearing', wish, Math.min(wish, Math.max(2, shortest)), 'queue', {}));
  }
  // A tune that has only been chanted cannot be played yet: then all play its notes.
  const isPlayable =
    step === null || isConcert || facts.playedThrough || isPlayedThrough([...step.rungsDone, ...tune!.block.rungs!]);
  const onNotes = isPlayable ? undefined : [...step.newNotes, ...step.knownNotes].slice(0, MOST_NOTES);
  wanted.push(want('together', isConcert ? 12 : 4, 2, isConcert ? 'concert' : 'everyone', { notes: onNotes }));
  wanted.push(want('close', 2, 1, 'always', {}));
  return wanted;
}

export function want(kind: BlockKind, wish: number, least: number, why: BlockWhy, content: BlockContent): Wanted {
  return { wish, block: { ...content, id: kind, kind, least, why } };
}

/** Until it was taught, however often it was planned: a tune is not played before its notes are known. */
function isNoteDue({ step, part, noteTaught, open }: LessonFacts): boolean {
  if (step === null || step.newNotes.length === 0 || part === 'concert') return false;
  return !noteTaught || open.some(({ kind }) => kind === 'new-note');
}

/** Rungs on which the tune is played from its first note to its last. */
const PLAYED_THROUGH: ReadonlySet<RungId> = new Set(['whole', 'backing']);

/** Whether a class that has gone through these rungs has played its tune through. */
export function isPlayedThrough(rungs: readonly RungId[]): boolean {
  return rungs.some((rung) => PLAYED_THROUGH.has(rung));
}

/** Who may be heard in this lesson: nobody on the class's step before the class has played it through, unless it likes to. */
export function turnsOf(
  facts: Pick<LessonFacts, 'queue' | 'step' | 'playedThrough' | 'hearsAfterPlaying'>,
): readonly LessonTurn[] {
  const { queue, step, playedThrough, hearsAfterPlaying } = facts;
  if (step === null || playedThrough || !hearsAfterPlaying) return queue;
  return queue.filter((turn) => turn.step < step.position);
}

/**
 * A new note is shown, fingered and echoed before anything is played with it, in whatever order the teacher likes the
 * rest; who knows no note yet plays nothing before it.
 */
function noteFirst(wanted: readonly Wanted[], { step }: LessonFacts): readonly Wanted[] {
  const note = wanted.findIndex(({ block }) => block.kind === 'new-note');
  if (note < 0) return wanted;
  const knowsNothing = step?.knownNotes.length === 0;
  const plays = wanted.findIndex(
    ({ block }) => NEEDS_NOTE.has(block.kind) || (knowsNothing && block.kind === 'warm-up'),
  );
  if (plays < 0 || plays > note) return wanted;
  return wanted.toSpliced(note, 1).toSpliced(plays, 0, wanted[note]!);
}

const NEEDS_NOTE: ReadonlySet<BlockKind> = new Set(['moves', 'hard-spot', 'tune', 'hearing', 'together']);

/** Notes of a part that is echoed: the last learned. */
const MOST_NOTES = 8;

/** On what was weak; else on the rhythm of the step, or on its notes: on such as the class knows by then. */
function warmUp(facts: LessonFacts): Wanted {
  const { weak, step, part, seed } = facts;
  const wish = part === 'review' ? 8 : 5;
  const known = step === null ? [] : isNoteDue(facts) ? notesWithout(step) : [...step.newNotes, ...step.knownNotes];
  const notes = known.slice(0, MOST_NOTES);
  const first = weak.find((spot) => isKnown(spot, known));
  if (first !== undefined) return want('warm-up', wish, 3, 'weak', { weak: first, notes, seed });
  const element = step?.newElements[0];
  if (element !== undefined)
    return want('warm-up', wish, 3, 'step-notes', { weak: { kind: 'rhythm', element }, notes, seed });
  return want('warm-up', wish, 3, part === 'review' ? 'review' : 'step-notes', { notes, seed });
}

/** Before the new notes of a step; the warm-up of who knows none comes after the first. */
function notesWithout({ knownNotes, newNotes }: LessonStep): readonly string[] {
  return knownNotes.length > 0 ? knownNotes : newNotes;
}

/** Nothing is known of a step that all have passed: then everything counts as known. */
function isKnown(weak: WeakSpot, notes: readonly string[]): boolean {
  if (weak.kind === 'rhythm' || notes.length === 0) return true;
  const needed = weak.kind === 'note' ? [weak.note] : [weak.from, weak.to];
  return needed.every((note) => notes.includes(note));
}

/** The next rungs of the ladder: fewer where a new note takes its time. */
function tuneBlock({ open, part }: LessonFacts, step: LessonStep, noteDue: boolean): Wanted {
  const leftRungs = open.find(({ kind }) => kind === 'tune')?.rungs;
  const done = new Set(step.rungsDone);
  const ahead = step.rungs.filter((rung) => !done.has(rung));
  const next = ahead.length === 0 ? step.rungs.slice(-1) : ahead;
  const rungs = (leftRungs ?? next).slice(0, noteDue ? 2 : part === 'hearing' ? 2 : 3);
  const why = leftRungs !== undefined ? 'left-open' : part === 'review' ? 'review' : 'ladder';
  return want('tune', noteDue ? 7 : 9, 4, why, { rungs });
}

/** In the order that the teacher is used to, with the minutes of that; what is due and not in it keeps its place. */
function inUsualOrder(wanted: readonly Wanted[], usual: UsualLesson | null): readonly Wanted[] {
  if (usual === null) return wanted;
  const known = new Map(usual.map(({ kind, minutes }, place) => [kind, { minutes, place }]));
  const kept = wanted.filter(({ block }) => known.has(block.kind) || ALWAYS.has(block.kind) || block.why === 'new-due');
  const placeOf = ({ block }: Wanted): number => {
    const own = known.get(block.kind)?.place;
    if (own !== undefined) return own;
    if (block.kind === 'close') return Infinity;
    // After the last block that comes before it as a rule and that the usual lesson has.
    const before = BLOCK_KINDS.slice(0, BLOCK_KINDS.indexOf(block.kind)).toReversed();
    const after = before.map((kind) => known.get(kind)?.place).find((place) => place !== undefined);
    return (after ?? -1) + 0.5;
  };
  return kept
    .toSorted((a, b) => placeOf(a) - placeOf(b))
    .map((each) => ({ ...each, wish: Math.max(each.block.least, known.get(each.block.kind)?.minutes ?? each.wish) }));
}

const ALWAYS: ReadonlySet<BlockKind> = new Set(['settle', 'tune', 'close']);

/** Names for the minutes of each hearing, and work for everybody else. */
export function withSlots(
  blocks: readonly Block[],
  facts: Pick<LessonFacts, 'queue' | 'ahead' | 'behind' | 'step' | 'playedThrough' | 'hearsAfterPlaying'>,
): readonly Block[] {
  return blocks.map((block) => {
    if (block.kind !== 'hearing') return block;
    let at = 0;
    const slots: HearingSlot[] = [];
    for (const { pupilId, reason, seconds } of turnsOf(facts)) {
      if (at + seconds > block.minutes * 60) break;
      slots.push({ pupilId, reason, at });
      at += seconds;
    }
    return { ...block, slots, others: othersWork(facts) };
  });
}

function othersWork({ ahead, behind, step }: Pick<LessonFacts, 'ahead' | 'behind' | 'step'>): readonly OthersWork[] {
  return [
    ...(ahead.length > 0
      ? [{ group: 'ahead', pupilIds: ahead, does: (step?.extra ?? null) === null ? 'next-tune' : 'extra' } as const]
      : []),
    ...(behind.length > 0
      ? [{ group: 'behind', pupilIds: behind, does: (step?.easier ?? null) === null ? 'hard-spot' : 'easier' } as const]
      : []),
    { group: 'rest', pupilIds: [], does: step === null ? 'pattern' : 'silent' },
  ];
}
