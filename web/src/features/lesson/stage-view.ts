import type { Instrument } from '@escalier/core/instruments';
import type { MoveNames } from '@escalier/core/lesson';
import { pitch, pitchName } from '@escalier/core/music';
import {
  chosenRows,
  echoIsShown,
  sayingsOf,
  type ChangedPattern,
  type NoteColours,
  type NoteRow,
} from '@escalier/core/practice';
import type { ScoreMark } from '../../score/index.ts';
import type { TuneInfo, WayIn, WrittenEcho } from '../../workers/index.ts';
import type { ClassView } from '../classes/index.ts';
import type { NoteLesson } from '../notes/index.ts';
import { partnerCard, staffSheet, type StageCard } from './cards.ts';
import {
  POSES,
  sceneLabel,
  WITH_SHEET,
  WITH_TUNE,
  type Pose,
  type SceneId,
  type Stage,
  type StageSheet,
} from './stage.ts';
import { t } from './messages.ts';

/** From what the picture for the class is made. */
export interface StageSources {
  readonly scene: SceneId;
  readonly page: ClassView;
  readonly on: Instrument | null;
  /** A note as the class names it. */
  readonly say: (note: string) => string;
  /** The part of the lesson, as it is said; null before it begins. */
  readonly blockTitle: string | null;
  readonly stepTitle: string | null;
  readonly named: boolean;
  readonly colours: NoteColours | null;
  readonly info: TuneInfo | null;
  /** A version of the tune in its place. */
  readonly way: WayIn | null;
  readonly marks: readonly ScoreMark[];
  readonly noteLesson: NoteLesson | null;
  readonly pattern: WrittenEcho | null;
  /** The same with one note changed; null where there is no other note. */
  readonly changed: ChangedPattern | null;
  readonly cards: readonly StageCard[];
  /** Which card is shown. */
  readonly at: number;
  readonly move: MoveNames | null;
  /** The turn and the beat of an echo, a card or a move that sounds. */
  readonly cue: { readonly turn: number; readonly beat: number } | null;
  /** The class has played its answer to the pattern that is on. */
  readonly hasAnswered: boolean;
  /** The note of the tune that sounds. */
  readonly now: string | null;
}

/** What is drawn in a scene, beside turn, belts and tempo. */
export function stageView(
  from: StageSources,
): Pick<
  Stage,
  'scene' | 'heading' | 'about' | 'lines' | 'poses' | 'sheet' | 'finger' | 'named' | 'whose' | 'beat' | 'now'
> {
  return {
    scene: from.scene,
    named: from.named,
    now: from.now,
    beat: from.cue?.beat ?? null,
    heading: heading(from),
    about: about(from),
    lines: lines(from),
    poses: poses(from),
    sheet: sheet(from),
    finger: finger(from),
    whose: whose(from),
  };
}

const HEADINGS: Partial<Record<SceneId, string>> = {
  grow: t('stage-view.which-tune-is-it'),
  belts: t('stage-view.belts-today'),
  turn: t('stage-view.whose-turn'),
  posture: t('stage-view.ready-to-play'),
  'pose-playing': t('stage-view.ready-to-play'),
  'pose-resting': t('stage-view.listen-in-quiet'),
  'pose-knee': t('stage-view.fingers-without-a-sound'),
  check: t('stage-view.check-your-partner'),
  changed: t('stage-view.which-note-changes'),
  'changed-answer': t('stage-view.which-note-changes'),
  tongue: t('stage-view.say-it-then-play-it'),
  stretch: t('stage-view.on-your-feet'),
};

function heading({ scene, stepTitle, page, info, blockTitle }: StageSources): string {
  if (scene === 'echo') return t('stage-view.listen-then-answer');
  if (scene === 'title') return stepTitle ?? page.name;
  if (HEADINGS[scene] !== undefined) return HEADINGS[scene];
  if (WITH_TUNE.has(scene)) return info?.reading.title ?? '';
  return blockTitle ?? sceneLabel(scene);
}

function about({ scene, move, way, say }: StageSources): string {
  if (scene === 'moves' && move !== null)
    return t('stage-view.say-to-say2-and-back', { say: say(move.from), say2: say(move.to) });
  return scene === 'grow' ? (way?.about ?? '') : '';
}

const CHECKS = [
  t('stage-view.check-left-hand-on-top'),
  t('stage-view.check-holes-covered'),
  t('stage-view.check-shoulders-down'),
  t('stage-view.check-soft-warm-breath'),
  t('stage-view.then-the-other-way-round'),
];
const MOVES = [t('stage-view.low-note-squat'), t('stage-view.high-note-stretch')];
const SPOKEN = 4;

