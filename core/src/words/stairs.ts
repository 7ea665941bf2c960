import { listWords } from '@escalier/messages';
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
import { t } from './stairs-messages.ts';

/** How a class says a written note such as `F#4`. */
export type NoteNamer = (name: string) => string;

const SIGNS: Readonly<Record<string, string>> = {
  '-2': t('stairs.double-flat'),
  '-1': ' flat',
  '1': ' sharp',
  '2': t('stairs.double-sharp'),
};

/** "F sharp", "low D", "high D": as a class says it that has one octave, and begins another. */
export const sayNote: NoteNamer = (name) => {
  const pitch = parsePitch(name);
  if (pitch === null) return name;
  const height = pitch.octave >= 5 ? 'high ' : pitch.octave === 4 && ['C', 'D'].includes(pitch.letter) ? 'low ' : '';
  return `${height}${pitch.letter}${SIGNS[String(pitch.alter)] ?? ''}`;
};

export interface Advice {
  readonly text: string;
  readonly remedy: string;
}

/** What is to be said of a staircase, and what can be done about it. */
export function findingWords(finding: Finding, say: NoteNamer = sayNote, lengths: LengthWords = 'american'): Advice {
  switch (finding.kind) {
    case 'two-notes':
      return {
        text: t('stairs.brings-list-together', { list: listWords(finding.notes.map(say)) }),
        remedy: t('stairs.put-a-tune-with-only-say', { say: say(finding.notes[0]!) }),
      };
    case 'note-and-rhythm': {
      const rhythm = listWords(finding.elements.map((id) => elementWords(id, lengths)));
      return {
        text: t('stairs.list-comes-with-a-new-rhythm', { list: listWords(finding.notes.map(say)), rhythm }),
        remedy: t('stairs.teach-rhythm-in-a-tune-on', { rhythm, say: say(finding.notes[0]!) }),
      };
    }
    case 'early-note':
      return {
        text: t('stairs.uses-say-before-list-value-been', {
          n: finding.before.length,
          say: say(finding.note),
          list: listWords(finding.before.map(say)),
        }),
        remedy: t('stairs.move-this-step-later-or-teach', { say: say(finding.before[0]!) }),
      };
    case 'outside-order':
      return {
        text: t('stairs.say-isnt-in-the-order-of', { say: say(finding.note) }),
        remedy: t('stairs.use-another-tune-or-add-say', { say: say(finding.note) }),
      };
    case 'note-once':
      return {
        text: t('stairs.the-new-say-comes-only-once', { say: say(finding.note) }),
        remedy: t('stairs.use-a-tune-that-has-it'),
      };
    case 'note-lost':
      return finding.again === null
        ? {
            text: t('stairs.say-is-learned-here-and-never', { say: say(finding.note) }),
            remedy: t('stairs.use-a-tune-with-say-on', { say: say(finding.note) }),
          }
        : {
            text: t('stairs.say-does-not-come-again-before', { say: say(finding.note), again: finding.again }),
            remedy: t('stairs.use-a-tune-with-say-on-2', { say: say(finding.note) }),
          };
    case 'hard-move':
      return {
        text: t('stairs.say-to-say2-is-a-hard', { say: say(finding.from), say2: say(finding.to), cost: finding.cost }),
        remedy: t('stairs.drill-the-move-before-the-tune'),
      };
    case 'nothing-new':
      return {
        text: t('stairs.capital-steps-in-a-row-have', {
          capital: capital(NUMBERS[finding.steps] ?? String(finding.steps)),
        }),
        remedy: t('stairs.leave-one-of-them-out-or'),
      };
    case 'steep':
      return {
        text: t('stairs.rises-by-rise-more-than-twice', { rise: finding.rise, neighbours: finding.neighbours }),
        remedy: t('stairs.put-an-easier-tune-before-it'),
      };
    case 'no-three':
      return {
        text: t('stairs.no-tune-in-three-for-numbers', { numbers: NUMBERS[finding.steps] ?? finding.steps }),
        remedy: t('stairs.swap-one-for-a-tune-in'),
      };
    case 'one-key':
      return {
        text: t('stairs.all-tunes-are-in-key', { key: finding.key }),
        remedy: t('stairs.swap-one-for-a-tune-in-2'),
      };
    case 'one-mood':
      return {
        text: t('stairs.every-tune-has-the-same-mood', { mood: finding.mood }),
        remedy: t('stairs.swap-one-for-a-tune-in-3'),
      };
    case 'not-on-instrument':
      return {
        text: t('stairs.list-value-not-on-the-instrument', {
          n: finding.notes.length,
          list: listWords(finding.notes.map(say)),
        }),
        remedy: t('stairs.transpose-the-tune-or-use-another'),
      };
    case 'too-few-lessons':
      return {
        text: t('stairs.lesson-for-a-rise-of-rise', {
          lesson: lessonWords(finding.lessons),
          rise: finding.rise,
          needed: finding.needed,
        }),
        remedy: t('stairs.give-it-more-lessons-or-use'),
      };
    case 'missing-note':
      return {
        text: t('stairs.say-never-comes', { say: say(finding.note) }),
        remedy: t('stairs.add-a-step-with-say-or', { say: say(finding.note) }),
      };
  }
}

