import { listWords } from '@escalier/messages';
import type { LengthWords } from '../music/index.ts';
import {
  ROW,
  type Block,
  type BlockKind,
  type BlockWhy,
  type FeelId,
  type HearingReach,
  type HearingSlot,
  type OthersWork,
  type OtherWay,
  type RungRun,
} from '../lesson/index.ts';
import { RUNGS, type RungId } from '../practice/index.ts';
import { QUEUE_REASONS, type GoOnAnswer, type QueueReason } from '../records/index.ts';
import { sayNote, type NoteNamer } from './stairs.ts';
import { barRange, timesWords } from './teaching.ts';
import { elementsWords } from './tunes.ts';
import { t } from './messages.ts';

/** How a class says notes and lengths, and what its step is called. */
export interface LessonSpeech {
  readonly say: NoteNamer;
  readonly lengths: LengthWords;
  /** The tune of the step. */
  readonly tune: string;
  readonly easier: string | null;
  readonly extra: string | null;
  readonly nameOf: (pupilId: string) => string;
}

export const PLAIN_SPEECH: Omit<LessonSpeech, 'tune'> = {
  say: sayNote,
  lengths: 'british',
  easier: null,
  extra: null,
  nameOf: (id) => id,
};

export const BLOCK_NAMES: Readonly<Record<BlockKind, string>> = {
  settle: t('lesson.settle-in'),
  'warm-up': 'Warm-up',
  'new-note': t('lesson.new-note'),
  moves: t('lesson.moves'),
  'hard-spot': t('lesson.hard-spot'),
  tune: t('lesson.tune'),
  hearing: t('lesson.hearing'),
  together: t('lesson.play-together'),
  close: t('lesson.close'),
};

/** As they stand on a tread. */
export const SHORT_BLOCK_NAMES: Readonly<Record<BlockKind, string>> = {
  ...BLOCK_NAMES,
  settle: t('lesson.settle'),
  'new-note': t('lesson.note'),
  'hard-spot': t('lesson.spot'),
  together: t('lesson.together'),
};

export const FEEL_NAMES: Readonly<Record<FeelId, string>> = {
  march: t('lesson.march'),
  waltz: t('lesson.waltz'),
  jig: t('lesson.jig'),
  lullaby: t('lesson.lullaby'),
  'off-beat': 'Off-beat',
  ballad: t('lesson.ballad'),
  drone: t('lesson.drone'),
};

/** "New note: F sharp", "Hard spot: bars 3 to 4". */
export function blockTitle(block: Block, { say, tune }: LessonSpeech): string {
  const name = BLOCK_NAMES[block.kind];
  switch (block.kind) {
    case 'new-note':
      return block.notes === undefined || block.notes.length === 0
        ? name
        : `${name}: ${listWords(block.notes.map(say))}`;
    case 'moves':
      return `${name}: ${listWords((block.moves ?? []).slice(0, 2).map(({ from, to }) => `${say(from)}–${say(to)}`)) || t('lesson.back-and-forth')}`;
    case 'hard-spot':
      return block.bars === undefined ? name : `${name}: ${barRange(block.bars)}`;
    case 'together':
      if (block.notes !== undefined) return `${name}: ${namedNotes(block.notes, say)}`;
      return tune === '' ? name : `${name}: ${tune}`;
    case 'tune':
      return tune === '' ? name : `${name}: ${tune}`;
    case 'hearing':
      return `${name}: ${(block.slots ?? []).length}`;
    case 'settle':
    case 'warm-up':
    case 'close':
      return name;
  }
}

const WHY: Readonly<Record<BlockWhy, string>> = {
  always: t('lesson.every-lesson'),
  weak: t('lesson.weak-in-the-last-hearings'),
  'step-notes': t('lesson.warms-up-this-steps-notes-and'),
  'new-due': t('lesson.new-on-this-step-the-class'),
  'left-open': t('lesson.not-finished-last-time'),
  'before-tune': t('lesson.the-tune-needs-them-so-practise'),
  ladder: t('lesson.the-next-rungs-of-the-classs'),
  hardest: t('lesson.the-hardest-bar-of-the-tune'),
  queue: t('lesson.waiting-longest-or-nearly-passed'),
  concert: t('lesson.the-last-lesson-of-the-term'),
  review: t('lesson.after-the-holidays-go-over-what'),
  everyone: t('lesson.everybody-plays-whatever-their-step'),
};

export function blockWhyWords(block: Block): string {
  return WHY[block.why];
}

