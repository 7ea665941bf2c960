export { hearingReach, ROW, type HearingReach, type OtherWay } from './hearing-ways.ts';
export { backingOf, feelsOf, type Backing, type BackingNote, type BackingVoice } from './backing.ts';
export { chordOf, type Chord } from './chords.ts';
export { FEELS, type FeelId } from './feels.ts';
export { beatOfChord, harmonyOf, type Harmony, type HarmonySource, type PlacedChord } from './harmony.ts';
export {
  BLOCK_KINDS,
  BLOCK_WHYS,
  LONGEST_LESSON,
  OTHERS_GROUPS,
  OTHERS_TASKS,
  isPlayedThrough,
  planLesson,
  SHORTEST_LESSON,
  withSlots,
  type Block,
  type BlockKind,
  type BlockContent,
  type BlockWhy,
  type HearingSlot,
  type LessonFacts,
  type LessonPlan,
  type LessonStep,
  type LessonTurn,
  type MoveNames,
  type OpenThing,
  type OthersWork,
  type UsualLesson,
  type WeakSpot,
} from './plan.ts';
export { playAlong } from './play-along.ts';
export {
  inOrder,
  leftOpen,
  lessonClock,
  lessonHistory,
  lessonRun,
  type LessonClock,
  type LessonEvent,
  type LessonEventKind,
  type LessonHistory,
  type LessonRun,
  isTaught,
  taughtBlocks,
  wasHeld,
} from './run.ts';
export { RUNG_RUNS, type RungRun } from './rungs.ts';
export { lessonStep, tuneTempi, type StepOfClass } from './lesson-step.ts';
export { tempoWord } from './tempo-word.ts';
export {
  leaveOut,
  lockBlock,
  moveBlock,
  putIn,
  setMinutes,
  swapBlock,
  usualFrom,
  type PlanChange,
} from './plan-changes.ts';
