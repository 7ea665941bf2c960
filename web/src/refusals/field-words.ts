import { listWords, locale } from '@escalier/messages';
import type { FieldProblem, FieldProblems, PlainCode } from '@escalier/contract/field-problems';
import { t } from './messages.ts';

/** What needs no facts to be said. */
const WORDS: Readonly<Record<PlainCode, string>> = {
  missing: t('field-words.please-fill-this-in'),
  wrong: t('field-words.this-isnt-right-here'),
  'not-whole': t('field-words.a-whole-number-please'),
  'not-a-choice': t('field-words.please-choose'),
  unknown: t('field-words.this-no-longer-exists-please-choose'),
  twice: t('field-words.something-is-listed-twice'),
  'too-much': t('field-words.this-is-too-much-at-once'),
  'first-last': t('field-words.it-ends-before-it-begins'),
  'not-storable': t('field-words.it-contains-characters-that-cant-be'),
  'not-date': t('field-words.a-date-such-as-2026-01-2'),
  'out-of-time': t('field-words.a-date-from-1900-to-2199-2'),
  'not-time': 'A time such as 09:40.',
  'not-zone': t('field-words.a-time-zone-such-as-europe'),
  'not-email': t('field-words.please-give-an-e-mail-address'),
  'not-note': t('field-words.a-note-such-as-f-4-2'),
  'not-colour': t('field-words.a-colour-such-as-28508f'),
  'too-pale': t('field-words.too-pale-to-see-on-paper'),
  'not-sound': t('field-words.this-is-not-a-sound-file'),
  'sound-empty': t('field-words.there-is-no-sound-in-this'),
  'sound-without-length': t('field-words.this-file-doesnt-give-its-length'),
  'main-first': t('field-words.the-first-tune-is-the-main'),
  'minutes-apart': t('field-words.the-parts-dont-add-up-to'),
  'heard-or-undone': t('field-words.a-hearing-needs-an-outcome-an'),
  'no-note-there': t('field-words.there-is-a-breath-where-the'),
  'on-no-step': t('field-words.this-tune-isnt-on-any-of'),
  'lesson-full': t('field-words.this-is-more-than-fits-in'),
  'no-lesson': t('field-words.the-class-has-no-lesson-on'),
  'day-over': t('field-words.this-day-is-past-choose-a'),
  'three-words': t('field-words.those-words-dont-match-check-the'),
  'belt-not-passed': t('field-words.somebody-hasnt-passed-this-belts-step'),
  'leaves-before-joining': t('field-words.the-leaving-date-must-be-after'),
  'in-class-already': t('field-words.the-pupil-is-already-in-this'),
  'not-in-class': t('field-words.not-all-of-these-are-in'),
  'left-class': t('field-words.this-pupil-has-left-the-class'),
  'personal-password': t('field-words.dont-use-your-e-mail-your'),
  'easy-password': t('field-words.too-easy-to-guess-use-three'),
  'not-password': t('field-words.that-isnt-your-password'),
  'wrong-code': t('field-words.that-isnt-the-code-it-is'),
  'email-taken': t('field-words.there-is-already-an-account-with'),
};

/** Nobody fills in a file: these are said in another way of its places. */
const IN_FILE: Readonly<Partial<Record<FieldProblem['code'], string>>> = {
  missing: t('field-words.something-is-missing-here'),
  'not-a-choice': t('field-words.this-isnt-one-of-the-choices'),
};

const isPlain = (problem: FieldProblem): problem is { readonly code: PlainCode } => problem.code in WORDS;

const number = new Intl.NumberFormat(locale());

/** What is wrong with a field, for the person who filled it in. */
export function fieldWords(problem: FieldProblem): string {
  if (isPlain(problem)) return WORDS[problem.code];
  switch (problem.code) {
    case 'too-long':
      return t('field-words.at-most-number-letters', { number: number.format(problem.most) });
    case 'too-high':
    case 'too-many':
      return t('field-words.at-most-number', { number: number.format(problem.most) });
    case 'too-many-days':
      return t('field-words.a-term-has-at-most-most', { most: problem.most });
    case 'sound-too-long':
      return t('field-words.the-recording-is-too-long-at', { number: number.format(problem.most) });
    case 'other-length':
      return t('field-words.the-file-lasts-number-seconds-not', { number: number.format(problem.seconds) });
    case 'bars':
      return t('field-words.the-tune-has-most-bars', { most: problem.most });
    case 'short-password':
      return t('field-words.at-least-least-characters-a-few', { least: problem.least });
    case 'too-low':
      return t('field-words.at-least-number', { number: number.format(problem.least) });
    case 'too-few':
      return problem.least === 1
        ? t('field-words.at-least-one')
        : t('field-words.at-least-least', { least: problem.least });
    case 'rungs':
      return t('field-words.a-ladder-has-least-to-most', { least: problem.least, most: problem.most });
    case 'file':
      return problem.words;
    case 'in-archive':
      return t('field-words.this-isnt-a-school-archive-at', {
        at: problem.at,
        inFile: IN_FILE[problem.problem.code] ?? fieldWords(problem.problem),
      });
    case 'name-taken':
      return t('field-words.name-is-already-in-this-class', { name: problem.name });
    case 'has-left':
      return t('field-words.name-has-left', { name: problem.name });
    case 'held-by':
      return t('field-words.name-in-this-class-has-it', { name: problem.name });
    case 'other-stairs':
      return t('field-words.name-is-on-a-different-staircase', { name: problem.name });
    case 'only-owner':
      return t('field-words.name-is-the-only-owner-make', { name: problem.name });
    case 'email-elsewhere':
      return t('field-words.name-belongs-to-another-school-in', { name: problem.name });
    case 'no-step':
      return t('field-words.there-is-no-step-number', { number: problem.number });
    case 'lent-number':
      return t('field-words.number-number-has-been-lent-mark', { number: problem.number });
    case 'numbers-taken':
      return problem.numbers.length === 1
        ? t('field-words.number-numbers-already-exists', { numbers: problem.numbers[0]! })
        : t('field-words.numbers-number-already-exist', { number: listWords(problem.numbers.map(String)) });
    case 'condition':
      return t('field-words.number-number-is-condition', { number: problem.number, condition: problem.condition });
    case 'same-tune':
      return t('field-words.your-library-already-has-this-tune');
  }
}

/** All of a refusal, by the names of its fields. */
export function fieldsInWords(fields: Readonly<Record<string, FieldProblem>> = {}): Readonly<Record<string, string>> {
  return Object.fromEntries(Object.entries(fields).map(([name, problem]) => [name, fieldWords(problem)]));
}

/** A refusal for a place without fields: the first one's reason, else what is said of the whole. */
export function refusalWords({
  fields,
  message,
}: {
  readonly fields?: FieldProblems | undefined;
  readonly message: string;
}): string {
  return Object.values(fieldsInWords(fields))[0] ?? message;
}
