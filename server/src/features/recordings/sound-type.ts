/** The kinds of sound file that are taken, by how they begin. */
const BEGINNINGS: readonly { readonly type: string; readonly at: number; readonly bytes: readonly number[] }[] = [
  { type: 'audio/wav', at: 8, bytes: [0x57, 0x41, 0x56, 0x45] },
  { type: 'audio/flac', at: 0, bytes: [0x66, 0x4c, 0x61, 0x43] },
  { type: 'audio/ogg', at: 0, bytes: [0x4f, 0x67, 0x67, 0x53] },
  { type: 'audio/mpeg', at: 0, bytes: [0x49, 0x44, 0x33] },
  { type: 'audio/webm', at: 0, bytes: [0x1a, 0x45, 0xdf, 0xa3] },
  { type: 'audio/mp4', at: 4, bytes: [0x66, 0x74, 0x79, 0x70] },
];

/** What a file is by its bytes, whatever it says of itself; null when it is no sound that is taken. */
export function soundType(bytes: Uint8Array): string | null {
  const found = BEGINNINGS.find(({ at, bytes: wanted }) => wanted.every((byte, index) => bytes[at + index] === byte));
  if (found !== undefined) return found.type;
  // MP3 without a tag begins with eleven set bits; layer III.
  return bytes[0] === 0xff && (bytes[1]! & 0xe6) === 0xe2 ? 'audio/mpeg' : null;
}
