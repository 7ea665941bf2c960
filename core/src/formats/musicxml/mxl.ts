import { strToU8, zipSync } from 'fflate';
import { failure, success, type Result } from '../../music/index.ts';
import { unzipTexts } from '../unzip.ts';
import { child, children, parseXml } from './xml-reader.ts';
import { t } from '../messages.ts';

const CONTAINER = 'META-INF/container.xml';

/** The score inside a compressed MusicXML file. */
export function unpackMxl(bytes: Uint8Array): Result<string, string> {
  const read = unzipTexts(bytes, {
    mostBytes: 24_000_000,
    mostFiles: 200,
    wanted: /\.(xml|musicxml)$/i,
    what: t('mxl.a-tune'),
  });
  if (!read.ok) return read;
  const entries = read.value;
  const container = entries.get(CONTAINER);
  const named = container === undefined ? null : rootFile(container);
  const path = named ?? [...entries.keys()].find((name) => name !== CONTAINER) ?? '';
  const score = entries.get(path);
  return score === undefined ? failure(t('mxl.the-compressed-file-contains-no-music')) : success(score);
}

function rootFile(text: string): string | null {
  const parsed = parseXml(text);
  if (!parsed.ok) return null;
  const [first] = children(child(parsed.value, 'rootfiles'), 'rootfile');
  return first?.attributes['full-path'] ?? null;
}

export function packMxl(musicXml: string): Uint8Array {
  const container =
    '<?xml version="1.0" encoding="UTF-8"?>\n<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>\n';
  return zipSync({ [CONTAINER]: strToU8(container), 'score.musicxml': strToU8(musicXml) }, { mtime: '1980-01-01' });
}
