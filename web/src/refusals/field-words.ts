import type { FieldProblem, FieldProblems, PlainCode } from '@escalier/contract/field-problems';

/** What needs no facts to be said. */
const WORDS: Readonly<Record<PlainCode, string>> = {
  missing: 'Please fill this in.',
  wrong: 'This does not fit here.',
  'not-whole': 'A whole number, please.',
  'not-a-choice': 'Please choose.',
  unknown: 'This is not there any more: please choose again.',
  twice: 'Something stands here twice.',
  'too-much': 'This is too much at once.',
  'first-last': 'It ends before it begins.',
  'not-storable': 'There are signs in it that cannot be kept.',
  'not-date': 'A date such as 2026-01-31.',
  'out-of-time': 'A date from 1900 to 2199.',
  'not-time': 'A time such as 09:40.',
  'not-zone': 'A time zone such as Europe/London.',
  'not-email': 'Please give an e-mail address.',
  'not-note': 'A note such as F#4.',
  'not-colour': 'A colour such as #28508f.',
  'too-pale': 'Too pale: it cannot be told from the paper.',
  'not-sound': 'This is not a sound file we can keep: use WAV, FLAC, MP3, M4A, Ogg or WebM.',
  'sound-empty': 'There is no sound in this file.',
  'sound-without-length': 'This file does not say how long it is: save it as WAV or MP3, then try again.',
  'main-first': 'The first tune is the main one.',
  'minutes-apart': 'The minutes of the parts are not those of the lesson.',
  'heard-or-undone': 'A record that was heard has an outcome; one that undoes names the other.',
  'no-note-there': 'A breath stands where the tune has no note.',
  'on-no-step': 'This tune is on no step of the class.',
  'lesson-full': 'This is more than happens in a lesson.',
  'no-lesson': 'The class has no lesson on this day.',
  'day-over': 'This day is over: choose a later one.',
  'three-words': 'Three words, as they stand on the slip.',
  'belt-not-passed': 'Somebody has not passed the step of this belt.',
  'leaves-before-joining': 'A pupil leaves after the day of joining.',
  'in-class-already': 'The pupil is in this class already.',
  'not-in-class': 'These are not all in the class.',
  'left-class': 'This pupil has left the class.',
  'personal-password': 'Please do not use your e-mail, your name or the school’s in it.',
  'easy-password': 'This is too easy to guess: three or four words that do not belong together are good.',
  'not-password': 'This is not your password.',
  'wrong-code': 'This is not the code. It is shown in the terminal where Escalier was started.',
  'email-taken': 'There is an account with this e-mail already.',
};

/** Nobody fills in a file: these are said in another way of its places. */
const IN_FILE: Readonly<Partial<Record<FieldProblem['code'], string>>> = {
  missing: 'Something is missing here.',
  'not-a-choice': 'This is none of what can stand here.',
};

const isPlain = (problem: FieldProblem): problem is { readonly code: PlainCode } => problem.code in WORDS;

const number = new Intl.NumberFormat();
const list = new Intl.ListFormat('en-GB');

/** What is wrong with a field, for the person who filled it in. */
export function fieldWords(problem: FieldProblem): string {
  if (isPlain(problem)) return WORDS[problem.code];
  switch (problem.code) {
    case 'too-long':
      return `At most ${number.format(problem.most)} letters.`;
    case 'too-high':
    case 'too-many':
      return `At most ${number.format(problem.most)}.`;
    case 'too-many-days':
      return `A term has at most ${problem.most} days.`;
    case 'sound-too-long':
      return `The recording is too long: at most ${number.format(problem.most)} seconds.`;
    case 'other-length':
      return `The file lasts ${number.format(problem.seconds)} seconds, not as long as it says.`;
    case 'bars':
      return `The tune has ${problem.most} bars.`;
    case 'short-password':
      return `At least ${problem.least} letters: a few words in a row are easy to keep in mind.`;
    case 'too-low':
      return `At least ${number.format(problem.least)}.`;
    case 'too-few':
      return problem.least === 1 ? 'At least one.' : `At least ${problem.least}.`;
    case 'rungs':
      return `A ladder has ${problem.least} to ${problem.most} rungs.`;
    case 'file':
      return problem.words;
    case 'in-archive':
      return `This is no archive of a school: at ${problem.at}: ${IN_FILE[problem.problem.code] ?? fieldWords(problem.problem)}`;
    case 'name-taken':
      return `${problem.name} is in this class already: add a letter, so that they can be told apart.`;
    case 'has-left':
      return `${problem.name} has left.`;
    case 'held-by':
      return `${problem.name} of this class has it.`;
    case 'other-stairs':
      return `${problem.name} climbs other stairs: the records would mean nothing there.`;
    case 'only-owner':
      return `${problem.name} is the only owner: make somebody else an owner first.`;
    case 'email-elsewhere':
      return `${problem.name} belongs to another school of this database.`;
    case 'no-step':
      return `There is no step ${problem.number}.`;
    case 'lent-number':
      return `Number ${problem.number} has been lent: mark it as lost or broken instead.`;
    case 'numbers-taken':
      return problem.numbers.length === 1
        ? `Number ${problem.numbers[0]!} is there already.`
        : `Numbers ${list.format(problem.numbers.map(String))} are there already.`;
    case 'condition':
      return `Number ${problem.number} is ${problem.condition}.`;
    case 'same-tune':
      return 'Your library already has this tune.';
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