/** What is done in a block, a line each. */
export function blockLines(block: Block, speech: LessonSpeech): readonly string[] {
  const { say, tune } = speech;
  switch (block.kind) {
    case 'settle':
      return [
        t('lesson.instruments-out-check-hands-left-on'),
        ...(count(block.toClean) > 0
          ? [t('lesson.n-instruments-to-clean-before-playing', { n: count(block.toClean) })]
          : []),
        ...(count(block.beltsToHand) > 0 ? [t('lesson.n-belts-to-hand-out', { n: count(block.beltsToHand) })] : []),
      ];
    case 'warm-up':
      return [echoLine(block, speech), t('lesson.rhythm-cards-clap-then-play-on')];
    case 'new-note':
      return [t('lesson.fingering-cover-test-sound-place-on')];
    case 'moves':
      return (block.moves ?? []).map(({ from, to }) =>
        t('lesson.say-to-say2-and-back-slowly', { say: say(from), say2: say(to) }),
      );
    case 'hard-spot': {
      const [first, last] = [block.tempi?.[0], block.tempi?.at(-1)];
      return [
        t('lesson.loop-it-slowly-go-faster-once'),
        ...(first === undefined || last === undefined ? [] : [t('lesson.tempo-first-to-last', { first, last })]),
      ];
    }
    case 'tune':
      return (block.rungs ?? []).map((rung) => `${rungWords(rung)}.`);
    case 'hearing':
      return [
        ...slotLines(block.slots ?? [], speech.nameOf),
        ...(block.others ?? []).map((others) => othersWords(others, speech)),
      ];
    case 'together':
      if (block.notes !== undefined) return [t('lesson.play-notes-together', { notes: namedNotes(block.notes, say) })];
      return [
        t('lesson.play-value-with-the-backing', {
          tune: tune === '' ? t('lesson.what-the-class-likes') : `“${tune}”`,
        }),
      ];
    case 'close':
      return [t('lesson.say-what-went-well-and-what'), t('lesson.instruments-dry-and-away')];
  }
}

/** "Echo on B and A: …", "Echo minims on B: …": what is echoed in the warm-up, and on which notes. */
function echoLine({ weak, notes = [] }: Block, { say, lengths }: LessonSpeech): string {
  if (weak?.kind === 'rhythm') {
    const [note] = notes;
    const elements = elementsWords(weak.element, lengths);
    const rhythm = weak.element.startsWith('note ') ? elements : t('lesson.rhythms-with', { elements });
    return note === undefined
      ? t('lesson.echo-rhythm', { rhythm })
      : t('lesson.echo-rhythm-on-note', { rhythm, note: say(note) });
  }
  const on =
    weak?.kind === 'move'
      ? t('lesson.say-to-say2', { say: say(weak.from), say2: say(weak.to) })
      : weak?.kind === 'note'
        ? say(weak.note)
        : notes.length === 0
          ? t('lesson.the-notes-of-the-step')
          : namedNotes(notes, say);
  return t('lesson.echo-on-on-you-play-four', { on });
}

/** Notes that are named one by one. */
const MOST_NAMED = 3;

/** "B, A and G": the first of them, the one met first in front. */
function namedNotes(notes: readonly string[], say: NoteNamer): string {
  return listWords(notes.slice(0, MOST_NAMED).toReversed().map(say));
}

function count(number: number | undefined): number {
  return number ?? 0;
}

export function rungWords(id: RungId): string {
  return RUNGS.find((rung) => rung.id === id)!.words;
}

const WHO: Readonly<Record<RungRun['who'], string>> = {
  class: 'the whole class',
  'you-then-class': t('lesson.you-then-the-class'),
  rows: 'row by row',
  one: t('lesson.one-at-a-time'),
};
const TEMPO: Readonly<Record<RungRun['tempo'], string>> = {
  free: t('lesson.in-free-time'),
  slow: 'slowly',
  ladder: t('lesson.up-the-tempo-ladder'),
  own: t('lesson.at-the-tunes-tempo'),
};
const UNTIL: Readonly<Record<RungRun['until'], string>> = {
  together: t('lesson.until-it-is-together'),
  'names-sure': t('lesson.until-the-names-come-without-help'),
  'fingers-sure': t('lesson.until-fingers-and-names-agree'),
  'held-twice': t('lesson.up-a-rung-when-it-holds'),
  'no-stop': t('lesson.until-nobody-stops'),
  heard: t('lesson.until-each-has-been-heard'),
};

