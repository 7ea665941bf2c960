import { listWords } from '@escalier/messages';
import type { HomePart } from '../home/index.ts';
import type { Listened, Reason } from '../listening/index.ts';
import { pitchIn, pitchName } from '../music/index.ts';
import { describeMove, NUMBERS } from './moves.ts';
import type { ListeningSpeech } from './listening.ts';
import { capital, type NoteNamer } from './stairs.ts';
import { barRange } from './teaching.ts';
import { t } from './messages.ts';

/** What a child hears of a part of the practice: what it is called, and what to do. */
export interface HomeWords {
  readonly title: string;
  readonly say: string;
}

const MOST_THINGS = 2;

export function homePartWords(part: HomePart, say: NoteNamer, titleOf: (tune: number) => string): HomeWords {
  switch (part.kind) {
    case 'warm-up':
      return { title: t('home.warm-up'), say: t('home.listen-then-play-it-back') };
    case 'hard-spot':
      return {
        title: t('home.say-to-say2', { say: say(part.hardest.from), say2: say(part.hardest.to) }),
        say: t('home.sentence-finger-it-silently-then-play', { sentence: sentence(describeMove(part.hardest.move)) }),
      };
    case 'piece':
      return {
        title: `${titleOf(part.tune)}, ${barRange(part.chunk.bars)}`,
        say: part.chunk.starts === 'teacher' ? t('home.listen-then-play-it-back') : t('home.play-along-then-alone'),
      };
    case 'task':
      return {
        title: `${titleOf(part.tune)}${part.bars === null ? '' : `, ${barRange(part.bars)}`}`,
        say: t('home.your-teacher-chose-this-for-you'),
      };
    case 'whole':
      return { title: titleOf(part.tune), say: t('home.all-of-it-play-along-then') };
    case 'old':
      return {
        title: titleOf(part.tune),
        say: part.isLoved ? t('home.one-that-you-like') : t('home.one-that-you-know'),
      };
  }
}

const sentence = (words: string): string => `${capital(words)}.`;

/** What a child hears about a recording: what was good, and at most two things to do next. Never a mark. */
export interface KindWords {
  readonly good: string;
  readonly next: readonly string[];
}

export function kindWords(listened: Listened, speech: ListeningSpeech): KindWords {
  const { proposal, assessment } = listened;
  if (proposal.unclear === 'silence')
    return { good: t('home.i-could-not-hear-you'), next: [t('home.sit-closer-to-the-device-and')] };
  if (proposal.unclear !== null)
    return { good: t('home.i-could-not-follow-this-one'), next: [t('home.find-a-quiet-place-and-try')] };
  const right = assessment.verdicts.filter(({ kind }) => kind === 'right').length;
  const toFix = proposal.reasons
    .map((reason) => advice(reason, listened, speech))
    .filter((words) => words !== null)
    .slice(0, MOST_THINGS);
  return { good: goodWords(right, assessment.verdicts.length, toFix.length), next: toFix };
}

/** The same of several short takes, one after the other. */
export function kindTogether(takes: readonly KindWords[]): KindWords {
  const right = takes.filter(({ next }) => next.length === 0).length;
  const good =
    right === takes.length
      ? t('home.every-one-came-back-right-lovely')
      : right === 0
        ? t('home.listen-once-more-then-play-it')
        : t('home.capital-of-in-came-back-right', { capital: capital(inWords(right)), in: inWords(takes.length) });
  const next = [...new Set(takes.flatMap((take) => take.next))].slice(0, MOST_THINGS);
  return { good, next };
}

function goodWords(right: number, of: number, toFix: number): string {
  if (toFix === 0) return t('home.every-note-is-there-lovely');
  if (right >= of * 0.8) return t('home.nearly-all-of-it-is-right');
  if (right >= of * 0.4) return t('home.a-good-part-of-it-is');
  return t('home.you-have-begun-keep-going');
}

/** One thing to do; null for what a child need not hear. */
function advice(reason: Reason, { score }: Listened, { tune, on, say }: ListeningSpeech): string | null {
  const barOf = (at: number): number => tune.bars[score.notes[at]!.barIndex]!.number;
  const inBars = (places: readonly number[]): string => {
    const bars = [...new Set(places.map(barOf))].toSorted((a, b) => a - b);
    return `in ${bars.length === 1 ? t('bar.bar') : t('bar.bars')} ${listWords(bars.map(String))}`;
  };
  const name = (midi: number, near: number): string =>
    say(pitchName(pitchIn(tune.bars[score.notes[near]!.barIndex]!.key, midi - on.soundsAbove)));
  switch (reason.kind) {
    case 'wrong':
      return t('home.note-count-to-fix-name-in', {
        noteCount: noteCount(reason.at.length),
        name: name(reason.asked, reason.at[0]!),
        inBars: inBars(reason.at),
      });
    case 'missed':
      return t('home.note-count-to-find-in-bars', {
        noteCount: noteCount(reason.at.length),
        inBars: inBars(reason.at),
      });
    case 'extra':
      return t('home.one-note-fewer-in-bars', { inBars: inBars(reason.before) });
    case 'broke-off':
      return reason.after < 0
        ? t('home.start-from-the-beginning')
        : t('home.next-time-go-on-after-bar', { bar: barOf(reason.after) });
    case 'stops':
      return t('home.practise-into-bar-bar-without-stopping', { bar: barOf(reason.before[0]!) });
    case 'restarts':
      return t('home.if-you-slip-at-bar-bar', { bar: barOf(reason.from[0]!) });
    case 'left-out':
      return t('home.put-bar-bar-back-in', { bar: barOf(reason.from) });
    case 'slurred':
      return t('home.tongue-each-note-in-bars', { inBars: inBars(reason.at) });
    case 'squeaks':
      return t('home.blow-gently-and-cover-every-hole');
    case 'sharp':
      return t('home.blow-more-gently-in-bars', { inBars: inBars(reason.at) });
    case 'weak':
      return t('home.a-little-more-breath-in-bars', { inBars: inBars(reason.at) });
    case 'leak':
      return t('home.cover-the-holes-well-in-bars', { inBars: inBars(reason.at) });
    case 'rushed':
      return t('home.it-got-faster-keep-your-foot');
    case 'dragged':
      return t('home.it-got-slower-keep-your-foot');
    case 'slow':
      return t('home.now-a-little-faster');
    case 'moved':
      return t('home.all-the-notes-are-higher-or');
    case 'out-of-tune':
      return null;
  }
}

function noteCount(count: number): string {
  return `${capital(inWords(count))} ${count === 1 ? 'note' : 'notes'}`;
}

const inWords = (count: number): string => NUMBERS[count] ?? String(count);
