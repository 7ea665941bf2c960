import type { LengthWords } from '../music/index.ts';
import type { Block, BlockKind, BlockWhy, FeelId, HearingSlot, OthersWork, RungRun } from '../lesson/index.ts';
import { RUNGS, type RungId } from '../practice/index.ts';
import { QUEUE_REASONS, type GoOnAnswer, type QueueReason } from '../records/index.ts';
import { listWords, sayNote, type NoteNamer } from './stairs.ts';
import { barRange, timesWords } from './teaching.ts';
import { elementWords } from './tunes.ts';

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
  settle: 'Settle in',
  'warm-up': 'Warm-up',
  'new-note': 'New note',
  moves: 'Moves',
  'hard-spot': 'Hard spot',
  tune: 'Tune',
  hearing: 'Hearing',
  together: 'Play together',
  close: 'Close',
};

/** As they stand on a tread. */
export const SHORT_BLOCK_NAMES: Readonly<Record<BlockKind, string>> = {
  ...BLOCK_NAMES,
  settle: 'Settle',
  'new-note': 'Note',
  'hard-spot': 'Spot',
  together: 'Together',
};

export const FEEL_NAMES: Readonly<Record<FeelId, string>> = {
  march: 'March',
  waltz: 'Waltz',
  jig: 'Jig',
  lullaby: 'Lullaby',
  'off-beat': 'Off-beat',
  ballad: 'Ballad',
  drone: 'Drone',
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
      return `${name}: ${listWords((block.moves ?? []).slice(0, 2).map(({ from, to }) => `${say(from)}–${say(to)}`)) || 'back and forth'}`;
    case 'hard-spot':
      return block.bars === undefined ? name : `${name}: ${barRange(block.bars)}`;
    case 'tune':
    case 'together':
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
  always: 'Every lesson.',
  weak: 'This was weak in the last hearings.',
  'step-notes': 'It gets the notes and rhythms of the step under the fingers.',
  'new-due': 'The step brings it, and the class has not met it yet.',
  'left-open': 'Left open last time.',
  'before-tune': 'The tune needs them; go over them before it.',
  ladder: 'The next rungs of the class’s practice ladder.',
  hardest: 'Here the tune is hardest.',
  queue: 'They wait longest, or nearly passed.',
  concert: 'The last lesson of the term: play to others.',
  review: 'After the holidays: what was known comes back first.',
  everyone: 'Everybody plays, whatever their step.',
};

export function blockWhyWords(block: Block): string {
  return WHY[block.why];
}