/** "The whole class, slowly, twice: until nobody stops." */
export function rungRunWords({ who, tempo, times, until }: RungRun): string {
  const line = `${WHO[who]}, ${TEMPO[tempo]}, ${timesWords(times)}: ${UNTIL[until]}.`;
  return line[0]!.toUpperCase() + line.slice(1);
}

const REASONS: Readonly<Record<QueueReason, string>> = {
  due: t('lesson.overdue'),
  ready: t('lesson.nearly-passed'),
  never: t('lesson.not-heard-yet'),
  waited: t('lesson.next-in-line'),
  today: t('lesson.again-today'),
};

/** "7 of 27 fit in; at this pace all are heard in 4 lessons." */
export function hearingReachWords({ waiting, reached, lessons }: HearingReach): string {
  return lessons === null
    ? t('lesson.none-fits-of-waiting', { n: waiting })
    : t('lesson.reached-of-waiting-in-lessons', { reached, waiting, n: lessons });
}

/** "In 7 rows of up to 4: about 12 minutes, 2 lessons." */
export function otherWayWords({ way, minutes, lessons, rows }: OtherWay): string {
  const inLessons = t('lesson.n-lessons', { n: lessons });
  switch (way) {
    case 'rows':
      return t('lesson.heard-in-rows', { n: rows, row: ROW, minutes, lessons: inLessons });
    case 'recordings':
      return t('lesson.heard-by-recordings', { n: minutes });
    case 'hearing-lesson':
      return t('lesson.heard-in-a-hearing-lesson', { minutes, lessons: inLessons });
  }
}

/** "Nearly passed: Ann and Ben." */
function slotLines(slots: readonly HearingSlot[], nameOf: (id: string) => string): readonly string[] {
  return QUEUE_REASONS.flatMap((reason) => {
    const names = slots.filter((slot) => slot.reason === reason).map((slot) => nameOf(slot.pupilId));
    return names.length === 0 ? [] : [`${REASONS[reason]}: ${listWords(names)}.`];
  });
}

const MOST_NAMES = 4;

/** "Ann, Ben, Cy and 9 more" */
function shortList(names: readonly string[]): string {
  if (names.length <= MOST_NAMES) return listWords(names);
  return listWords([
    ...names.slice(0, MOST_NAMES - 1),
    t('lesson.names-count-more', { namesCount: names.length - MOST_NAMES + 1 }),
  ]);
}

export function othersWords({ group, pupilIds, does }: OthersWork, speech: LessonSpeech): string {
  const who =
    group === 'rest'
      ? t('lesson.everybody-else')
      : `${group === 'ahead' ? t('lesson.ahead') : t('lesson.behind')} (${shortList(pupilIds.map(speech.nameOf))})`;
  const work: Readonly<Record<OthersWork['does'], string>> = {
    extra: t('lesson.extra-the-extra-tune', { extra: speech.extra ?? '' }),
    'next-tune': t('lesson.the-tune-of-their-own-step'),
    easier: t('lesson.easier-the-easier-line', { easier: speech.easier ?? '' }),
    'hard-spot': t('lesson.the-hard-spot-fingers-only'),
    silent: t('lesson.the-tune-fingers-only-naming-the'),
    pattern: t('lesson.a-pattern-of-four-beats-of'),
  };
  return `${who}: ${work[does]}.`;
}

/** The decision with its reason: "Go on: 21 of 24 passed, the class’s rule is 70 %." */
export function goOnWords({ rule, goOn, passed, heard, of, missing }: GoOnAnswer): string {
  if (of === 0) return t('lesson.the-class-has-no-pupils-yet');
  const start = goOn ? t('lesson.move-on') : t('lesson.stay-on-this-step');
  switch (rule.kind) {
    case 'share':
      return t('lesson.start-passed-of-of-passed-your', {
        start,
        passed,
        of,
        share: rule.share,
        missing: goOn ? '' : t('lesson.missing-more-to-go', { missing }),
      });
    case 'heard':
      return t('lesson.start-heard-of-of-heard-you', {
        start,
        heard,
        of,
        missing: goOn ? '' : t('lesson.missing-more-to-go', { missing }),
      });
    case 'own':
      return t('lesson.start-you-decide-passed-of-of', { start, passed, of });
  }
}

/** What becomes of those who have not passed when the class goes on; null when all have. */
export function leftBehindWords({ goOn, behind }: GoOnAnswer, nameOf: (id: string) => string): string | null {
  if (!goOn || behind.length === 0) return null;
  return t('lesson.list-value-not-passed-yet-hear', { n: behind.length, list: listWords(behind.map(nameOf)) });
}
