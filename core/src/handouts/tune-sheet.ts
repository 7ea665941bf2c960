import { hasWords, type Tune } from '../music/index.ts';
import type { NoteRow } from '../practice/index.ts';
import { readTune, type Reading } from '../reading/index.ts';
import { barRange, describeMove, mixUpWords } from '../words/index.ts';
import { plainMusic } from './music.ts';
import { knowledgeOf, NoHandout, said, USUAL_BREATHING, type Breathing, type HandoutRequest } from './request.ts';
import { handout, section, text, type Block, type Handout, type SheetMusic } from './sheet.ts';
import { t } from './messages.ts';

/** @throws NoHandout when there is none. */
export function tuneOf({ tune }: HandoutRequest): Tune {
  if (tune === null) throw new NoHandout(t('tune-sheet.choose-a-tune-for-this-sheet'));
  return tune;
}

/** A tune as a pupil gets it, with what to watch and what was asked for on it. */
export function tuneSheet(request: HandoutRequest): Handout {
  const tune = tuneOf(request);
  const { options, easier } = request;
  const blocks = tuneBlocks(request, tune, request.breathing);
  const sections = options.twoToPage
    ? [section(tune.title, [...blocks, text('', 'head'), ...blocks])]
    : [section(tune.title, [...(easier === null ? [] : easierBlocks(request, easier)), ...blocks])];
  return handout('tune-sheet', tune.title, sections);
}

function easierBlocks(request: HandoutRequest, easier: Tune): readonly Block[] {
  return [
    text(t('tune-sheet.easier-line'), 'head'),
    { kind: 'music', music: annotated(request, easier, readingOf(request, easier, USUAL_BREATHING), USUAL_BREATHING) },
    text(t('tune-sheet.the-tune'), 'head'),
  ];
}

function readingOf(request: HandoutRequest, tune: Tune, { seconds }: Breathing): Reading {
  return readTune(tune, request.on, knowledgeOf(request), { breathSeconds: seconds });
}

/** The sheet itself: what to watch in one line, the music, the words. */
export function tuneBlocks(request: HandoutRequest, tune: Tune, breathing: Breathing): readonly Block[] {
  const reading = readingOf(request, tune, breathing);
  const watch = watchLine({ ...request, tune }, reading);
  const words = request.options.words ? verses(tune).slice(1) : [];
  return [
    ...(watch === '' ? [] : [text(watch, 'lead')]),
    { kind: 'music', music: annotated(request, tune, reading, breathing) },
    ...words.map((verse, index) => text(`${index + 2}. ${verse}`)),
  ];
}

/** What stands on the sheet of a tune beside its notes. */
function annotated(request: HandoutRequest, tune: Tune, reading: Reading, { kept }: Breathing): SheetMusic {
  const { options } = request;
  const indexOf = (printed: number): number => tune.bars.findIndex((bar) => bar.number === printed);
  const [spot] = reading.hardSpots;
  const rows: NoteRow[] = [
    ...(options.names === 'none' ? [] : [{ kind: request.naming, fill: options.names }]),
    ...(options.counting ? [{ kind: 'counting' as const, fill: 'full' as const }] : []),
    ...(options.words && hasWords(tune) ? [{ kind: 'words' as const, fill: 'full' as const }] : []),
  ];
  return plainMusic(request, tune, {
    rows,
    fingerings: options.fingerings,
    chords: options.chords,
    breaths: options.breaths ? (kept ?? reading.breaths) : [],
    letters: options.form
      ? reading.form.lines.map(({ letter, bars: [first] }) => ({ barIndex: indexOf(first), letter }))
      : [],
    shades: options.shades ? reading.form.sameBars.map((bars) => bars.map(indexOf)) : [],
    bracket: options.hardSpot && spot !== undefined ? [indexOf(spot.bars[0]), indexOf(spot.bars[1])] : null,
  });
}

/** What to watch, in one line: what is new, the hard spot, what is easily mixed up. */
function watchLine(request: HandoutRequest, reading: Reading): string {
  const notes = reading.notes.new.map(({ name }) => said(request, name));
  const [spot] = reading.hardSpots;
  const [mixUp] = reading.mixUps;
  return [
    ...(notes.length === 0 ? [] : [`New: ${notes.join(', ')}.`]),
    ...(spot === undefined
      ? []
      : [
          t('tune-sheet.watch-bars-said-to-said2-move', {
            bars: barRange(spot.bars),
            said: said(request, spot.hardest.from),
            said2: said(request, spot.hardest.to),
            move: describeMove(spot.hardest.move),
          }),
        ]),
    ...(mixUp === undefined ? [] : [mixUpWords(mixUp, (name) => said(request, name))]),
  ].join(' ');
}

/** Each verse as text. */
function verses(tune: Tune): readonly string[] {
  const notes = tune.parts[0].bars.flat().flatMap((event) => (event.kind === 'note' ? [event] : []));
  const count = Math.max(0, ...notes.map((note) => note.syllables.length));
  return Array.from({ length: count }, (_, verse) =>
    notes
      .flatMap((note) => note.syllables[verse] ?? [])
      .map(({ text: syllable, end }) => (end === 'join' ? syllable : `${syllable} `))
      .join('')
      .trim(),
  );
}
