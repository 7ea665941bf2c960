import type { Family } from '@escalier/core/instruments';
import { sustained } from './sustain.ts';

const FILES = import.meta.glob<string>('./voices/*.flac', { query: '?url', import: 'default', eager: true });
const RATE = 22_050;
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
        const long = sustained(short.getChannelData(0), RATE, LONGEST_NOTE);
        const buffer = context.createBuffer(1, long.length, RATE);
        buffer.copyToChannel(long, 0);
        return [midi, buffer] as const;
      }),
    ),
  );
}
