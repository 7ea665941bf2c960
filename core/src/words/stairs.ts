import { parsePitch, type LengthWords } from '../music/index.ts';
import type {
  Against,
  Finding,
  KeptProblem,
  PlannedStep,
  RuleProblem,
  StaysBecause,
  StepNews,
} from '../staircase/index.ts';
import { NUMBERS } from './moves.ts';
import { elementWords, signWords } from './tunes.ts';

/** How a class says a written note such as `F#4`. */
export type NoteNamer = (name: string) => string;

const SIGNS: Readonly<Record<string, string>> = {
  '-2': ' double flat',
  '-1': ' flat',
  '1': ' sharp',
  '2': ' double sharp',
};

/** "F sharp", "low D", "high D": as a class says it that has one octave, and begins another. */
export const sayNote: NoteNamer = (name) => {
  const pitch = parsePitch(name);
  if (pitch === null) return name;
  const height = pitch.octave >= 5 ? 'high ' : pitch.octave === 4 && ['C', 'D'].includes(pitch.letter) ? 'low ' : '';
  return `${height}${pitch.letter}${SIGNS[String(pitch.alter)] ?? ''}`;
};

/** "E, G and A" */
export function listWords(things: readonly string[]): string {
  if (things.length < 2) return things.join('');
  return `${things.slice(0, -1).join(', ')} and ${things.at(-1)!}`;
}

export interface Advice {
  readonly text: string;
  readonly remedy: string;
}

/** What is to be said of a staircase, and what can be done about it. */
export function findingWords(finding: Finding, say: NoteNamer = sayNote, lengths: LengthWords = 'american'): Advice {
  switch (finding.kind) {
    case 'two-notes':
      return {
        text: `Brings ${listWords(finding.notes.map(say))} at once.`,
        remedy: `Put a tune before it that has only ${say(finding.notes[0]!)} as its new note.`,
      };
    case 'note-and-rhythm': {
      const rhythm = listWords(finding.elements.map((id) => elementWords(id, lengths)));
      return {
        text: `${listWords(finding.notes.map(say))} comes together with a new rhythm: ${rhythm}.`,
        remedy: `Bring ${rhythm} in a tune on known notes first, or take an easier tune for ${say(finding.notes[0]!)}.`,
      };
    }
    case 'early-note':
      return {
        text: `Uses ${say(finding.note)} before ${listWords(finding.before.map(say))} ${finding.before.length === 1 ? 'has' : 'have'} come.`,
        remedy: `Move this step up, or bring ${say(finding.before[0]!)} first.`,
      };
    case 'outside-order':
      return {
        text: `${say(finding.note)} is not in the order of notes.`,
        remedy: `Take another tune, or add ${say(finding.note)} to the order.`,
      };
    case 'note-once':
      return {
        text: `The new ${say(finding.note)} comes only once.`,
        remedy: 'Take a tune that has it more often, or drill it by echo first.',
      };
    case 'note-lost':
      return finding.again === null
        ? {
            text: `${say(finding.note)} is learned here and never used again.`,
            remedy: `Take a tune with ${say(finding.note)} for one of the next two steps.`,
          }
        : {
            text: `${say(finding.note)} does not come again before step ${finding.again}.`,
            remedy: `Take a tune with ${say(finding.note)} for one of the next two steps, or repeat it in warm-ups.`,
          };
    case 'hard-move':
      return {
        text: `${say(finding.from)} to ${say(finding.to)} is a hard move (${finding.cost}) to meet together with a new note.`,
        remedy: 'Drill the move before the tune, or bring the note in an easier tune first.',
      };
    case 'nothing-new':
      return {
        text: `${capital(NUMBERS[finding.steps] ?? String(finding.steps))} steps in a row bring nothing new.`,
        remedy: 'Leave one of them out, or put a new note between them.',
      };
    case 'steep':
      return {
        text: `Rises by ${finding.rise}, more than twice its neighbours (at most ${finding.neighbours}).`,
        remedy: 'Put an easier tune before it that takes some of what is new.',
      };
    case 'no-three':
      return {
        text: `No tune in three for ${NUMBERS[finding.steps] ?? finding.steps} steps.`,
        remedy: 'Exchange one of them for a tune in three.',
      };
    case 'one-key':
      return { text: `All tunes are in ${finding.key}.`, remedy: 'Exchange one for a tune in another key.' };
    case 'one-mood':
      return { text: `All tunes have one mood: ${finding.mood}.`, remedy: 'Exchange one for a tune of another mood.' };
    case 'not-on-instrument':
      return {
        text: `${listWords(finding.notes.map(say))} ${finding.notes.length === 1 ? 'is' : 'are'} not on the instrument.`,
        remedy: 'Move the tune to another key, or take another one.',
      };
    case 'too-few-lessons':
      return {
        text: `${lessonWords(finding.lessons)} for a rise of ${finding.rise}; it takes about ${finding.needed}.`,
        remedy: 'Give it more lessons, or take an easier tune.',
      };
    case 'missing-note':
      return {
        text: `${say(finding.note)} never comes.`,
        remedy: `Add a step with ${say(finding.note)}, or take it out of the order.`,
      };
  }
}

