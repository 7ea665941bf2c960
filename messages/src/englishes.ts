import type { English } from './locale.ts';

/** British words and what an American teacher says; a capital stays a capital. */
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
  [/\bcentimetre/gi, 'centimeter'],
  [/\bmillimetre/gi, 'millimeter'],
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

const made = new Map<string, string>();

/** Text as a school speaks; the words of a value that is put in later are not touched. */
export function wordsIn({ locale, pupils }: English, text: string): string {
  if (locale === 'en-GB' && pupils === 'pupil') return text;
  const key = `${locale} ${pupils} ${text}`;
  let found = made.get(key);
  if (found === undefined) {
    const american = locale === 'en-US' ? replaced(text, AMERICAN) : text;
    made.set(key, (found = pupils === 'student' ? replaced(american, STUDENTS) : american));
  }
  return found;
}

function replaced(text: string, words: typeof AMERICAN): string {
  return words.reduce(
    (said, [from, word]) =>
      said.replace(from, (found: string) =>
        found[0] === found[0]!.toUpperCase() ? word[0]!.toUpperCase() + word.slice(1) : word,
      ),
    text,
  );
}

/** A message as a school speaks: the names in its braces stay. */
export const messageIn = (english: English, message: string): string =>
  message
    .split(/(\{[^}]*\})/)
    .map((part) => (part.startsWith('{') ? part : wordsIn(english, part)))
    .join('');
