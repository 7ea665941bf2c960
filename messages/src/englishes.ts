import type { English } from './locale.ts';

/** British words and what an American teacher says; the first letter keeps its size. */
const AMERICAN: readonly (readonly [RegExp, string])[] = [
  [/\ba(?= quaver)/gi, 'an'],
  [/\bdemisemiquaver(?= rest|-rest)/gi, 'thirty-second'],
  [/\bsemiquaver(?= rest)/gi, 'sixteenth'],
  [/\bquaver(?= rest)/gi, 'eighth'],
  [/\bcrotchet(?= rest)/gi, 'quarter'],
  [/\bminim(?= rest)/gi, 'half'],
  [/\bsemibreve(?= rest)/gi, 'whole'],
  [/\bdemisemiquaver/gi, 'thirty-second note'],
  [/\bsemiquaver/gi, 'sixteenth note'],
  [/\bquaver/gi, 'eighth note'],
  [/\bcrotchet/gi, 'quarter note'],
  [/\bminim(?=s?\b)/gi, 'half note'],
  [/\bsemibreve/gi, 'whole note'],
  [/\bbar(?=s?\b)(?![ -]?(?:line|code|chart))/gi, 'measure'],
  [/\bmetre(?=s?\b)/gi, 'time signature'],
  [/\b(centi|milli)metre/gi, '$1meter'],
  [/\bcolour/gi, 'color'],
  [/\bpractis/gi, 'practic'],
  [/\blicence/gi, 'license'],
  [/\bprogramme(?=s?\b)/gi, 'program'],
  [/\bcatalogue/gi, 'catalog'],
  [/\bgrey/gi, 'gray'],
  [/\bfavourite/gi, 'favorite'],
  [/\borganis/gi, 'organiz'],
  [/\brecognis/gi, 'recogniz'],
  [/\bcentre/gi, 'center'],
  [/\byear group/gi, 'grade'],
  [/\btimetable/gi, 'schedule'],
  [/\btick(?=(?:s|ed)?\b)/gi, 'check'],
  [/\be-mail/gi, 'email'],
  [/\bneighbour/gi, 'neighbor'],
  [/\btravell/gi, 'travel'],
  [/\bcancell(?=ed|ing)/gi, 'cancel'],
];

const STUDENTS: readonly (readonly [RegExp, string])[] = [[/\bpupil/gi, 'student']];

/** Text as a school speaks; the words of a value that is put in later are not touched. */
export function wordsIn({ locale, pupils }: English, text: string): string {
  const american = locale === 'en-US' ? replaced(text, AMERICAN) : text;
  return pupils === 'student' ? replaced(american, STUDENTS) : american;
}

function replaced(text: string, words: typeof AMERICAN): string {
  return words.reduce(
    (said, [from, word]) =>
      said.replace(from, (found: string, ...groups: unknown[]) => {
        const whole = typeof groups[0] === 'string' ? word.replace('$1', groups[0]) : word;
        return found[0] === found[0]!.toUpperCase() ? whole[0]!.toUpperCase() + whole.slice(1) : whole;
      }),
    text,
  );
}

const made = new Map<string, string>();

/** A message as a school speaks: the names in its braces stay. */
export function messageIn(english: English, message: string): string {
  if (english.locale === 'en-GB' && english.pupils === 'pupil') return message;
  const key = `${english.locale} ${english.pupils} ${message}`;
  let found = made.get(key);
  if (found === undefined) {
    const parts = message.split(/(\{[^}]*\})/).map((part) => (part.startsWith('{') ? part : wordsIn(english, part)));
    made.set(key, (found = parts.join('')));
  }
  return found;
}
