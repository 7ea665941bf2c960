import { failure, success, type Result } from '@escalier/core/music';
import type { IFormat } from 'music-metadata';
import { flacSeconds, mp3Seconds, opusSeconds, webmSeconds } from './sound-frames.ts';

/** What a sound file is by its bytes, whatever it says of itself. */
export interface SoundFacts {
  readonly type: SoundType;
  readonly seconds: number;
}

export type SoundType = 'audio/wav' | 'audio/flac' | 'audio/ogg' | 'audio/mpeg' | 'audio/webm' | 'audio/mp4';

/** No sound that is taken, one without a single sample, or one whose length its container does not tell. */
export type SoundProblem = 'not-sound' | 'sound-empty' | 'sound-without-length';

/** The kinds of sound file that are taken, by how they begin. */
const BEGINNINGS: readonly { readonly type: SoundType; readonly at: number; readonly bytes: readonly number[] }[] = [
  { type: 'audio/wav', at: 8, bytes: [0x57, 0x41, 0x56, 0x45] },
  { type: 'audio/flac', at: 0, bytes: [0x66, 0x4c, 0x61, 0x43] },
  { type: 'audio/ogg', at: 0, bytes: [0x4f, 0x67, 0x67, 0x53] },
  { type: 'audio/mpeg', at: 0, bytes: [0x49, 0x44, 0x33] },
  { type: 'audio/webm', at: 0, bytes: [0x1a, 0x45, 0xdf, 0xa3] },
  { type: 'audio/mp4', at: 4, bytes: [0x66, 0x74, 0x79, 0x70] },
];

/** Null when it begins like no sound that is taken. */
export function soundType(bytes: Uint8Array): SoundType | null {
  const found = BEGINNINGS.find(({ at, bytes: wanted }) => wanted.every((byte, index) => bytes[at + index] === byte));
  if (found !== undefined) return found.type;
  // MP3 without a tag begins with eleven set bits; layer III.
  return bytes[0] === 0xff && (bytes[1]! & 0xe6) === 0xe2 ? 'audio/mpeg' : null;
}

/** Seconds by the frames themselves, for the kinds whose head can say another length than the frames have. */
const COUNTED: Readonly<Partial<Record<SoundType, (bytes: Uint8Array) => number>>> = {
  'audio/flac': flacSeconds,
  'audio/mpeg': mp3Seconds,
  'audio/ogg': opusSeconds,
  'audio/webm': webmSeconds,
};

/**
 * Recovers a recording's kind and its length in seconds without decoding it: a few bytes can stand for hours of silence.
 * The longer of what the head says and what the frames come to counts.
 */
export async function readSound(bytes: Uint8Array): Promise<Result<SoundFacts, SoundProblem>> {
  const type = soundType(bytes);
  if (type === null) return failure('not-sound');
  const format = await formatOf(bytes, type);
  const counted = COUNTED[type]?.(bytes) ?? 0;
  if (format === null && counted === 0) return failure('not-sound');
  const seconds = Math.max(format?.duration ?? 0, counted);
  if (seconds > 0) return success({ type, seconds });
  return failure(format?.numberOfSamples === 0 ? 'sound-empty' : 'sound-without-length');
}

/** Null when it is no such file behind its first bytes. */
async function formatOf(bytes: Uint8Array, mimeType: SoundType): Promise<IFormat | null> {
  // Loaded by the first recording: a server that gets none does not need it.
  const { parseBuffer } = await import('music-metadata');
  try {
    const { format } = await parseBuffer(bytes, { mimeType, size: bytes.length }, { duration: true, skipCovers: true });
    return format.sampleRate === undefined || format.sampleRate <= 0 ? null : format;
  } catch {
    // The parser refuses by throwing, in a dozen ways.
    return null;
  }
}
