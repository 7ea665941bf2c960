import { pitchName, samePitch, type TuneEvent } from '@escalier/core/music';
import { DEFAULT_PER_GRADE, echoPatterns } from '@escalier/core/practice';
import { gapWords, trapWords } from '@escalier/core/words';
import { BadInput, type Command } from './command.ts';
import { elementsOption, instrumentOption, pitchWord, wholeNumber } from './options.ts';
import { t } from './messages.ts';

export const echo: Command = {
  usage: t('echo.echo-notes-b4-a4-g4-new'),
  about: t('echo.echo-patterns-of-four-beats-for'),
  example: t('echo.echo-notes-b4-a4-g4-new-2'),
  options: ['notes', 'new', 'seed', 'each', 'rhythm', 'instrument'],
  run(words, options) {
    if (words.length > 0) throw new BadInput(t('echo.give-the-notes-as-notes-b4'));
    if (options.notes === undefined) throw new BadInput(t('echo.give-the-notes-of-the-patterns'));
    const notes = options.notes.split(',').map(pitchWord);
    const newNote = pitchWord(options.new);
    if (!notes.some((note) => samePitch(note, newNote)))
      throw new BadInput(t('echo.the-new-note-pitch-name-is', { pitchName: pitchName(newNote) }));
    const instrument = instrumentOption(options.instrument);
    const seed = wholeNumber(options.seed, 'seed', 0, 2 ** 32 - 1) ?? 1;
    const perGrade = wholeNumber(options.each, t('echo.number-of-patterns-a-grade'), 1, 20) ?? DEFAULT_PER_GRADE;
    const set = echoPatterns({
      on: instrument,
      notes,
      newNote,
      elements: elementsOption(options.rhythm),
      perGrade,
      seed,
    });
    const lines = set.patterns.map(
      ({ grade, events, traps }) =>
        `${grade.padEnd(10)} ${events.map(eventWords).join(' ')}${traps.length > 0 ? `   ${traps.map(trapWords).join(' ')}` : ''}`,
    );
    const missing = set.missing.map(({ grade, reason }) =>
      t('echo.pad-end-none-gap', { padEnd: grade.padEnd(10), gap: gapWords(reason) }),
    );
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