/** What is done in a block, a line each. */
export function blockLines(block: Block, speech: LessonSpeech): readonly string[] {
  const { say, lengths, tune } = speech;
  switch (block.kind) {
    case 'settle':
      return [
        'Instruments out, hands checked: left on top.',
        ...(count(block.toClean) > 0 ? [`${block.toClean} to clean before they are played.`] : []),
        ...(count(block.beltsToHand) > 0 ? [`${block.beltsToHand} belts to hand out.`] : []),
      ];
    case 'warm-up': {
      const { weak } = block;
      const on =
        weak === undefined
          ? 'the notes of the step'
          : weak.kind === 'move'
            ? `${say(weak.from)} to ${say(weak.to)}`
            : weak.kind === 'note'
              ? say(weak.note)
              : elementWords(weak.element, lengths);
      return [`Echo on ${on}: you play four beats, the class answers.`, 'Rhythm cards: clap, then play on one note.'];
    }
    case 'new-note':
      return ['Fingering, cover test, sound, place on the staff, echo.'];
    case 'moves':
      return (block.moves ?? []).map(({ from, to }) => `${say(from)} to ${say(to)} and back, slowly, then faster.`);
    case 'hard-spot': {
      const [first, last] = [block.tempi?.[0], block.tempi?.at(-1)];
      return [
        'Loop it slowly; go up when it holds twice.',
        ...(first === undefined || last === undefined ? [] : [`Tempo ${first} to ${last}.`]),
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
      return [`Play ${tune === '' ? 'what the class likes' : `“${tune}”`} with the backing.`];
    case 'close':
      return ['Say what went well, and what to practise at home.', 'Instruments dry and away.'];
  }
}

function count(number: number | undefined): number {
  return number ?? 0;
}

export function rungWords(id: RungId): string {
  return RUNGS.find((rung) => rung.id === id)!.words;
}

const WHO: Readonly<Record<RungRun['who'], string>> = {
  class: 'the whole class',
  'you-then-class': 'you, then the class',
  rows: 'row by row',
  one: 'one at a time',
};
const TEMPO: Readonly<Record<RungRun['tempo'], string>> = {
  free: 'in free time',
  slow: 'slowly',
  ladder: 'up the tempo ladder',
  own: 'at the tune’s tempo',
};
const UNTIL: Readonly<Record<RungRun['until'], string>> = {
  together: 'until it is together',
  'names-sure': 'until the names come without help',
  'fingers-sure': 'until fingers and names agree',
  'held-twice': 'up a rung when it holds twice',
  'no-stop': 'until nobody stops',
  heard: 'until each has been heard',
};

/** "The whole class, slowly, twice: until nobody stops." */
export function rungRunWords({ who, tempo, times, until }: RungRun): string {
  const line = `${WHO[who]}, ${TEMPO[tempo]}, ${timesWords(times)}: ${UNTIL[until]}.`;
  return line[0]!.toUpperCase() + line.slice(1);
}

const REASONS: Readonly<Record<QueueReason, string>> = {
  due: 'Overdue',
  ready: 'Nearly passed',
  never: 'Not heard yet',
  waited: 'Next in line',
  today: 'Again today',
};

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
  return listWords([...names.slice(0, MOST_NAMES - 1), `${names.length - MOST_NAMES + 1} more`]);
}

export function othersWords({ group, pupilIds, does }: OthersWork, speech: LessonSpeech): string {
  const who =
    group === 'rest'
      ? 'Everybody else'
      : `${group === 'ahead' ? 'Ahead' : 'Behind'} (${shortList(pupilIds.map(speech.nameOf))})`;
  const work: Readonly<Record<OthersWork['does'], string>> = {
    extra: `“${speech.extra ?? ''}”, the extra tune`,
    'next-tune': 'the tune of their own step',
    easier: `“${speech.easier ?? ''}”, the easier line`,
    'hard-spot': 'the hard spot, fingers only',
    silent: 'the tune, fingers only, naming the notes',
    pattern: 'a pattern of four beats of their own',
  };
  return `${who}: ${work[does]}.`;
}

/** The decision with its reason: "Go on: 21 of 24 passed, the class’s rule is 70 %." */
export function goOnWords({ rule, goOn, passed, heard, of, missing }: GoOnAnswer): string {
  if (of === 0) return 'The class has no pupils yet.';
  const start = goOn ? 'Go on' : 'Stay';
  switch (rule.kind) {
    case 'share':
      return `${start}: ${passed} of ${of} passed; the class’s rule is ${rule.share} %${goOn ? '' : `, ${missing} more`}.`;
    case 'heard':
      return `${start}: ${heard} of ${of} were heard; the class goes on when all were${goOn ? '' : `, ${missing} more`}.`;
    case 'own':
      return `${start}: you decide; ${passed} of ${of} passed.`;
  }
}

/** What becomes of those who have not passed when the class goes on; null when all have. */
export function leftBehindWords({ goOn, behind }: GoOnAnswer, nameOf: (id: string) => string): string | null {
  if (!goOn || behind.length === 0) return null;
  return `${listWords(behind.map(nameOf))} ${behind.length === 1 ? 'has' : 'have'} not passed yet: heard first, and on the easier line until then.`;
}

/** One part of a lesson for somebody who does not play. */
export interface SubstituteLine {
  readonly title: string;
  readonly minutes: number;
  readonly press: string;
  readonly say: string;
  readonly children: string;
}

const NEXT = 'Press “Next”.';

/** The same lesson in plain words for somebody who does not play: what to press, what to say, what the children do. */
export function substituteLine(block: Block, speech: LessonSpeech): SubstituteLine {
  const tune = speech.tune === '' ? 'the tune' : `“${speech.tune}”`;
  const line = (press: string, say: string, children: string): SubstituteLine => ({
    title: blockTitle(block, speech),
    minutes: block.minutes,
    press,
    say,
    children,
  });
  switch (block.kind) {
    case 'settle':
      return line(
        'Press “Start the lesson”. The screen shows how to hold the instrument.',
        '“Instruments out, left hand on top. Nobody plays yet.”',
        'Take their own instrument, sit tall, put fingers on. Nobody swaps instruments.',
      );
    case 'warm-up':
      return line(
        `${NEXT} Press space: the computer plays four beats.`,
        '“Listen first, then play it back.”',
        'Listen, then play the same four beats. Clap the cards that come after.',
      );
    case 'new-note':
      return line(
        `${NEXT} The screen shows the fingering. Press space to hear it.`,
        `“Look at the picture. Put your fingers down like that. Breathe gently.”`,
        'Copy the picture, press, look at their finger pads for full rings, then play softly.',
      );
    case 'moves':
      return line(
        `${NEXT} Press space: it goes back and forth, slowly.`,
        '“Back and forth, all together. Slow is fine.”',
        'Move their fingers with the picture, first without blowing, then playing.',
      );
    case 'hard-spot':
      return line(
        `${NEXT} Press space: the hard bars are played again and again. Arrow up when it holds.`,
        '“Just these bars. If it falls apart we go slower.”',
        'Play along with the loop; hands down when the tempo changes.',
      );
    case 'tune':
      return line(
        `${NEXT} Press space to play ${tune}; the colour shows where you are. Press 1 to 6 for another way.`,
        `“${(block.rungs ?? []).map(rungWords).join('. ') || 'Play along'}.”`,
        'Follow the screen together.',
      );
    case 'hearing':
      return line(
        'Do not record passes unless you were asked to. Press “Skip” to leave it out.',
        '“Practise silently: fingers move, names are whispered.”',
        'Finger the tune at the chin; those ahead and behind have their own line on the screen.',
      );
    case 'together':
      return line(
        `${NEXT} Press space: ${tune} with the backing.`,
        '“All together, softly. Stop and breathe if you feel dizzy.”',
        'Play together. Whoever loses the place waits for the next line.',
      );
    case 'close':
      return line(
        'Press “End the lesson”.',
        '“What went well today? What will you practise at home?”',
        'Dry their instruments and put them away.',
      );
  }
}
