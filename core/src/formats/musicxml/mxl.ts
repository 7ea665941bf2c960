import { strFromU8, strToU8, unzipSync, zipSync, type UnzipFileInfo } from 'fflate';
import { failure, success, type Result } from '../../music/index.ts';
import { child, children, parseXml } from './xml-reader.ts';

const MOST_BYTES = 24_000_000;
const MOST_RATIO = 200;
const MOST_FILES = 200;
const CONTAINER = 'META-INF/container.xml';

/** The score inside a compressed MusicXML file. Archives that swell beyond all measure are not unpacked. */
export function unpackMxl(bytes: Uint8Array): Result<string, string> {
  let total = 0;
  let files = 0;
  let tooLarge = false;
  const allow = ({ originalSize, size, name }: UnzipFileInfo): boolean => {
    files += 1;
    total += originalSize;
    tooLarge ||= total > MOST_BYTES || files > MOST_FILES || originalSize > MOST_RATIO * Math.max(size, 1024);
    return !tooLarge && /\.(xml|musicxml)$/i.test(name);
  };
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, { filter: allow });
  } catch {
    return failure('The compressed file is broken and cannot be unpacked.');
  }
  if (tooLarge) return failure('The compressed file unpacks to far more than a tune: it was not opened.');
  const container = entries[CONTAINER];
  const named = container === undefined ? null : rootFile(strFromU8(container));
  const path = named ?? Object.keys(entries).find((name) => name !== CONTAINER) ?? '';
  const score = entries[path];
  return score === undefined ? failure('The compressed file holds no MusicXML score.') : success(strFromU8(score));
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
