import '../english.ts';
import {
  entryOf,
  eventId,
  readAbc,
  tuneOfEntry,
  readTuneFile,
  writeAbc,
  writeMusicXml,
  writeTuneFile,
  type Entry,
  type EntryPlace,
  type FileEnding,
  type FormatProblem,
  type Notice,
  type PartOffer,
} from '@escalier/core/formats';
import { findInstrument, fingeringsOf, instrument, INSTRUMENT_IDS, type Instrument } from '@escalier/core/instruments';
import {
  failure,
  hasWords,
  pitchName,
  success,
  type Counting,
  type Key,
  type Pitch,
  type Result,
  type Sayings,
  type Tune,
} from '@escalier/core/music';
import {
  chunkLadder,
  DEFAULT_CHUNK_BEATS,
  rowsUnder,
  wordsUnder,
  type TextsUnder,
  type Chunk,
  type NoteColours,
  type NoteRow,
} from '@escalier/core/practice';
import {
  chooseNotes,
  DEFAULT_TEMPO,
  figuresOf,
  NOTHING_KNOWN,
  offersChoice,
  proposeBreaths,
  readTune,
  type Breath,
  type Figure,
  type Knowledge,
  type Reading,
} from '@escalier/core/reading';
import {
  backingOf,
  lessonStep,
  playAlong,
  type FeelId,
  type LessonStep,
  type StepOfClass,
} from '@escalier/core/lesson';
import { sheetWords, type SheetSpeech } from '@escalier/core/words';
import { expose } from 'comlink';
import type { Engraver, Sheet } from './engraver.ts';
import { keepSheet, keptSheet } from './kept-sheets.ts';
import { inShortLines, textsByLine, type LineRequest, type NoteText } from './lines.ts';
import { libraryRow, type LibraryRow, type StoredTune } from './library.ts';
import { playedBacking, type PlayedBacking } from './backing.ts';
import { playbackOf, type Playback } from './playback.ts';
import { homeParts } from './home.ts';
import { echoSet, waysInto, type WayIn } from './practice.ts';

export interface TuneSource {
  readonly abc: string;
  readonly instrumentId: string;
}

export interface EngraveRequest extends TuneSource {
  /** What stands under the notes, from the top; null leaves the words of the tune, all verses. */
  readonly rows: readonly NoteRow[] | null;
  /** By which the rhythm is counted aloud; null for numbers. */
  readonly counting: Counting | null;
  readonly sayings?: Sayings;
  /** Of the heads, by their letters; null for black ones. */
  readonly colours?: NoteColours | null;
  /** Chord symbols above the staff. */
  readonly chords?: boolean;
  /** Leaves room under each line for pictures. */
  readonly roomBelow: boolean;
  /** Notes on a staff and nothing else: as narrow as they need, no time signature, no bar lines. */
  readonly plain?: boolean;
  /** Lines for the back of a room: so few notes on each as this, by whole bars; 0 or nothing for the lines of the tune. */
  readonly notesOnLine?: number;
}

export interface Engraved {
  /** Without a style element; ids of notes and bars as the core gives them. */
  readonly svg: string;
}

export interface TuneInfo {
  readonly reading: Reading;
  /** As the class plays it: where two notes are offered, with the one that it knows. */
  readonly abc: string;
  readonly composer: string;
  readonly source: string;
  readonly licence: string;
  readonly key: Key;
  readonly hasWords: boolean;
  /** Ids of the notes on the sheet that are new to the class. */
  readonly newNoteIds: readonly string[];
  /** Notes after which the sheet has a breath mark of its own. */
  readonly printedBreathIds: readonly string[];
  /** The written pitch of every note of the first part, by its id. */
  readonly pitches: Readonly<Record<string, string>>;
  /** Printed numbers of the bars, by their index. */
  readonly barNumbers: readonly number[];
  readonly playback: Playback;
  /** What comes again in it. */
  readonly figures: readonly Figure[];
  /** The way through the tune piece by piece. */
  readonly chunks: readonly Chunk[];
}

export interface Imported {
  readonly abc: string;
  readonly title: string;
  readonly leftOut: readonly Notice[];
  readonly parts: readonly PartOffer[];
  readonly tunes: readonly string[];
}

type Problems = readonly FormatProblem[];

function parsed({ abc, instrumentId }: TuneSource): Result<{ tune: Tune; on: Instrument }, Problems> {
  const on = findInstrument(instrumentId);
  if (on === null) return failure([{ bar: null, message: 'Escalier does not know this instrument.' }]);
  const read = readAbc(abc);
  return read.ok ? success({ tune: read.value.tune, on }) : read;
}

