import type { Family } from '@escalier/core/instruments';
import { sustained } from './sustain.ts';
import { whistleTone } from './whistle.ts';

const FILES = import.meta.glob<string>('./voices/*.flac', { query: '?url', import: 'default', eager: true });
const RATE = 22_050;
/** Pitches of the whistle's tones: what lies between is played from the nearest. */
const WHISTLE_MIDI = [70, 74, 78, 82, 86, 90, 94, 98, 102];
/** A semibreve at 24 beats a minute. */
const LONGEST_NOTE = 10;

export type Samples = ReadonlyMap<number, AudioBuffer>;

const loading = new Map<Family, Promise<Samples>>();

/** The samples of an instrument by the MIDI number of their pitch; loaded once, kept for good. */
export function voiceSamples(family: Family): Promise<Samples> {
  const known = loading.get(family);
  if (known !== undefined) return known;
  const loaded = loadSamples(family);
  loading.set(family, loaded);
  loaded.catch(() => loading.delete(family));
  return loaded;
}

async function loadSamples(family: Family): Promise<Samples> {
  const context = new OfflineAudioContext(1, 1, RATE);
  const bufferOf = (samples: Float32Array<ArrayBuffer>): AudioBuffer => {
    const buffer = context.createBuffer(1, samples.length, RATE);
    buffer.copyToChannel(samples, 0);
    return buffer;
  };
  if (family === 'whistle') return whistleSamples(bufferOf);
  const files = Object.entries(FILES).flatMap(([path, url]) => {
    const match = /\/(\w+)-(\d+)\.flac$/.exec(path);
    return match?.[1] === family ? [[Number(match[2]), url] as const] : [];
  });
  return new Map(
    await Promise.all(
      files.map(async ([midi, url]) => {
        const response = await fetch(url);
        if (!response.ok) throw new Error(`no sample ${midi} of the ${family}`);
        const short = await context.decodeAudioData(await response.arrayBuffer());
        return [midi, bufferOf(sustained(short.getChannelData(0), RATE, LONGEST_NOTE))] as const;
      }),
    ),
  );
}

/** Made one after the other, so that the page answers between them. */
async function whistleSamples(bufferOf: (samples: Float32Array<ArrayBuffer>) => AudioBuffer): Promise<Samples> {
  const tones = new Map<number, AudioBuffer>();
  for (const midi of WHISTLE_MIDI) {
    tones.set(midi, bufferOf(whistleTone(midi, RATE, LONGEST_NOTE, () => Math.random())));
    await new Promise((done) => setTimeout(done));
  }
  return tones;
}
