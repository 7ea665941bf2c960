import { mixSides, writeWav } from '@escalier/core/listening';
import { atRate } from '../../sound/index.ts';
import { PlainError } from '../../ui/plain-error.ts';

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

/** @throws PlainError with a sentence for what is no sound, too long, empty or silent. */
export async function decode(file: Blob): Promise<Decoded> {
  if (file.size === 0) throw new PlainError('The file is empty.');
  if (file.size > MOST_BYTES) throw new PlainError('The file is far too large for three minutes of sound.');
  const bytes = await file.arrayBuffer();
  let buffer: AudioBuffer;
  try {
    buffer = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(bytes);
  } catch {
    throw new PlainError('This is no sound file that this browser can play.');
  }
  if (buffer.duration > LONGEST_SECONDS)
    throw new PlainError(`It is ${Math.ceil(buffer.duration / 60)} minutes long: three are the most.`);
  const sides = Array.from({ length: buffer.numberOfChannels }, (_, side) => buffer.getChannelData(side));
  const { samples, deadSide } = mixSides(sides);
  if (!samples.some((sample) => Math.abs(sample) > SILENT)) throw new PlainError('Nothing can be heard in it.');
  return { samples: new Float32Array(samples), rate: buffer.sampleRate, seconds: buffer.duration, deadSide };
}

/** The file as it is where it is small enough; a long one as plain sound at a rate at which it fits. */
export async function toKeep(file: Blob): Promise<Blob> {
  if (file.size <= MOST_KEPT) return file;
  const { samples, rate, seconds } = await decode(file);
  const fitting = RATES.find((each) => WAV_HEADER + 2 * each * seconds <= MOST_KEPT) ?? RATES.at(-1)!;
  return new Blob([writeWav(await atRate(samples, rate, fitting), fitting)], { type: 'audio/wav' });
}