/** What could not be met of what was asked. @param titleOf a tune's title by its id. */
export function problemWords(problem: RuleProblem, titleOf: (id: string) => string = (id) => id): Advice {
  switch (problem.kind) {
    case 'unknown-tune':
      return {
        text: t('stairs.there-is-no-tune-title-in', { title: titleOf(problem.tune) }),
        remedy: t('stairs.check-its-name-or-add-the'),
      };
    case 'no-such-step':
      return {
        text: t('stairs.title-is-wished-for-a-step', { title: titleOf(problem.pin.tune), steps: problem.steps }),
        remedy: t('stairs.wish-it-for-step-1-to', { steps: problem.steps }),
      };
    case 'contradiction':
      return {
        text: t('stairs.two-wishes-clash-pin-pin2', {
          pin: pinWords(problem.other, titleOf),
          pin2: pinWords(problem.pin, titleOf),
        }),
        remedy: t('stairs.the-first-was-kept-remove-one'),
      };
    case 'circle':
      return {
        text: t('stairs.these-wishes-go-round-in-a', {
          list: problem.tunes.map((id) => `“${titleOf(id)}”`).join(', '),
        }),
        remedy: t('stairs.the-last-wish-was-left-out'),
      };
    case 'pinned-unplayable':
      return {
        text: t('stairs.title-has-list-which-the-instrument', {
          title: titleOf(problem.pin.tune),
          list: listWords(problem.notes.map(sayNote)),
        }),
        remedy: t('stairs.transpose-the-tune-or-use-another'),
      };
    case 'too-few-tunes':
      return {
        text: t('stairs.only-fitting-value-this-order-of', {
          fitting: problem.fitting,
          tunesFit: problem.fitting === 1 ? t('stairs.tune-fits') : t('stairs.tunes-fit'),
          steps: problem.steps,
        }),
        remedy: t('stairs.plan-fewer-steps-add-notes-to'),
      };
  }
}

type Pin = Extract<RuleProblem, { kind: 'contradiction' }>['pin'];

export function pinWords(pin: Pin, titleOf: (id: string) => string = (id) => id): string {
  const title = `“${titleOf(pin.tune)}”`;
  switch (pin.kind) {
    case 'at':
      return t('stairs.title-at-step-step', { title, step: pin.step });
    case 'by':
      return t('stairs.title-by-step-step', { title, step: pin.step });
    case 'never':
      return t('stairs.title-never', { title });
    case 'before':
      return t('stairs.title-before-title2', { title, title2: titleOf(pin.then) });
  }
}

/** "E, a dotted half note and 3/4 time": what a step brings; "nothing new" for a step that settles. */
export function newsWords(news: StepNews, say: NoteNamer = sayNote, lengths: LengthWords = 'american'): string {
  const things = [
    ...news.notes.map((note) => say(note.name)),
    ...news.elements.map((id) => elementWords(id, lengths)),
    ...news.signs.map(signWords),
  ];
  return things.length === 0 ? t('stairs.nothing-new') : listWords(things);
}