/** What could not be met of what was asked. @param titleOf a tune's title by its id. */
export function problemWords(problem: RuleProblem, titleOf: (id: string) => string = (id) => id): Advice {
  switch (problem.kind) {
    case 'unknown-tune':
      return {
        text: `There is no tune “${titleOf(problem.tune)}” in the library.`,
        remedy: 'Check its name, or add the tune first.',
      };
    case 'no-such-step':
      return {
        text: `“${titleOf(problem.pin.tune)}” was wished for a step that is not there; there are ${problem.steps}.`,
        remedy: `Wish it for step 1 to ${problem.steps}, or plan more steps.`,
      };
    case 'contradiction':
      return {
        text: `Two wishes cannot both be met: ${pinWords(problem.other, titleOf)}; ${pinWords(problem.pin, titleOf)}.`,
        remedy: 'The first one was kept. Take one of them away.',
      };
    case 'circle':
      return {
        text: `These tunes are all to come before each other: ${problem.tunes.map((id) => `“${titleOf(id)}”`).join(', ')}.`,
        remedy: 'The last wish was left out. Take away another one to keep it.',
      };
    case 'pinned-unplayable':
      return {
        text: `“${titleOf(problem.pin.tune)}” has ${listWords(problem.notes.map(sayNote))}, which the instrument does not have.`,
        remedy: 'Move the tune to another key, or take another one.',
      };
    case 'too-few-tunes':
      return {
        text: `Only ${problem.fitting} ${problem.fitting === 1 ? 'tune fits' : 'tunes fit'} this order of notes; ${problem.steps} steps need ${problem.steps}.`,
        remedy: 'Plan fewer steps, add notes to the order, or add tunes to the library.',
      };
  }
}

type Pin = Extract<RuleProblem, { kind: 'contradiction' }>['pin'];

export function pinWords(pin: Pin, titleOf: (id: string) => string = (id) => id): string {
  const title = `“${titleOf(pin.tune)}”`;
  switch (pin.kind) {
    case 'at':
      return `${title} at step ${pin.step}`;
    case 'by':
      return `${title} by step ${pin.step}`;
    case 'never':
      return `${title} never`;
    case 'before':
      return `${title} before “${titleOf(pin.then)}”`;
  }
}

/** "E, a dotted half note and 3/4 time": what a step brings; "nothing new" for a step that settles. */
export function newsWords(news: StepNews, say: NoteNamer = sayNote, lengths: LengthWords = 'american'): string {
  const things = [
    ...news.notes.map((note) => say(note.name)),
    ...news.elements.map((id) => elementWords(id, lengths)),
    ...news.signs.map(signWords),
  ];
  return things.length === 0 ? 'nothing new' : listWords(things);
}

/** Why a tune stands at its step. */
export function whyWords(
  { news, why }: PlannedStep,
  say: NoteNamer = sayNote,
  lengths: LengthWords = 'american',
): string {
  const sentences = [`Brings ${newsWords(news, say, lengths)}; rises by ${news.rise.total}.`];
  for (const { note, steps } of why.again) {
    const count = news.notes.find((each) => each.name === note)?.count ?? 0;
    const often = `${capital(say(note))} comes ${count === 1 ? 'once' : `${count} times`}`;
    sentences.push(steps.length === 0 ? `${often}.` : `${often}, and again in ${stepsWords(steps)}.`);
  }
  const changes = [why.otherMetre, why.otherKey].filter((change) => change !== null);
  if (changes.length > 0) sentences.push(`A change: ${changes.join(', ')}.`);
  if (why.isWished) sentences.push('You asked for it here.');
  else if (why.worse === 0) sentences.push('The next tune in line is as good.');
  else if (why.worse !== null) sentences.push(`The next tune in line counts ${why.worse} more.`);
  return sentences.join(' ');
}

const AGAINST_WORDS: Readonly<Record<Against, string>> = {
  uneven: 'steps higher or lower than the middle one',
  crowded: 'more than one new thing in a step',
  twoNotes: 'more than one new note in a step',
  noteAndRhythm: 'a new note together with a new rhythm',
  order: 'notes that come before their turn',
  outside: 'notes outside the order',
  missing: 'notes of the order that never come',
  once: 'new notes that come only once',
  notAgain: 'new notes that do not come again soon',
  hardMove: 'hard moves together with a new note',
  idle: 'too many steps with nothing new',
  metre: 'three in a row in one metre',
  key: 'three in a row in one key',
  mood: 'three in a row in one mood',
  refused: 'wishes that are not met',
};

export function againstWords(part: Against): string {
  return AGAINST_WORDS[part];
}

function stepsWords(steps: readonly number[]): string {
  return steps.length === 1 ? `step ${steps[0]!}` : `steps ${listWords(steps.map(String))}`;
}

function lessonWords(lessons: number): string {
  return lessons === 1 ? 'One lesson' : `${capital(NUMBERS[lessons] ?? String(lessons))} lessons`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** "a result", "3 results" */
export const resultsWords = (count: number): string => (count === 1 ? 'a result' : `${count} results`);

/** Why a step stays, and what to do instead: after "Step 2, “Doorbell”,". */
export function staysWords(why: StaysBecause): string {
  return why.code === 'has-results'
    ? `has ${resultsWords(why.results)}. Move it instead of removing it, or change a copy of the staircase.`
    : 'is where a pupil begins. Give the pupil another first step first, under Pupils.';
}

/** Why a change of a staircase cannot be, and what to do instead. */
export function keptWords(problem: KeptProblem): string {
  const step = `Step ${problem.position}`;
  switch (problem.code) {
    case 'main-tune-stays':
      return `${step}, “${problem.title}”, has ${resultsWords(problem.results)}. Add the other tune as a choice beside it, or as a new step.`;
    case 'tune-has-results':
      return `${step} has results with “${problem.title}”: it stays as a choice.`;
    case 'has-results':
    case 'pupil-begins':
      return `${step}, “${problem.title}”, ${staysWords(problem)}`;
  }
}
