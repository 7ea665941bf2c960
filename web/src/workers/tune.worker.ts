import { eventId, readAbc, writeMusicXml, type FormatFault } from '@escalier/core/formats';
import { findInstrument, nameNote, type Instrument, type Naming } from '@escalier/core/instruments';
import { failure, pitchName, success, type Key, type Result, type Tune } from '@escalier/core/music';
import { readTune, type Knowledge, type Reading } from '@escalier/core/reading';
import { expose } from 'comlink';
import type { Engraver } from './engraver.ts';

export interface TuneSource {
  readonly abc: string;
  readonly instrumentId: string;
}

export interface EngraveRequest extends TuneSource {
  /** Null leaves the words of the tune under the notes. */
  readonly naming: Naming | null;
}

export interface Engraved {
  /** Without a style element; ids of notes and bars as the core gives them. */
  readonly svg: string;
}

export interface TuneInfo {
  readonly reading: Reading;
  readonly composer: string;
  readonly source: string;
  readonly licence: string;
  readonly key: Key;
  /** Ids of the notes on the sheet that are new to the class. */
  readonly newNoteIds: readonly string[];
}

type Faults = readonly FormatFault[];

function parsed({ abc, instrumentId }: TuneSource): Result<{ tune: Tune; on: Instrument }, Faults> {
  const on = findInstrument(instrumentId);
  if (on === null) return failure([{ bar: null, message: 'Escalier does not know this instrument.' }]);
  const read = readAbc(abc);
  return read.ok ? success({ tune: read.value.tune, on }) : read;
}

function read(source: TuneSource, known: Knowledge): Result<TuneInfo, Faults> {
  const result = parsed(source);
  if (!result.ok) return result;
  const { tune, on } = result.value;
  const { composer, source: from, licence } = tune;
  const reading = readTune(tune, on, known);
  return success({
    reading,
    composer,
    source: from,
    licence,
    key: tune.bars[0]!.key,
    newNoteIds: newNoteIds(tune, reading),
  });
}

function newNoteIds(tune: Tune, reading: Reading): string[] {
  const names = new Set(reading.notes.new.map((use) => use.name));
  return tune.parts.flatMap((part, partIndex) =>
    part.bars.flatMap((events, barIndex) =>
      events.flatMap((event, index) =>
        event.kind === 'note' && names.has(pitchName(event.pitch)) ? [eventId(partIndex, barIndex, index)] : [],
      ),
    ),
  );
}

let engraver: Promise<Engraver> | null = null;

async function engrave(request: EngraveRequest): Promise<Result<Engraved, Faults>> {
  const result = parsed(request);
  if (!result.ok) return result;
  const { tune, on } = result.value;
  const { naming } = request;
  const underNote = (barIndex: number, eventIndex: number): string | null => {
    const event = tune.parts[0].bars[barIndex]![eventIndex]!;
    return event.kind === 'rest' || naming === null
      ? null
      : nameNote(event.pitch, naming, tune.bars[barIndex]!.key, on);
  };
  // Verovio is several megabytes: it loads when the first score is shown.
  engraver ??= import('./engraver.ts').then((module) => module.createEngraver());
  const svg = (await engraver).engrave(writeMusicXml(tune, naming === null ? {} : { underNote }), mostOnLine(tune));
  if (svg === null) return failure([{ bar: null, message: 'The tune reads, but it could not be engraved.' }]);
  return success({ svg });
}

/** How many notes and rests the fullest line holds: the measure for the width of the sheet. */
function mostOnLine(tune: Tune): number {
  let [most, now] = [0, 0];
  for (const [index, bar] of tune.bars.entries()) {
    now += tune.parts[0].bars[index]!.length + 0.6;
    most = Math.max(most, now);
    if (bar.lineEnd) now = 0;
  }
  return most;
}

const door = { read, engrave };
export type TuneWorker = typeof door;
expose(door);
