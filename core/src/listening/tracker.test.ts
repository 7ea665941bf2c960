import { describe, expect, it } from 'vitest';
import { PLAIN_RECORDING, recordingOf, STILE_NOTES } from '../testing/index.ts';
import { seeded } from '../practice/index.ts';
import { PowerSpectrum } from './fft.ts';
import { hearNotes, Tracker } from './index.ts';

describe('the tracker', () => {
  it('hears the same notes whatever the chunks', () => {
    const { samples, rate } = recordingOf(STILE_NOTES, {
      ...PLAIN_RECORDING,
      rate: 44_100,
      surroundings: 'hiss',
      squeaks: 2,
    });
    const whole = hearNotes(samples, rate);
    for (const size of [1, 128, 1000, 4096]) {
      const tracker = new Tracker(rate);
      for (let at = 0; at < samples.length; at += size) tracker.push(samples.subarray(at, at + size));
      expect(tracker.finish()).toEqual(whole);
    }
  });

  it.each([16_000, 22_050, 44_100, 48_000])(
    'hears each note within 60 ms and 10 cents at %i samples a second',
    (rate) => {
      const { samples, played } = recordingOf(STILE_NOTES, { ...PLAIN_RECORDING, rate, tuning: 20, seed: rate });
      const heard = hearNotes(samples, rate).notes;
      expect(heard).toHaveLength(played.length);
      for (const [index, note] of heard.entries()) {
        const truth = played[index]!;
        expect(note.midi).toBe(truth.midi);
        expect(Math.abs(note.onset - truth.onset)).toBeLessThan(0.06);
        expect(Math.abs(note.cents - truth.cents)).toBeLessThan(10);
      }
    },
  );

  it('knows what sounds within 60 ms', () => {
    const { samples, rate, played } = recordingOf(STILE_NOTES, PLAIN_RECORDING);
    const tracker = new Tracker(rate);
    const block = 110;
    const known = new Map<number, number>();
    for (let at = 0; at < samples.length; at += block) {
      tracker.push(samples.subarray(at, at + block));
      const now = (at + block) / rate;
      const sounding = tracker.now();
      const index = played.findLastIndex(({ onset }) => onset <= now);
      if (index >= 0 && sounding?.midi === played[index]!.midi && !known.has(index))
        known.set(index, now - played[index]!.onset);
    }
    // A repeated note sounds on: what is new is known late by the window and two frames.
    const late = [...known.values()].toSorted((a, b) => a - b);
    expect(known.size).toBe(played.length);
    expect(late[Math.floor(late.length / 2)]).toBeLessThan(0.06);
  });

  it('hears nothing in silence, hiss and talk', () => {
    expect(hearNotes(new Float32Array(44_100), 22_050).notes).toEqual([]);
    const far = [{ onset: 0, duration: 12, midi: 20 }];
    for (const surroundings of ['hiss', 'counting along', 'chair'] as const)
      expect(
        hearNotes(recordingOf(far, { ...PLAIN_RECORDING, surroundings }).samples, PLAIN_RECORDING.rate).notes,
      ).toEqual([]);
  });

  it('measures the tuning of the whole', () => {
    for (const tuning of [-40, -15, 30, 45])
      expect(
        hearNotes(recordingOf(STILE_NOTES, { ...PLAIN_RECORDING, tuning }).samples, PLAIN_RECORDING.rate).tuning,
      ).toBeCloseTo(tuning, -1);
  });

  it('takes sound faster than 48,000 samples a second', () => {
    const { samples, played } = recordingOf(STILE_NOTES, { ...PLAIN_RECORDING, rate: 96_000 });
    expect(hearNotes(samples, 96_000).notes.map(({ midi }) => midi)).toEqual(played.map(({ midi }) => midi));
  });
});

describe('a spectrum', () => {
  it('holds the power of a sine in its bin', () => {
    const size = 256;
    const spectrum = new PowerSpectrum(size);
    for (const bin of [0, 1, 17, 100, 128]) {
      spectrum.measure(Float64Array.from({ length: size }, (_, at) => Math.cos((2 * Math.PI * bin * at) / size)));
      const loudest = spectrum.power.indexOf(Math.max(...spectrum.power));
      expect(loudest).toBe(bin);
      expect(spectrum.power[bin]).toBeCloseTo(bin === 0 || bin === size / 2 ? size ** 2 : (size / 2) ** 2, 3);
    }
  });

  it('is that of the plain sum over all samples', () => {
    const random = seeded(3);
    const frame = Float64Array.from({ length: 64 }, () => random() - 0.5);
    const spectrum = new PowerSpectrum(64);
    spectrum.measure(frame);
    for (let bin = 0; bin <= 32; bin++) {
      let [re, im] = [0, 0];
      for (const [at, value] of frame.entries()) {
        re += value * Math.cos((2 * Math.PI * bin * at) / 64);
        im -= value * Math.sin((2 * Math.PI * bin * at) / 64);
      }
      expect(spectrum.power[bin]).toBeCloseTo(re ** 2 + im ** 2, 9);
    }
  });
});
