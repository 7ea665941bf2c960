import type { BlockKind, LessonRun } from '@escalier/core/lesson';
import type { Counting, Sayings } from '@escalier/core/music';
import type { NoteColours, NoteRow, RungId } from '@escalier/core/practice';
import type { ScoreMark } from '../../score/index.ts';
import type { NoteText } from '../../workers/lines.ts';
import { t } from './messages.ts';

/** What the class can be shown. */
export const SCENES = [
  { id: 'title', label: t('stage.title') },
  { id: 'posture', label: t('stage.hands') },
  { id: 'pose-playing', label: t('stage.playing') },
  { id: 'pose-resting', label: t('stage.at-rest') },
  { id: 'pose-knee', label: t('stage.on-the-knee') },
  { id: 'check', label: t('stage.partner-check') },
  { id: 'tongue', label: t('stage.tongue') },
  { id: 'stretch', label: t('stage.move-break') },
  { id: 'fingering', label: t('stage.fingering') },
  { id: 'facing', label: t('stage.facing-you') },
  { id: 'staff', label: t('stage.on-the-staff') },
  { id: 'echo', label: t('stage.echo') },
  { id: 'changed', label: t('stage.what-changed') },
  { id: 'changed-answer', label: t('stage.the-answer') },
  { id: 'cards', label: t('stage.rhythm-cards') },
  { id: 'partner', label: t('stage.two-lines') },
  { id: 'moves', label: t('stage.back-and-forth') },
  { id: 'names', label: t('stage.names') },
  { id: 'words', label: t('stage.words') },
  { id: 'chant', label: t('stage.chant') },
  { id: 'silent', label: t('stage.silent-fingers') },
  { id: 'tune', label: t('stage.tune') },
  { id: 'spot', label: t('stage.hard-spot') },
  { id: 'one-note', label: t('stage.on-one-note') },
  { id: 'grow', label: t('stage.guess-the-tune') },
  { id: 'breaths', label: t('stage.breaths') },
  { id: 'parts', label: t('stage.two-parts') },
  { id: 'turn', label: t('stage.whose-turn') },
  { id: 'belts', label: t('stage.belts') },
  { id: 'quiet', label: t('stage.quiet') },
  { id: 'metronome', label: t('stage.beat') },
] as const;
export type SceneId = (typeof SCENES)[number]['id'];

/** Scenes in which the tune is gone through with the player. */
export const WITH_TUNE: ReadonlySet<SceneId> = new Set([
  ...(['names', 'words', 'chant', 'silent', 'tune', 'spot', 'one-note', 'grow', 'breaths', 'parts'] as const),
]);
/** Those of them that show its sheet. */
export const WITH_SHEET: ReadonlySet<SceneId> = new Set([
  ...(['tune', 'spot', 'one-note', 'grow', 'breaths', 'parts'] as const),
]);

/** Ways to hold the instrument that are called by a key, while the class gets ready. */
export const POSES = ['pose-playing', 'pose-resting', 'pose-knee'] as const satisfies readonly SceneId[];

/** A way to hold the instrument, as it is drawn; at rest it is at the chin or at the shoulder, as the class does. */
export type PoseId = 'playing' | 'chin' | 'shoulder' | 'knee';

export interface Pose {
  readonly id: PoseId;
  readonly title: string;
  /** A few words that go with it. */
  readonly words: readonly string[];
}

export function sceneLabel(id: SceneId): string {
  return SCENES.find((scene) => scene.id === id)!.label;
}

/** Scenes that go with a part of the lesson, the first one first. */
export const SCENES_OF: Readonly<Record<BlockKind, readonly SceneId[]>> = {
  settle: ['posture', 'pose-playing', 'pose-resting', 'pose-knee', 'check', 'belts'],
  'warm-up': ['echo', 'cards', 'partner', 'changed', 'changed-answer', 'tongue', 'stretch'],
  'new-note': ['fingering', 'facing', 'staff', 'echo', 'tongue', 'check'],
  moves: ['moves'],
  'hard-spot': ['spot', 'silent'],
  tune: ['names', 'chant', 'silent', 'tune', 'words', 'one-note', 'grow', 'breaths', 'parts'],
  // The others play or finger the tune meanwhile.
  hearing: ['tune', 'silent', 'turn'],
  together: ['tune', 'parts', 'fingering', 'echo'],
  close: ['title', 'belts'],
};
/** At any time. */
export const ALWAYS: readonly SceneId[] = ['turn', 'metronome', 'quiet'];