/** Why a tune stands at its step. */
export function whyWords(
  { news, why }: PlannedStep,
  say: NoteNamer = sayNote,
  lengths: LengthWords = 'american',
): string {
  const sentences = [
    t('stairs.brings-news-rises-by-total', { news: newsWords(news, say, lengths), total: news.rise.total }),
  ];
  for (const { note, steps } of why.again) {
    const count = news.notes.find((each) => each.name === note)?.count ?? 0;
    const often = t('stairs.capital-comes-value', {
      capital: capital(say(note)),
      when: count === 1 ? 'once' : t('stairs.count-times', { count }),
    });
    sentences.push(
      steps.length === 0 ? `${often}.` : t('stairs.often-and-again-in-steps', { often, steps: stepsWords(steps) }),
    );
  }
  const changes = [why.otherMetre, why.otherKey].filter((change) => change !== null);
  if (changes.length > 0) sentences.push(t('stairs.a-change-list', { list: changes.join(', ') }));
  if (why.isWished) sentences.push(t('stairs.you-asked-for-it-here'));
  else if (why.worse === 0) sentences.push(t('stairs.the-next-best-tune-is-as'));
  else if (why.worse !== null) sentences.push(t('stairs.the-next-best-tune-adds-worse', { worse: why.worse }));
  return sentences.join(' ');
}

const AGAINST_WORDS: Readonly<Record<Against, string>> = {
  uneven: t('stairs.steps-higher-or-lower-than-the'),
  crowded: t('stairs.more-than-one-new-thing-in'),
  twoNotes: t('stairs.more-than-one-note-in-the-first-tune'),
  twoNotesLater: t('stairs.more-than-one-new-note-in'),
  noteAndRhythm: t('stairs.a-new-note-together-with-a'),
  order: t('stairs.notes-that-come-too-early'),
  outside: t('stairs.notes-outside-the-order'),
  missing: t('stairs.notes-of-the-order-that-never'),
  once: t('stairs.new-notes-that-come-only-once'),
  notAgain: t('stairs.new-notes-that-do-not-come'),
  leaves: t('stairs.tunes-that-leave-out-most-notes'),
  stepsDown: t('stairs.steps-down-to-an-easier-tune'),
  hardMove: t('stairs.hard-moves-together-with-a-new'),
  idle: t('stairs.too-many-steps-with-nothing-new'),
  metre: t('stairs.three-in-a-row-in-one'),
  key: t('stairs.three-in-a-row-in-one-key'),
  mood: t('stairs.three-in-a-row-in-one-2'),
  refused: t('stairs.wishes-not-met'),
};

export function againstWords(part: Against): string {
  return AGAINST_WORDS[part];
}

function stepsWords(steps: readonly number[]): string {
  return steps.length === 1 ? `step ${steps[0]!}` : t('stairs.steps-list', { list: listWords(steps.map(String)) });
}

function lessonWords(lessons: number): string {
  return lessons === 1
    ? t('stairs.one-lesson')
    : t('stairs.capital-lessons', { capital: capital(NUMBERS[lessons] ?? String(lessons)) });
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** "a result", "3 results" */
export const resultsWords = (count: number): string =>
  count === 1 ? t('stairs.a-result') : t('stairs.count-results', { count });

/** Why a step stays, and what to do instead: after "Step 2, “Doorbell”,". */
export function staysWords(why: StaysBecause): string {
  return why.code === 'has-results'
    ? t('stairs.has-results-move-it-instead-of', { results: resultsWords(why.results) })
    : t('stairs.is-where-a-pupil-starts-change');
}

/** Why a change of a staircase cannot be, and what to do instead. */
export function keptWords(problem: KeptProblem): string {
  const step = t('stairs.step-position', { position: problem.position });
  switch (problem.code) {
    case 'main-tune-stays':
      return t('stairs.step-title-has-results-add-the', {
        step,
        title: problem.title,
        results: resultsWords(problem.results),
      });
    case 'tune-has-results':
      return t('stairs.step-has-results-with-title-it', { step, title: problem.title });
    case 'has-results':
    case 'pupil-begins':
      return `${step}, “${problem.title}”, ${staysWords(problem)}`;
  }
}