function read(
  source: TuneSource,
  known: Knowledge,
  breathSeconds: number,
  chunkBeats: number = DEFAULT_CHUNK_BEATS,
): Result<TuneInfo, Problems> {
  const result = parsed(source);
  if (!result.ok) return result;
  const { on } = result.value;
  const isChosen = known.notes.size > 0 && offersChoice(result.value.tune);
  const tune = isChosen ? chooseNotes(result.value.tune, known) : result.value.tune;
  const reading = readTune(tune, on, known, { breathSeconds });
  const notes = notesOf(tune);
  const newNames = new Set(reading.notes.new.map((use) => use.name));
  return success({
    reading,
    abc: isChosen ? writeAbc(tune) : source.abc,
    composer: tune.composer,
    source: tune.source,
    licence: tune.licence,
    key: tune.bars[0]!.key,
    hasWords: hasWords(tune),
    newNoteIds: notes.filter(([, name]) => newNames.has(name)).map(([id]) => id),
    printedBreathIds: tune.parts[0].bars.flatMap((events, barIndex) =>
      events.flatMap((event, index) => (event.breath ? [eventId(0, barIndex, index)] : [])),
    ),
    pitches: Object.fromEntries(notes),
    barNumbers: tune.bars.map((bar) => bar.number),
    playback: playbackOf(tune, reading.tempo, on.soundsAbove),
    figures: figuresOf(tune),
    chunks: chunkLadder(tune, reading, chunkBeats),
  });
}

/** Where to breathe at another tempo than the tune's own. */
function breathsAt(source: TuneSource, perMinute: number, breathSeconds: number): readonly Breath[] {
  const result = parsed(source);
  if (!result.ok) return [];
  const { tune } = result.value;
  const { beat } = tune.tempo ?? DEFAULT_TEMPO;
  return proposeBreaths(tune, { beat, perMinute }, breathSeconds);
}

/** Id and written pitch of every note on the sheet. */
function notesOf(tune: Tune): readonly (readonly [string, string])[] {
  return tune.parts.flatMap((part, partIndex) =>
    part.bars.flatMap((events, barIndex) =>
      events.flatMap((event, index) =>
        event.kind === 'note' ? [[eventId(partIndex, barIndex, index), pitchName(event.pitch)] as const] : [],
      ),
    ),
  );
}

let engraver: Promise<Engraver> | null = null;

/** Verovio is several megabytes: it loads when the first score is shown that was never engraved here. */
function loadedEngraver(): Promise<Engraver> {
  engraver ??= import('./engraver.ts').then((module) => module.createEngraver());
  engraver.catch(() => (engraver = null));
  return engraver;
}

async function loadEngraver(): Promise<void> {
  await loadedEngraver();
}

/** Null for a sheet that was never engraved on this device. */
async function sheetKeptHere(request: EngraveRequest): Promise<Result<Engraved, Problems> | null> {
  const svg = await keptSheet(request);
  return svg === null ? null : success({ svg });
}

async function engrave(request: EngraveRequest): Promise<Result<Engraved, Problems>> {
  const result = parsed(request);
  if (!result.ok) return result;
  const { on } = result.value;
  const { rows, colours = null } = request;
  const tune =
    (request.notesOnLine ?? 0) > 0 ? inShortLines(result.value.tune, request.notesOnLine!) : result.value.tune;
  const plain = request.plain === true;
  const underNote = rows === null ? undefined : rowsUnder(tune, on, { ...request, rows });
  const written = writeMusicXml(tune, {
    forEngraving: true,
    withoutChords: request.chords !== true,
    ...(underNote === undefined ? {} : { underNote }),
    ...(colours === null ? {} : { headColour: ({ letter }: Pitch) => colours[letter] }),
  });
  const musicXml = plain ? withoutMetre(written) : written;
  const svg = (await loadedEngraver()).engrave(
    musicXml,
    sheetOf(tune, underNote ?? wordsUnder(tune), request.roomBelow, plain, request.notesOnLine ?? null),
  );
  if (svg === null) return failure([{ bar: null, message: 'The tune reads, but it could not be engraved.' }]);
  void keepSheet(request, svg);
  return success({ svg });
}

function withoutMetre(musicXml: string): string {
  return musicXml
    .replaceAll('<time', '<time print-object="no"')
    .replaceAll(/<barline location="right">.*?<\/barline>/gs, '')
    .replaceAll('</measure>', '<barline location="right"><bar-style>none</bar-style></barline></measure>');
}

/** Without line ends in the tune, lines of four bars are what the width is measured for. */
function sheetOf(tune: Tune, under: TextsUnder, roomBelow: boolean, plain: boolean, leastNotes: number | null): Sheet {
  const hasLines = tune.bars.some((bar) => bar.lineEnd) || tune.bars.length <= 4;
  let [most, now] = [0, 0];
  for (const [index, bar] of tune.bars.entries()) {
    now += 0.6;
    for (const event of tune.parts[0].bars[index]!.keys()) now += roomFor(under(index, event));
    most = Math.max(most, now);
    if (hasLines ? bar.lineEnd : index % 4 === 3) now = 0;
  }
  return { notesOnLine: most, roomBelow, hasLines, plain, leastNotes: leastNotes === null ? null : leastNotes + 2 };
}

/** Letters of a text under the notes, and the space behind it, as parts of the room that a note has. */
const LETTER_ROOM = 0.45;
const SPACE_ROOM = 0.25;

/** As wide as the note, or as the longest of the texts under it. */
function roomFor(texts: readonly (string | null)[]): number {
  const longest = Math.max(0, ...texts.map((text) => text?.length ?? 0));
  return Math.max(1, longest * LETTER_ROOM + SPACE_ROOM);
}

