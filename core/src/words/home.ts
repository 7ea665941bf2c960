import type { HomePart } from '../home/index.ts';
import type { Listened, Reason } from '../listening/index.ts';
import { pitchIn, pitchName } from '../music/index.ts';
import { describeMove, NUMBERS } from './moves.ts';
import type { ListeningSpeech } from './listening.ts';
import { capital, listWords, type NoteNamer } from './stairs.ts';
import { barRange } from './teaching.ts';

/** What a child hears of a part of the practice: what it is called, and what to do. */
export interface HomeWords {
  readonly title: string;
  readonly say: string;
}

const MOST_THINGS = 2;

export function homePartWords(part: HomePart, say: NoteNamer, titleOf: (tune: number) => string): HomeWords {
  switch (part.kind) {
    case 'warm-up':
      return { title: 'Warm up', say: 'Listen, then play it back.' };
    case 'hard-spot':
      return {
        title: `${say(part.hardest.from)} to ${say(part.hardest.to)}`,
        say: `${sentence(describeMove(part.hardest.move))} Finger it silently, then play. One more note each time.`,
      };
    case 'piece':
      return {
        title: `${titleOf(part.tune)}, ${barRange(part.chunk.bars)}`,
        say: part.chunk.starts === 'teacher' ? 'Listen, then play it back.' : 'Play along, then alone.',
      };
    case 'task':
      return {
        title: `${titleOf(part.tune)}${part.bars === null ? '' : `, ${barRange(part.bars)}`}`,
        say: 'Your teacher chose this for you.',
      };
    case 'whole':
      return { title: titleOf(part.tune), say: 'All of it. Play along, then alone.' };
    case 'old':
      return { title: titleOf(part.tune), say: part.isLoved ? 'One that you like.' : 'One that you know.' };
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
    return { good: 'I could not hear you.', next: ['Sit closer to the device and try again.'] };
  if (proposal.unclear !== null)
    return { good: 'I could not follow this one.', next: ['Find a quiet place, and try it a little slower.'] };
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
      ? 'Every one came back right. Lovely!'
      : right === 0
        ? 'Listen once more, then play it back.'
        : `${capital(inWords(right))} of ${inWords(takes.length)} came back right.`;
  const next = [...new Set(takes.flatMap((take) => take.next))].slice(0, MOST_THINGS);
  return { good, next };
}

function goodWords(right: number, of: number, toFix: number): string {
  if (toFix === 0) return 'Every note is there. Lovely!';
  if (right >= of * 0.8) return 'Nearly all of it is right.';
  if (right >= of * 0.4) return 'A good part of it is right.';
  return 'You have begun: keep going.';
}

/** One thing to do; null for what a child need not hear. */
function advice(reason: Reason, { score }: Listened, { tune, on, say }: ListeningSpeech): string | null {
  const barOf = (at: number): number => tune.bars[score.notes[at]!.barIndex]!.number;
  const inBars = (places: readonly number[]): string => {
    const bars = [...new Set(places.map(barOf))].toSorted((a, b) => a - b);
    return `in ${bars.length === 1 ? 'bar' : 'bars'} ${listWords(bars.map(String))}`;
  };
  const name = (midi: number, near: number): string =>
    say(pitchName(pitchIn(tune.bars[score.notes[near]!.barIndex]!.key, midi - on.soundsAbove)));
  switch (reason.kind) {
    case 'wrong':
      return `${noteCount(reason.at.length)} to fix: ${name(reason.asked, reason.at[0]!)} ${inBars(reason.at)}.`;
    case 'missed':
      return `${noteCount(reason.at.length)} to find ${inBars(reason.at)}.`;
    case 'extra':
      return `One note fewer ${inBars(reason.before)}.`;
    case 'broke-off':
      return reason.after < 0 ? 'Start from the beginning.' : `Next time go on after bar ${barOf(reason.after)}.`;
    case 'stops':
      return `Practise into bar ${barOf(reason.before[0]!)} without stopping.`;
    case 'restarts':
      return `If you slip at bar ${barOf(reason.from[0]!)}, keep going.`;
    case 'left-out':
      return `Put bar ${barOf(reason.from)} back in.`;
    case 'slurred':
      return `Tongue each note ${inBars(reason.at)}.`;
    case 'squeaks':
      return 'Blow gently, and cover every hole: then it does not squeak.';
    case 'sharp':
      return `Blow more gently ${inBars(reason.at)}.`;
    case 'weak':
      return `A little more breath ${inBars(reason.at)}.`;
    case 'leak':
      return `Cover the holes well ${inBars(reason.at)}.`;
    case 'rushed':
      return 'It got faster: keep your foot steady.';
    case 'dragged':
      return 'It got slower: keep your foot steady.';
    case 'slow':
      return 'Now a little faster.';
    case 'moved':
      return 'All the notes are higher or lower than written: check your first note.';
    case 'out-of-tune':
      return null;
  }
}

function noteCount(count: number): string {
  return `${capital(inWords(count))} ${count === 1 ? 'note' : 'notes'}`;
}

const inWords = (count: number): string => NUMBERS[count] ?? String(count);
