import { strToU8 } from 'fflate';
import { failure, type Result, type Tune } from '../music/index.ts';
import { tooLongInAbc, tooMuchInAbc } from './abc/limits.ts';
import { readAbc } from './abc/read-abc.ts';
import { writeAbc } from './abc/write-abc.ts';
import { readMidi } from './midi/read-midi.ts';
import { writeMidi, type MidiOptions } from './midi/write-midi.ts';
import { packMxl, unpackMxl } from './musicxml/mxl.ts';
import { readMusicXml } from './musicxml/read-musicxml.ts';
import { writeMusicXml } from './musicxml/write-musicxml.ts';
import { MOST_FILE_BYTES, type FileEnding } from './file-endings.ts';
import type { FormatProblem, ReadOptions, ReadTune } from './notice.ts';
import { decodeText } from './text.ts';
import { t } from './messages.ts';

/** Reads a tune from the bytes of a file, by what the bytes are, whatever the file is called. */
export function readTuneFile(bytes: Uint8Array, options: ReadOptions = {}): Result<ReadTune, readonly FormatProblem[]> {
  const whole = (message: string): Result<ReadTune, readonly FormatProblem[]> => failure([{ bar: null, message }]);
  if (bytes.length === 0) return whole(t('files.the-file-is-empty'));
  if (bytes.length > MOST_FILE_BYTES)
    return whole(t('files.the-file-is-number-mb-the', { number: Math.round(bytes.length / 1e6) }));
  if (startsWith(bytes, 'MThd')) return readMidi(bytes, options);
  if (startsWith(bytes, 'PK')) {
    const unpacked = unpackMxl(bytes);
    return unpacked.ok ? readMusicXml(unpacked.value, options) : whole(unpacked.error);
  }
  const text = decodeText(bytes);
  if (text === null) return whole(t('files.this-file-is-not-text-music'));
  if (text.trimStart().startsWith('<')) return readMusicXml(text, options);
  const tooLong = tooMuchInAbc(text) ?? tooLongInAbc(text);
  return tooLong === null ? readAbc(text, options) : whole(tooLong);
}

function startsWith(bytes: Uint8Array, sign: string): boolean {
  return [...sign].every((letter, index) => bytes[index] === letter.charCodeAt(0));
}

/** Writes a tune in the format that an ending names. */
export function writeTuneFile(tune: Tune, ending: FileEnding, midi: MidiOptions = {}): Uint8Array {
  switch (ending) {
    case 'abc':
      return strToU8(writeAbc(tune));
    case 'musicxml':
    case 'xml':
      return strToU8(writeMusicXml(tune));
    case 'mxl':
      return packMxl(writeMusicXml(tune));
    case 'mid':
    case 'midi':
      return writeMidi(tune, midi);
  }
}
