export { readAbc } from './abc/read-abc.ts';
export { writeAbc } from './abc/write-abc.ts';
export { FILE_ENDINGS, fileEnding, MOST_FILE_BYTES, readTuneFile, writeTuneFile, type FileEnding } from './files.ts';
export type { MidiOptions } from './midi/write-midi.ts';
export { barId, eventId, writeMusicXml, type MusicXmlOptions } from './musicxml/write-musicxml.ts';
export type { FormatFault, Notice, PartOffer, ReadOptions, ReadTune, TextPlace } from './notice.ts';
