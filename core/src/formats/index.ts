export { readAbc } from './abc/read-abc.ts';
export { barId, eventId, writeMusicXml, type MusicXmlOptions } from './musicxml/write-musicxml.ts';
export type { FormatFault, Notice, ReadTune } from './notice.ts';
