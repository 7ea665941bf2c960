import { locale } from '@escalier/messages';
import type { FieldProblem, FieldProblems, PlainCode } from '@escalier/contract/field-problems';
import { t } from './messages.ts';

/** What needs no facts to be said. */
const WORDS: Readonly<Record<PlainCode, string>> = {
  missing: t('field-words.please-fill-this-in'),
  wrong: t('field-words.this-does-not-fit-here'),
  'not-whole': t('field-words.a-whole-number-please'),
  'not-a-choice': t('field-words.please-choose'),
  unknown: t('field-words.this-is-not-there-any-more'),
  twice: t('field-words.something-stands-here-twice'),
  'too-much': t('field-words.this-is-too-much-at-once'),
  'first-last': t('field-words.it-ends-before-it-begins'),
  'not-storable': t('field-words.there-are-signs-in-it-that'),
  'not-date': t('field-words.a-date-such-as-2026-01'),
  'out-of-time': t('field-words.a-date-from-1900-to-2199'),
  'not-time': 'A time such as 09:40.',
  'not-zone': t('field-words.a-time-zone-such-as-europe'),
  'not-email': t('field-words.please-give-an-e-mail-address'),
  'not-note': t('field-words.a-note-such-as-f-4'),
  'not-colour': t('field-words.a-colour-such-as-28508f'),
  'too-pale': t('field-words.too-pale-it-cannot-be-told'),
  'not-sound': t('field-words.this-is-not-a-sound-file'),
  'sound-empty': t('field-words.there-is-no-sound-in-this'),
  'sound-without-length': t('field-words.this-file-does-not-say-how'),
  'main-first': t('field-words.the-first-tune-is-the-main'),
  'minutes-apart': t('field-words.the-minutes-of-the-parts-are'),
  'heard-or-undone': t('field-words.a-record-that-was-heard-has'),
  'no-note-there': t('field-words.a-breath-stands-where-the-tune'),
  'on-no-step': t('field-words.this-tune-is-on-no-step'),
  'lesson-full': t('field-words.this-is-more-than-happens-in'),
  'no-lesson': t('field-words.the-class-has-no-lesson-on'),
  'day-over': t('field-words.this-day-is-over-choose-a'),
  'three-words': t('field-words.three-words-as-they-stand-on'),
  'belt-not-passed': t('field-words.somebody-has-not-passed-the-step'),
  'leaves-before-joining': t('field-words.a-pupil-leaves-after-the-day'),
  'in-class-already': t('field-words.the-pupil-is-in-this-class'),
  'not-in-class': t('field-words.these-are-not-all-in-the'),
  'left-class': t('field-words.this-pupil-has-left-the-class'),
  'personal-password': t('field-words.please-do-not-use-your-e'),
  'easy-password': t('field-words.this-is-too-easy-to-guess'),
  'not-password': t('field-words.this-is-not-your-password'),
  'wrong-code': t('field-words.this-is-not-the-code-it'),
  'email-taken': t('field-words.there-is-an-account-with-this'),
};

/** Nobody fills in a file: these are said in another way of its places. */
const IN_FILE: Readonly<Partial<Record<FieldProblem['code'], string>>> = {
  missing: t('field-words.something-is-missing-here'),
  'not-a-choice': t('field-words.this-is-none-of-what-can'),
};

const isPlain = (problem: FieldProblem): problem is { readonly code: PlainCode } => problem.code in WORDS;

const number = new Intl.NumberFormat(locale());
const list = new Intl.ListFormat(locale());

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
      return t('field-words.at-least-least-letters-a-few', { least: problem.least });
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
      return t('field-words.this-is-no-archive-of-a', {
        at: problem.at,
        inFile: IN_FILE[problem.problem.code] ?? fieldWords(problem.problem),
      });
    case 'name-taken':
      return t('field-words.name-is-in-this-class-already', { name: problem.name });
    case 'has-left':
      return t('field-words.name-has-left', { name: problem.name });
    case 'held-by':
      return t('field-words.name-of-this-class-has-it', { name: problem.name });
    case 'other-stairs':
      return t('field-words.name-climbs-other-stairs-the-records', { name: problem.name });
    case 'only-owner':
      return t('field-words.name-is-the-only-owner-make', { name: problem.name });
    case 'email-elsewhere':
      return t('field-words.name-belongs-to-another-school-of', { name: problem.name });
    case 'no-step':
      return t('field-words.there-is-no-step-number', { number: problem.number });
    case 'lent-number':
      return t('field-words.number-number-has-been-lent-mark', { number: problem.number });
    case 'numbers-taken':
      return problem.numbers.length === 1
        ? t('field-words.number-numbers-is-there-already', { numbers: problem.numbers[0]! })
        : t('field-words.numbers-number-are-there-already', { number: list.format(problem.numbers.map(String)) });
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
