import { pitchName, samePitch, type TuneEvent } from '@escalier/core/music';
import { DEFAULT_PER_GRADE, echoPatterns } from '@escalier/core/practice';
import { gapWords, trapWords } from '@escalier/core/words';
import { BadInput, type Command } from './command.ts';
import { elementsOption, instrumentOption, pitchWord, wholeNumber } from './options.ts';

export const echo: Command = {
  usage: 'echo --notes B4,A4,G4 --new G4 [--seed 7] [--each 3] [--rhythm "note quarter,note half"] [--instrument ID]',
  about: 'echo patterns of four beats for a new note, graded, with their traps; the same seed gives the same set',
  example: 'echo --notes B4,A4,G4 --new G4 --seed 7',
  options: ['notes', 'new', 'seed', 'each', 'rhythm', 'instrument'],
  run(words, options) {
    if (words.length > 0) throw new BadInput('Give the notes as --notes B4,A4,G4.');
    if (options.notes === undefined) throw new BadInput('Give the notes of the patterns as --notes B4,A4,G4.');
    const notes = options.notes.split(',').map(pitchWord);
    const newNote = pitchWord(options.new);
    if (!notes.some((note) => samePitch(note, newNote)))
      throw new BadInput(`The new note ${pitchName(newNote)} is not among the notes.`);
    const on = instrumentOption(options.instrument);
    const seed = wholeNumber(options.seed, 'seed', 0, 2 ** 32 - 1) ?? 1;
    const perGrade = wholeNumber(options.each, 'number of patterns a grade', 1, 20) ?? DEFAULT_PER_GRADE;
    const set = echoPatterns({ on, notes, newNote, elements: elementsOption(options.rhythm), perGrade, seed });
    const lines = set.patterns.map(
      ({ grade, events, traps }) =>
        `${grade.padEnd(10)} ${events.map(eventWords).join(' ')}${traps.length > 0 ? `   ${traps.map(trapWords).join(' ')}` : ''}`,
    );
    const missing = set.missing.map(({ grade, reason }) => `${grade.padEnd(10)} none: ${gapWords(reason)}`);
    return {
      text: [...lines, ...missing].join('\n'),
      json: {
        seed,
        newNote: pitchName(newNote),
        patterns: set.patterns.map(({ grade, events, traps }) => ({
          grade,
          notes: events.map((event) => ({
            note: event.kind === 'note' ? pitchName(event.pitch) : null,
            value: event.value.base,
            dots: event.value.dots,
          })),
          traps: traps.map(trapWords),
        })),
        missing: set.missing.map(({ grade, reason }) => ({ grade, reason: gapWords(reason) })),
      },
    };
  },
};

/** "G4 quarter", "rest quarter". */
function eventWords(event: TuneEvent): string {
  const dots = event.value.dots > 0 ? 'dotted-' : '';
  return `${event.kind === 'note' ? pitchName(event.pitch) : 'rest'}:${dots}${event.value.base}`;
}