function lines({ scene, page, noteLesson, changed, say }: StageSources): readonly string[] {
  if (scene === 'check') return CHECKS;
  if (scene === 'stretch') return MOVES;
  if (scene === 'changed-answer' && changed !== null)
    return [t('stage-view.note-was-is', { number: changed.note, was: say(changed.was), is: say(changed.is) })];
  if (scene === 'tongue') return Array.from({ length: SPOKEN }, () => page.style.teaching.tongue);
  if (scene !== 'staff' || noteLesson === null) return [];
  return [
    t('stage-view.label-is-staff-place', { label: noteLesson.label, staffPlace: noteLesson.staffPlace }),
    noteLesson.comparison,
  ];
}

/** How the instrument is held, all ways or the one that was called. */
function poses({ scene, page }: StageSources): readonly Pose[] {
  const { restsAt } = page.style.posture;
  const all: Readonly<Record<(typeof POSES)[number], Pose>> = {
    'pose-playing': {
      id: 'playing',
      title: t('stage-view.playing'),
      words: [t('stage-view.left-hand-on-top'), t('stage-view.sit-tall'), t('stage-view.slow-warm-breath')],
    },
    'pose-resting': {
      id: restsAt,
      title: t('stage-view.at-rest'),
      words: [t('stage-view.mouth-free'), t('stage-view.fingers-on-the-holes'), t('stage-view.eyes-on-me')],
    },
    'pose-knee': {
      id: 'knee',
      title: t('stage-view.on-the-knee'),
      words: [t('stage-view.foot-on-your-knee'), t('stage-view.fingers-move'), t('stage-view.no-sound')],
    },
  };
  if (scene === 'posture') return POSES.map((id) => all[id]);
  const called = POSES.find((id) => id === scene);
  return called === undefined ? [] : [all[called]];
}

const isChanged = (scene: SceneId): boolean => scene === 'changed' || scene === 'changed-answer';
const isCard = (scene: SceneId): boolean => scene === 'cards' || scene === 'partner';

function whose({ scene, cue }: StageSources): Stage['whose'] {
  if (cue === null || (scene !== 'echo' && !isChanged(scene) && !isCard(scene))) return null;
  if (cue.turn < 0) return 'count';
  if (isChanged(scene)) return 'teacher';
  if (scene !== 'echo') return 'read';
  return cue.turn % 2 === 0 ? 'teacher' : 'class';
}

function sheet(from: StageSources): StageSheet | null {
  const { scene, page, info, way, named, noteLesson, pattern, cards, at, colours } = from;
  const { counting, naming, teaching } = page.style;
  const sayings = sayingsOf(teaching);
  const own = chosenRows(teaching, info?.hasWords === true);
  const usual: readonly NoteRow[] = own.length > 0 ? own : [{ kind: naming, fill: 'full' }];
  const rows = named ? usual : [];
  const base = {
    instrumentId: page.instrumentId,
    counting,
    sayings,
    colours,
    rows,
    marks: [],
    plain: false,
    second: null,
  };
  if (WITH_SHEET.has(scene) && info !== null)
    return { ...base, abc: way?.abc ?? info.abc, title: info.reading.title, marks: from.marks };
  if (scene === 'staff' && noteLesson !== null) return { ...base, ...staffSheet(noteLesson) };
  if (scene === 'echo' && pattern !== null && echoIsShown(teaching.echo.sight, from.hasAnswered))
    return { ...base, abc: pattern.abc, title: t('stage-view.echo') };
  if (isChanged(scene) && pattern !== null) return { ...base, abc: pattern.abc, title: t('stage-view.echo') };
  if (!isCard(scene)) return null;
  const [card, second] = partnerCard(cards, at);
  if (card === undefined) return null;
  return {
    ...base,
    abc: card.abc,
    title: t('stage-view.rhythm-card'),
    rows: named ? [{ kind: 'counting', fill: 'full' }] : [],
    second: scene === 'partner' ? (second?.abc ?? null) : null,
  };
}

function finger({ scene, on, noteLesson, info, now, move, cue, say }: StageSources): Stage['finger'] {
  if (on === null) return null;
  const picture = (note: string, before: string | null, view: 'pupil' | 'facing' = 'pupil') => ({
    instrumentId: on.id,
    note,
    from: before,
    view,
    label: noteLesson === null ? say(note) : noteLesson.name(pitch(note)),
  });
  if (scene === 'silent') {
    const note = info?.pitches[now ?? info.playback.notes[0]?.id ?? ''];
    return note === undefined ? null : picture(note, null);
  }
  if (scene === 'moves' && move !== null) {
    const isBack = cue !== null && cue.beat % 2 === 0;
    return isBack ? picture(move.to, move.from) : picture(move.from, cue === null ? null : move.to);
  }
  if (noteLesson === null || (scene !== 'fingering' && scene !== 'facing')) return null;
  const before = noteLesson.bridge === null ? null : pitchName(noteLesson.bridge.from);
  return picture(pitchName(noteLesson.note), before, scene === 'facing' ? 'facing' : 'pupil');
}
