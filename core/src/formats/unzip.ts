import { strFromU8, unzipSync, type UnzipFileInfo } from 'fflate';
import { failure, success, type Result } from '../music/index.ts';
import { t } from './messages.ts';

export interface UnzipLimits {
  /** Of all files together, unpacked. */
  readonly mostBytes: number;
  readonly mostFiles: number;
  /** Which files are wanted, by their whole name. */
  readonly wanted: RegExp;
  /** What the archive should be, for the sentence that refuses it: `a tune`. */
  readonly what: string;
}

const MOST_RATIO = 200;

/** Texts of the wanted files of an archive, by their names. Archives that swell beyond all measure are not unpacked. */
export function unzipTexts(bytes: Uint8Array, limits: UnzipLimits): Result<ReadonlyMap<string, string>, string> {
  let total = 0;
  let files = 0;
  let tooLarge = false;
  const allow = ({ originalSize, size, name }: UnzipFileInfo): boolean => {
    files += 1;
    total += originalSize;
    tooLarge ||=
      total > limits.mostBytes || files > limits.mostFiles || originalSize > MOST_RATIO * Math.max(size, 1024);
    return !tooLarge && limits.wanted.test(name);
  };
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, { filter: allow });
  } catch {
    return failure(t('unzip.the-compressed-file-is-damaged-and'));
  }
  if (tooLarge) return failure(t('unzip.the-compressed-file-unpacks-to-far', { what: limits.what }));
  return success(new Map(Object.entries(entries).map(([name, content]) => [name, strFromU8(content)])));
}