export const SCENE_OF_RUNG: Readonly<Record<RungId, SceneId>> = {
  say: 'names',
  clap: 'chant',
  finger: 'silent',
  slow: 'tune',
  spot: 'spot',
  join: 'tune',
  whole: 'tune',
  backing: 'tune',
  alone: 'turn',
};

/** What is shown when nobody has chosen: by the rung of a tune, or the part of the lesson. */
export function usualScene({ plan, index, rung, startedAt, endedAt }: LessonRun): SceneId {
  const block = plan?.blocks[index];
  if (block === undefined || startedAt === null || endedAt !== null) return 'title';
  if (block.kind === 'tune' && rung !== null) return SCENE_OF_RUNG[rung];
  // The tune cannot be played yet: its notes are echoed.
  if (block.kind === 'together' && block.notes !== undefined) return 'echo';
  return SCENES_OF[block.kind][0]!;
}

/** A sheet for the back of the room. */
export interface StageSheet {
  readonly abc: string;
  readonly title: string;
  readonly instrumentId: string;
  readonly rows: readonly NoteRow[];
  readonly counting: Counting | null;
  readonly sayings: Sayings;
  readonly colours: NoteColours | null;
  readonly marks: readonly ScoreMark[];
  /** Notes on a staff and nothing else. */
  readonly plain: boolean;
  /** Another one under it, for the other half of the class; null for none. */
  readonly second: string | null;
}

/** A syllable, a name or a number of the rhythm, with the note that it belongs to and the bar lines beside it. */
export type StageWord = NoteText;

/** All that is drawn for the class: plain data, so that it goes to another window as it is. */
export interface Stage {
  readonly scene: SceneId;
  readonly heading: string;
  /** A few words under it. */
  readonly about: string;
  readonly lines: readonly string[];
  /** How the instrument is held: all ways, or the one that was called. */
  readonly poses: readonly Pose[];
  readonly sheet: StageSheet | null;
  readonly words: readonly (readonly StageWord[])[];
  readonly finger: {
    readonly instrumentId: string;
    readonly note: string;
    readonly from: string | null;
    readonly label: string;
    readonly view: 'pupil' | 'facing';
  } | null;
  /** Names of notes are shown beside the picture. */
  readonly named: boolean;
  readonly belts: readonly { readonly name: string; readonly belt: string }[];
  readonly turn: string | null;
  /** Milliseconds at which the class is to be quiet; null for no signal. */
  readonly quietAt: number | null;
  readonly tempo: number;
  /** How often the teacher has turned to the next lines of the sheet; below 0 for back. */
  readonly turned: number;
  /** When the part of the lesson began and is to end, in milliseconds; null outside of a lesson. */
  readonly part: { readonly from: number; readonly until: number } | null;
  /** Light on a dark wall. */
  readonly dark: boolean;
  /** Tempi to climb at a hard spot; none elsewhere. */
  readonly ladder: readonly number[];
  /** The note, or the beat, that sounds now. */
  readonly now: string | null;
  readonly beat: number | null;
  readonly whose: 'count' | 'teacher' | 'class' | 'read' | null;
}

export const EMPTY_STAGE: Stage = {
  scene: 'title',
  heading: '',
  about: '',
  lines: [],
  poses: [],
  sheet: null,
  words: [],
  finger: null,
  named: true,
  belts: [],
  turn: null,
  quietAt: null,
  tempo: 80,
  turned: 0,
  part: null,
  dark: false,
  ladder: [],
  now: null,
  beat: null,
  whose: null,
};

/** So many notes are on a line that can be read from nine metres: the staff is a ninth of the picture. */
export const NOTES_ON_LINE = 9;
/** Of a pattern of four beats there is one line only: it may be larger. */
export const NOTES_OF_PATTERN = 5;
