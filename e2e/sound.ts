import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';

/** A sound file of one channel as the application writes it. */
export interface Sound {
  readonly samples: Float32Array;
  readonly rate: number;
  readonly seconds: number;
}

/** What comes when the button is pressed that saves a file. */
export async function savedBy(page: Page, button: string): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button, exact: true }).click(),
  ]);
  return readFile(await download.path());
}

export function readWav(wav: Buffer): Sound {
  const header = 44;
  const rate = wav.readUInt32LE(24);
  const samples = Float32Array.from(
    { length: (wav.length - header) / 2 },
    (_, index) => wav.readInt16LE(header + index * 2) / 32_768,
  );
  return { samples, rate, seconds: samples.length / rate };
}

/** Hertz by the strongest repetition within two octaves around what is expected, over a tenth of a second. */
export function pitchAt({ samples, rate }: Sound, seconds: number, expected: number): number {
  const from = Math.round(seconds * rate);
  const length = Math.round(rate / 10);
  const likeness = (lag: number): number => {
    let [sum, a, b] = [0, 0, 0];
    for (let index = from; index < from + length; index++) {
      const [here, there] = [samples[index] ?? 0, samples[index + lag] ?? 0];
      sum += here * there;
      a += here * here;
      b += there * there;
    }
    return sum / Math.sqrt(a * b || 1);
  };
  const [shortest, longest] = [Math.floor(rate / (expected * 2)), Math.ceil((rate / expected) * 1.4)];
  let best = shortest;
  for (let lag = shortest; lag <= longest; lag++) if (likeness(lag) > likeness(best) + 0.02) best = lag;
  while (likeness(best + 1) > likeness(best)) best += 1;
  const [before, at, after] = [likeness(best - 1), likeness(best), likeness(best + 1)];
  const between = (before - after) / (2 * (before - 2 * at + after) || 1);
  return rate / (best + between);
}

/** Cents away from what is expected; 100 are a semitone. */
export function centsOff(sound: Sound, seconds: number, hertz: number): number {
  return 1200 * Math.log2(pitchAt(sound, seconds, hertz) / hertz);
}

/** Root mean square over a fortieth of a second. */
export function levelAt({ samples, rate }: Sound, seconds: number): number {
  const from = Math.round(seconds * rate);
  const part = samples.subarray(from, from + Math.round(rate / 40));
  return Math.sqrt(part.reduce((sum, sample) => sum + sample * sample, 0) / part.length);
}

/** When it becomes louder than `level` after a moment; null when it does not within a second. */
export function onsetAfter(sound: Sound, seconds: number, level: number): number | null {
  for (let at = seconds; at < seconds + 1; at += 0.002) if (peakAt(sound, at) > level) return at;
  return null;
}

function peakAt({ samples, rate }: Sound, seconds: number): number {
  const from = Math.round(seconds * rate);
  return samples
    .subarray(from, from + Math.round(rate / 500))
    .reduce((most, each) => Math.max(most, Math.abs(each)), 0);
}
