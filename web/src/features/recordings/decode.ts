import { mixSides, writeWav } from '@escalier/core/listening';
import { atRate } from '../../sound/index.ts';
import { PlainError } from '../../refusals/index.ts';
import { t } from './messages.ts';

/** A recording that can be listened to: one channel. */
export interface Decoded {
  readonly samples: Float32Array<ArrayBuffer>;
  /** Samples a second. */
  readonly rate: number;
  readonly seconds: number;
  /** One of two sides was silent. */
  readonly deadSide: boolean;
}

const RATE = 44_100;
const LONGEST_SECONDS = 180;
/** No recording of three minutes is larger, in whatever form. */
const MOST_BYTES = 120 * 1024 * 1024;
/** What the school keeps of one. */
export const MOST_KEPT = 3 * 1024 * 1024;
const WAV_HEADER = 44;
/** Rates at which a long recording still fits; the lowest holds three minutes. */
const RATES = [22_050, 16_000, 11_025, 8000] as const;
const SILENT = 0.002;

/** One file at a time: each may take a hundred megabytes while it is decoded. */
let last: Promise<unknown> = Promise.resolve();

/** @throws PlainError with a sentence for what is no sound, too long, empty or silent. */
export function decode(file: Blob): Promise<Decoded> {
  const decoded = last.then(() => decodeNow(file));
  last = decoded.catch(() => undefined);
  return decoded;
}

const METADATA_MS = 10_000;

/** Seconds by the file's head, read without decoding; null where the head does not tell. */
async function statedSeconds(file: Blob): Promise<number | null> {
  const audio = new Audio();
  const address = URL.createObjectURL(file);
  try {
    return await new Promise((resolve) => {
      setTimeout(() => resolve(null), METADATA_MS);
      audio.addEventListener('loadedmetadata', () => resolve(Number.isFinite(audio.duration) ? audio.duration : null));
      audio.addEventListener('error', () => resolve(null));
      audio.preload = 'metadata';
      audio.src = address;
    });
  } finally {
    audio.removeAttribute('src');
    URL.revokeObjectURL(address);
  }
}

function refuseTooLong(seconds: number): void {
  if (seconds > LONGEST_SECONDS)
    throw new PlainError(t('decode.it-is-number-minutes-long-the', { number: Math.ceil(seconds / 60) }));
}

async function decodeNow(file: Blob): Promise<Decoded> {
  if (file.size === 0) throw new PlainError(t('decode.the-file-is-empty'));
  if (file.size > MOST_BYTES) throw new PlainError(t('decode.the-file-is-far-too-large'));
  // A few bytes can stand for hours of silence, which decoded fill the memory.
  refuseTooLong((await statedSeconds(file)) ?? 0);
  const bytes = await file.arrayBuffer();
  let buffer: AudioBuffer;
  try {
    buffer = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(bytes);
  } catch {
    throw new PlainError(t('decode.this-browser-cant-play-this-file'));
  }
  refuseTooLong(buffer.duration);
  const sides = Array.from({ length: buffer.numberOfChannels }, (_, side) => buffer.getChannelData(side));
  const { samples, deadSide } = mixSides(sides);
  if (!samples.some((sample) => Math.abs(sample) > SILENT)) throw new PlainError(t('decode.it-is-silent'));
  return { samples: new Float32Array(samples), rate: buffer.sampleRate, seconds: buffer.duration, deadSide };
}

/** The file as it is where it is small enough; a long one as plain sound at a rate at which it fits. */
export async function toKeep(file: Blob): Promise<Blob> {
  if (file.size <= MOST_KEPT) return file;
  const { samples, rate, seconds } = await decode(file);
  const fitting = RATES.find((each) => WAV_HEADER + 2 * each * seconds <= MOST_KEPT) ?? RATES.at(-1)!;
  return new Blob([writeWav(await atRate(samples, rate, fitting), fitting)], { type: 'audio/wav' });
}
