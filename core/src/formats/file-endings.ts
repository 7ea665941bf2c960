export const MOST_FILE_BYTES = 12_000_000;

export const FILE_ENDINGS = ['abc', 'musicxml', 'xml', 'mxl', 'mid', 'midi'] as const;
export type FileEnding = (typeof FILE_ENDINGS)[number];

/** The ending of a file name that Escalier knows, or null. */
export function fileEnding(fileName: string): FileEnding | null {
  const ending = /\.([a-z0-9]+)$/i.exec(fileName)?.[1]?.toLowerCase();
  return FILE_ENDINGS.find((known) => known === ending) ?? null;
}
