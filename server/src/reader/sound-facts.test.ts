import { describe, expect, it } from 'vitest';
import { flacBomb, mp3Of, wavOf, webmOf } from '../testing/sounds.ts';
import { readSound, soundType } from './sound-facts.ts';

const bytes = (text: string) => new TextEncoder().encode(text);

async function secondsOf(file: Uint8Array): Promise<number> {
  const read = await readSound(file);
  return read.ok ? Math.round(read.value.seconds) : NaN;
}

describe('the length of a recording', () => {
  it('is read from a WAV file, and from a WebM file that does not say it', async () => {
    expect(await secondsOf(wavOf(9))).toBe(9);
    expect(await secondsOf(webmOf(12))).toBe(12);
  });

  it('is that of the frames, whatever the head says', async () => {
    const bomb = flacBomb(49 * 60);
    expect(bomb.length).toBeLessThan(30_000);
    expect((await secondsOf(bomb)) / 60).toBeCloseTo(49, 1);
    expect((await secondsOf(flacBomb(49 * 60, 9))) / 60).toBeCloseTo(49, 1);
    expect((await secondsOf(mp3Of(1200))) / 60).toBeCloseTo(20, 1);
  });

  it('is not to be had of what merely begins with the right bytes, or has nothing in it', async () => {
    for (const file of ['OggS<html>', 'fLaC and a letter', 'RIFF    WAVEfmt and so on', 'ID3 and a letter', '<html>'])
      expect(await readSound(bytes(file.padEnd(400, ' '))), file).toMatchObject({ ok: false });
    expect(await readSound(new Uint8Array([0x1a, 0x45, 0xdf, 0xa3, 1, 2, 3]))).toMatchObject({ ok: false });
    expect(await readSound(wavOf(0))).toMatchObject({ ok: false });
    expect(await readSound(new Uint8Array())).toEqual({ ok: false, error: 'not-sound' });
  });
});

it('knows sound files by how they begin', () => {
  expect(['fLaC', 'OggS', 'ID3', 'xxxxftypM4A'].map((text) => soundType(bytes(text)))).toEqual([
    ...['audio/flac', 'audio/ogg', 'audio/mpeg', 'audio/mp4'],
  ]);
  expect(soundType(new Uint8Array([0xff, 0xfb, 0x90]))).toBe('audio/mpeg');
  expect(soundType(new Uint8Array([0x1a, 0x45, 0xdf, 0xa3]))).toBe('audio/webm');
  expect(soundType(bytes('<html>'))).toBeNull();
});
