// @vitest-environment node
import { readAbc } from '@escalier/core/formats';
import { midiNumber, performedNotes, toNumber, type Tune } from '@escalier/core/music';
import { describe, expect, it } from 'vitest';
import { playbackOf } from '../workers/playback.ts';
import { scheduleOf } from './schedule.ts';

const FILES = import.meta.glob<string>('../../../demo/tunes/*.abc', { query: '?raw', import: 'default', eager: true });

function shipped(file: string): Tune {
  const read = readAbc(FILES[`../../../demo/tunes/${file}`] ?? '');
  if (!read.ok) throw new Error(file);
  return read.value.tune;
}

const tempo = { beat: { num: 1, den: 4 }, perMinute: 60 };

describe('what is heard of every shipped tune', () => {
  it('are forty and more', () => {
    expect(Object.keys(FILES).length).toBeGreaterThanOrEqual(40);
  });

  for (const file of Object.keys(FILES).map((path) => path.split('/').at(-1)!)) {
    it(file, () => {
      const tune = shipped(file);
      const schedule = scheduleOf(playbackOf(tune, tempo, 12), { bars: null, perMinute: 60, countIn: false });
      const melody = schedule.notes.filter((note) => note.part === 0);
      const written = performedNotes(tune);
      expect(melody.map((note) => note.midi)).toEqual(written.map((note) => midiNumber(note.pitch) + 12));
      for (const [index, note] of written.entries()) expect(melody[index]!.at).toBeCloseTo(4 * toNumber(note.onset), 6);
    });
  }
});

describe('scheduleOf', () => {
  const pickup = playbackOf(shipped('old-hundredth.abc'), tempo, 0);

  it('counts a pickup in from the bar that it ends', () => {
    expect(pickup.countIn).toHaveLength(7);
    const schedule = scheduleOf(pickup, { bars: null, perMinute: 120, countIn: true });
    expect(schedule.lead).toBeCloseTo(3.5);
    expect(schedule.notes[0]!.at).toBeCloseTo(3.5);
    expect(schedule.clicks.filter((click) => click.at >= 3.5)[1]).toMatchObject({ strong: true });
  });

  it('plays a stretch at any tempo', () => {
    const schedule = scheduleOf(pickup, { bars: [2, 2], perMinute: 30, countIn: false });
    expect(schedule.length).toBeCloseTo(8);
    expect(schedule.notes.map((note) => note.at)).toEqual([0, 2, 4, 6]);
  });

  it('clicks dotted beats in compound time', () => {
    const kite = playbackOf(shipped('kite-over-the-weir.abc'), { beat: { num: 3, den: 8 }, perMinute: 60 }, 0);
    expect(kite.clicks.slice(0, 4)).toEqual([
      { start: 0, strong: true },
      { start: 1, strong: false },
      { start: 2, strong: true },
      { start: 3, strong: false },
    ]);
  });
});
