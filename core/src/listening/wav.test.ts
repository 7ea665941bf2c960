import { describe, expect, it } from 'vitest';
import { mixSides, readWav, writeWav } from './wav.ts';

interface Written {
  readonly bits: number;
  readonly coding?: number;
  readonly channels?: number;
  readonly rate?: number;
  readonly data: readonly number[];
}

/** A WAV file of whole numbers as they stand in it, a chunk of notes before the sound. */
function wav({ bits, coding = 1, channels = 1, rate = 22_050, data }: Written): Uint8Array {
  const width = bits / 8;
  const bytes = new Uint8Array(54 + data.length * width);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string): void =>
    [...letters].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  text(0, 'RIFF');
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, coding, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, rate, true);
  view.setUint16(34, bits, true);
  text(36, 'note');
  view.setUint32(40, 1, true);
  text(46, 'data');
  view.setUint32(50, data.length * width, true);
  for (const [index, value] of data.entries()) {
    const at = 54 + index * width;
    if (coding === 3) view.setFloat32(at, value, true);
    else if (bits === 8) view.setUint8(at, value);
    else if (bits === 16) view.setInt16(at, value, true);
    else if (bits === 24) {
      view.setUint16(at, value & 0xffff, true);
      view.setInt8(at + 2, value >> 16);
    } else view.setInt32(at, value, true);
  }
  return bytes;
}

function samplesOf(written: Written): number[] {
  const read = readWav(wav(written));
  if (!read.ok) throw new Error(read.error);
  return [...read.value.samples];
}

describe('a WAV file', () => {
  it.each([
    [8, [0, 128, 192], [-1, 0, 0.5]],
    [16, [-32_768, 0, 16_384], [-1, 0, 0.5]],
    [24, [-8_388_608, 0, 4_194_304], [-1, 0, 0.5]],
    [32, [-2_147_483_648, 0, 1_073_741_824], [-1, 0, 0.5]],
  ])('is read with %i bits', (bits, data, samples) => {
    expect(samplesOf({ bits, data })).toEqual(samples);
  });

  it('is read as floats, what is no number as silence', () => {
    expect(samplesOf({ bits: 32, coding: 3, data: [0.25, -1, NaN, 4] })).toEqual([0.25, -1, 0, 1]);
  });

  it('is mixed from both sides, a dead one left out', () => {
    expect(samplesOf({ bits: 16, channels: 2, data: [16_384, 0, 0, 16_384] })).toEqual([0.25, 0.25]);
    const dead = readWav(wav({ bits: 16, channels: 2, data: [16_384, 0, 8192, 0] }));
    expect(dead.ok && dead.value).toMatchObject({ deadSide: true, samples: new Float32Array([0.5, 0.25]) });
    expect(mixSides([new Float32Array(2), new Float32Array(2)])).toEqual({
      samples: new Float32Array(2),
      deadSide: false,
    });
  });

  it('says what is wrong with a bad one', () => {
    const problem = (bytes: Uint8Array) => {
      const read = readWav(bytes);
      return read.ok ? null : read.error;
    };
    const good = wav({ bits: 16, data: [1, 2, 3] });
    expect(problem(new Uint8Array())).toBe('empty');
    expect(problem(new TextEncoder().encode('This is a letter, and no sound at all.'))).toBe('no-wav');
    expect(problem(good.subarray(0, 46))).toBe('cut-off');
    expect(problem(good.subarray(0, 54))).toBe('cut-off');
    expect(problem(wav({ bits: 16, coding: 85, data: [1] }))).toBe('coding');
    expect(problem(wav({ bits: 16, channels: 0, data: [1] }))).toBe('coding');
    expect(problem(wav({ bits: 16, rate: 100, data: [1] }))).toBe('rate');
  });

  it('that breaks off is read as far as it goes', () => {
    const read = readWav(wav({ bits: 16, data: [16_384, 16_384, 16_384] }).subarray(0, 57));
    expect(read.ok && read.value.samples).toEqual(new Float32Array([0.5]));
  });
});

it('writes samples as a WAV file', () => {
  const bytes = writeWav(new Float32Array([0, 1, -1, 0.5]), 44_100);
  expect(bytes.length).toBe(52);
  const view = new DataView(bytes.buffer);
  expect([view.getInt16(44, true), view.getInt16(46, true), view.getInt16(48, true)]).toEqual([0, 32767, -32767]);
  expect(view.getUint32(24, true)).toBe(44_100);
});
