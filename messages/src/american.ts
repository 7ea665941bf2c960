/** British words and what an American teacher says; the first letter keeps its size. */
const WORDS: readonly (readonly [RegExp, string])[] = [
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

/** Text in American English; the words of a value that is put in later are not touched. */
export function americanWords(text: string): string {
  return WORDS.reduce(
    (said, [british, word]) =>
      said.replace(british, (found: string, ...groups: unknown[]) => {
        const whole = typeof groups[0] === 'string' ? word.replace('$1', groups[0]) : word;
        return found[0] === found[0]!.toUpperCase() ? whole[0]!.toUpperCase() + whole.slice(1) : whole;
      }),
    text,
  );
}

const made = new Map<string, string>();

/** A message in American English: the names in its braces stay. */
export function american(message: string): string {
  let found = made.get(message);
  if (found === undefined) {
    const parts = message.split(/(\{[^}]*\})/).map((part) => (part.startsWith('{') ? part : americanWords(part)));
    made.set(message, (found = parts.join('')));
  }
  return found;
}
