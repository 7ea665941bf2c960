export { MOST_CHARACTERS as MOST_ABC_CHARACTERS, tooLongInAbc } from './abc/limits.ts';
export { readAbc } from './abc/read-abc.ts';
export { writeAbc } from './abc/write-abc.ts';
export { writeCsv, type CsvTable } from './csv.ts';
export { FILE_ENDINGS, fileEnding, MOST_FILE_BYTES, type FileEnding } from './file-endings.ts';
export { readTuneFile, writeTuneFile } from './files.ts';
export { chordAt, EMPTY_ENTRY, ENTRY_KEYS, lastTyped, typeKey, type Entry, type EntryEvent } from './entry.ts';
export { entryOf, tuneOfEntry, type EntryPlace } from './entry-tune.ts';
export { barId, eventId, placeOfId } from './ids.ts';
export type { MidiOptions, PlayAlong } from './midi/write-midi.ts';
export { writeMusicXml, type MusicXmlOptions } from './musicxml/write-musicxml.ts';
export type { FormatProblem, Notice, PartOffer, ReadOptions, ReadTune, TextPlace } from './notice.ts';
export { nameKey } from './roster/name-key.ts';
export { readOneRoster, readOneRosterZip, type RosteredClass } from './roster/one-roster.ts';
export {
  checkRoster,
  guessMapping,
  readRoster,
  ROSTER_FIELDS,
  writeRoster,
  type RosterField,
  type RosterRow,
  type RosterTable,
} from './roster/roster.ts';