/** Reads the whole library for one class; tells how far it is, and stops when the answer is that nobody waits for it any more. */
async function readLibrary(
  tunes: readonly StoredTune[],
  instrumentId: string,
  known: Knowledge,
  progress: (done: number) => Promise<boolean>,
): Promise<readonly LibraryRow[]> {
  const instrument = findInstrument(instrumentId);
  if (instrument === null) return [];
  const rows: LibraryRow[] = [];
  for (const [index, tune] of tunes.entries()) {
    rows.push(libraryRow(tune, instrument, known));
    if (index % 50 === 49) {
      const wanted = await progress(index + 1);
      if (!wanted) return rows;
    }
  }
  return rows;
}

/** A file of any known format as ABC, with what could not be carried. */
function importFile(bytes: Uint8Array, take: readonly number[] | null, which: number): Result<Imported, Problems> {
  const result = readTuneFile(bytes, { tune: which, ...(take === null ? {} : { take }) });
  if (!result.ok) return result;
  const { tune, leftOut, parts, tunes } = result.value;
  return success({ abc: writeAbc(tune), title: tune.title, leftOut, parts, tunes });
}

/** What was typed as ABC, with the place of each note on its sheet. */
function writeEntry(entry: Entry): Result<{ readonly abc: string; readonly places: readonly EntryPlace[] }, Problems> {
  const made = tuneOfEntry(entry);
  if (!made.ok) return failure(made.error.map(({ bar, message }) => ({ bar, message })));
  return success({ abc: writeAbc(made.value.tune), places: made.value.places });
}

/** A text as it could be typed; null where it has more than that. */
function entryFrom(abc: string): Entry | null {
  const result = readAbc(abc);
  return result.ok ? entryOf(result.value.tune) : null;
}

/** What is wrong or left out in an ABC text, for the editor. */
function check(abc: string): { readonly ok: boolean; readonly notices: readonly Notice[] } {
  const result = readAbc(abc);
  if (!result.ok) return { ok: false, notices: result.error };
  return { ok: true, notices: [...result.value.leftOut, ...outOfReach(result.value.tune)] };
}

/** Notes that none of the instruments has, so that nobody learns it in front of the class. */
function outOfReach(tune: Tune): Notice[] {
  const notes = readTune(tune, instrument('soprano-recorder-baroque'), NOTHING_KNOWN).notes.all;
  const nowhere = notes.filter((use) =>
    INSTRUMENT_IDS.every((id) => fingeringsOf(instrument(id), use.pitch).length === 0),
  );
  return nowhere.map((use) => ({ bar: use.bars[0] ?? null, message: `No instrument here has the note ${use.name}.` }));
}

/** @param feel of the backing that a MIDI file has beside the melody; null for none. */
function exportTune(source: TuneSource, ending: FileEnding, feel: FeelId | null): Result<Uint8Array, Problems> {
  const result = parsed(source);
  if (!result.ok) return result;
  const { tune, on } = result.value;
  return success(
    writeTuneFile(tune, ending, {
      soundsAbove: on.soundsAbove,
      program: on.family === 'recorder' ? 74 : 78,
      asPlayed: true,
      ...(feel === null ? {} : { along: playAlong(backingOf(tune, feel)) }),
    }),
  );
}

/** A backing for a tune, in beats of its tempo; null for what does not read. */
function backing(source: TuneSource, feel: FeelId | null): PlayedBacking | null {
  const result = parsed(source);
  return result.ok ? playedBacking(result.value.tune, feel) : null;
}

/** What stands under the notes as text alone; nothing for what does not read. */
function lineTexts(source: TuneSource, wanted: LineRequest): readonly (readonly NoteText[])[] {
  const result = parsed(source);
  return result.ok ? textsByLine(result.value.tune, result.value.on, wanted) : [];
}

/** What a lesson needs to know of a step: read from its tune for what the class knows before it. */
function stepForLesson(source: TuneSource, known: Knowledge, own: StepOfClass): LessonStep | null {
  const result = parsed(source);
  return result.ok ? lessonStep(result.value.tune, result.value.on, known, own) : null;
}

/** Other ways into a tune that has been read; none for one that does not read. */
function waysIn(source: TuneSource, known: Knowledge): readonly WayIn[] {
  const result = parsed(source);
  return result.ok ? waysInto(result.value.tune, result.value.on, known) : [];
}

/** The sheet for who cannot see it, one sentence a bar; nothing for what does not read. */
function inWords(source: TuneSource, said: Omit<SheetSpeech, 'on'>): readonly string[] {
  const result = parsed(source);
  return result.ok ? sheetWords(result.value.tune, { on: result.value.on, ...said }) : [];
}

const door = {
  read,
  engrave,
  loadEngraver,
  keptSheet: sheetKeptHere,
  readLibrary,
  importFile,
  check,
  exportTune,
  echoSet,
  waysIn,
  backing,
  stepForLesson,
  lineTexts,
  breathsAt,
  writeEntry,
  entryFrom,
  homeParts,
  inWords,
};
export type TuneWorker = typeof door;
expose(door);
