import { failure, success, type Result } from '../music/index.ts';

/** Why a WAV file cannot be heard. */
export type WavProblem = 'empty' | 'no-wav' | 'coding' | 'cut-off' | 'rate';

export interface Sound {
  /** Samples a second. */
  readonly rate: number;
  /** One channel, -1 to 1. */
  readonly samples: Float32Array<ArrayBuffer>;
  /** Of two channels one is silent, and was left out. */
  readonly deadSide: boolean;
}

const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;
const SLOWEST_RATE = 8000;
const FASTEST_RATE = 192_000;
/** A side whose samples are all under this is dead. */
const DEAD = 1e-4;

/**
 * Reads WAV of 8, 16, 24 or 32 bits and of 32-bit float, mono or with any number of channels, which are mixed. A file
 * that breaks off is read as far as it goes.
 */
export function readWav(bytes: Uint8Array): Result<Sound, WavProblem> {
  if (bytes.length === 0) return failure('empty');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const tag = (at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length < 12 || tag(0) !== 'RIFF' || tag(8) !== 'WAVE') return failure('no-wav');
  let format: Format | null = null;
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = view.getUint32(at + 4, true);
    if (tag(at) === 'fmt ' && at + 24 <= bytes.length) format = formatAt(view, at + 8, size);
    if (tag(at) === 'data') {
      if (format === null) return failure('no-wav');
      return soundOf(view, at + 8, Math.min(size, bytes.length - at - 8), format);
    }
    at += 8 + size + (size & 1);
  }
  return failure(format === null ? 'no-wav' : 'cut-off');
}

interface Format {
  readonly coding: number;
  readonly channels: number;
  readonly rate: number;
  readonly bits: number;
}

function formatAt(view: DataView, at: number, size: number): Format {
  const coding = view.getUint16(at, true);
  const isExtended = coding === EXTENSIBLE && size >= 26 && at + 26 <= view.byteLength;
  return {
    coding: isExtended ? view.getUint16(at + 24, true) : coding,
    channels: view.getUint16(at + 2, true),
    rate: view.getUint32(at + 4, true),
    bits: view.getUint16(at + 14, true),
  };
}

function soundOf(view: DataView, from: number, bytes: number, format: Format): Result<Sound, WavProblem> {
  const read = readerOf(view, format);
  if (read === null || format.channels === 0) return failure('coding');
  if (format.rate < SLOWEST_RATE || format.rate > FASTEST_RATE) return failure('rate');
  const width = format.bits / 8;
  const length = Math.floor(bytes / (width * format.channels));
  if (length === 0) return failure('cut-off');
  const sides = Array.from({ length: format.channels }, (_, side) =>
    Float32Array.from({ length }, (_, index) => read(from + (index * format.channels + side) * width)),
  );
  const mixed = mixSides(sides);
  return success({ rate: format.rate, ...mixed });
}

/** One channel of several: those that are not dead, in the middle. @param sides of equal length. */
export function mixSides(sides: readonly Float32Array[]): Pick<Sound, 'samples' | 'deadSide'> {
  const alive = sides.filter((side) => side.some((sample) => Math.abs(sample) > DEAD));
  const used = alive.length === 0 ? sides : alive;
  const samples = new Float32Array(sides[0]?.length ?? 0);
  for (const side of used) for (let at = 0; at < samples.length; at++) samples[at]! += side[at]! / used.length;
  return { samples, deadSide: alive.length > 0 && alive.length < sides.length };
}

function readerOf(view: DataView, { coding, bits }: Format): ((at: number) => number) | null {
  if (coding === FLOAT && bits === 32) return (at) => finite(view.getFloat32(at, true));
  if (coding === FLOAT && bits === 64) return (at) => finite(view.getFloat64(at, true));
  if (coding !== PCM) return null;
  if (bits === 8) return (at) => (view.getUint8(at) - 128) / 128;
  if (bits === 16) return (at) => view.getInt16(at, true) / 2 ** 15;
  if (bits === 24) return (at) => ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 2 ** 23;
  if (bits === 32) return (at) => view.getInt32(at, true) / 2 ** 31;
  return null;
}

const finite = (sample: number): number => (Number.isFinite(sample) ? Math.max(-1, Math.min(1, sample)) : 0);

/** A WAV file of 16 bits and one channel. Samples from -1 to 1 at `rate` a second. */
export function writeWav(samples: Float32Array, rate: number): Uint8Array<ArrayBuffer> {
  const headerBytes = 44;
  const bytes = new Uint8Array(headerBytes + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string): void => {
    for (let index = 0; index < letters.length; index++) view.setUint8(at + index, letters.charCodeAt(index));
  };
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, samples.length * 2, true);
  for (const [index, sample] of samples.entries()) {
    view.setInt16(headerBytes + index * 2, Math.round(Math.max(-1, Math.min(1, sample)) * 32767), true);
  }
  return bytes;
}
