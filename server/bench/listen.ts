import { readFileSync } from 'node:fs';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { hearNotes, tuneScore } from '@escalier/core/listening';
import { recordingOf, SURROUNDINGS, type Recording } from '@escalier/core/testing';
import { PitchDetector } from 'pitchy';
import { medians, type Benchmark } from './harness.ts';

interface Note {
  /** Seconds. */
  readonly onset: number;
  readonly cents: number;
}

/** A tune on a recorder and a whistle in all surroundings, with faults. */
function recordings(): readonly Recording[] {
  const text = readFileSync(new URL('../../demo/tunes/goose-walk.abc', import.meta.url), 'utf8');
  const read = readAbc(text);
  if (!read.ok) throw new Error('a benchmark tune does not read');
  const { notes, tempo } = tuneScore(read.value.tune, instrument('soprano-recorder-baroque'));
  return SURROUNDINGS.map((surroundings, index) =>
    recordingOf(notes, {
      seed: index + 1,
      rate: 44_100,
      voice: index % 2 === 0 ? 'recorder' : 'whistle',
      tempo,
      tuning: 10,
      surroundings,
      wrong: 1,
    }),
  );
}

function ours({ samples, rate }: Recording): readonly Note[] {
  return hearNotes(samples, rate)
    .notes.filter(({ isFaint }) => !isFaint)
    .map(({ onset, midi, cents }) => ({ onset, cents: midi * 100 + cents }));
}

const WINDOW = 2048;
const HOP = 512;
const CLEAR = 0.9;
const SHORTEST = 0.06;

/** Pitchy on frames of 2,048; frames that agree within 60 cents are a note, as is what follows on a fall of the level by half. */
function pitchys({ samples, rate }: Recording): readonly Note[] {
  const detector = PitchDetector.forFloat32Array(WINDOW);
  const notes: Note[] = [];
  let open: { onset: number; cents: number[]; loudest: number } | null = null;
  const close = (): void => {
    if (open !== null && (open.cents.length * HOP) / rate > SHORTEST)
      notes.push({ onset: open.onset, cents: open.cents.toSorted((a, b) => a - b)[open.cents.length >> 1]! });
    open = null;
  };
  for (let at = 0; at + WINDOW <= samples.length; at += HOP) {
    const frame = samples.subarray(at, at + WINDOW);
    const [hertz, clarity] = detector.findPitch(frame, rate);
    const level = Math.hypot(...frame.subarray(WINDOW / 4, (3 * WINDOW) / 4));
    const cents = 6900 + 1200 * Math.log2(hertz / 440);
    if (clarity < CLEAR || hertz < 300 || hertz > 3000) {
      close();
      continue;
    }
    if (open !== null && (Math.abs(open.cents.at(-1)! - cents) > 60 || level < open.loudest / 2)) close();
    open ??= { onset: (at + WINDOW / 2) / rate, cents: [], loudest: 0 };
    open.cents.push(cents);
    open.loudest = Math.max(open.loudest * 0.98, level);
  }
  close();
  return notes;
}

/** Harmonic mean of what was found of the notes and what of the found is a note: within 100 ms and 50 cents. */
function f1(recording: Recording, found: readonly Note[]): number {
  const left = [...found];
  let right = 0;
  for (const { onset, midi, cents } of recording.played) {
    const at = left.findIndex(
      (note) => Math.abs(note.onset - onset) <= 0.1 && Math.abs(note.cents - midi * 100 - cents) <= 50,
    );
    if (at < 0) continue;
    left.splice(at, 1);
    right++;
  }
  return (200 * right) / (recording.played.length + found.length);
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

export const listening: readonly Benchmark[] = [
  {
    name: 'listen',
    unit: 'seconds of work a second of sound',
    peer: 'pitchy over the same samples, frames of 2,048 every 512',
    measure: async () => {
      const made = recordings();
      const seconds = made.reduce((sum, { samples, rate }) => sum + samples.length / rate, 0);
      const { value, peerValue } = await medians(
        () => made.map(ours),
        () => made.map(pitchys),
        { rounds: 3, warmup: 1 },
      );
      return { value: value / 1000 / seconds, peerValue: peerValue / 1000 / seconds };
    },
  },
  {
    name: 'listen-notes',
    unit: '% F1 of the notes of twelve made recordings',
    peer: 'pitchy over the same samples',
    measure: () => {
      const made = recordings();
      return {
        value: mean(made.map((recording) => f1(recording, ours(recording)))),
        peerValue: mean(made.map((recording) => f1(recording, pitchys(recording)))),
      };
    },
  },
];
