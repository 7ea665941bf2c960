import { midiNumber, toNumber, valueLength, type Pitch, type TuneEvent } from '@escalier/core/music';
import { ECHO_METRE, type EchoPattern, type EchoTurn } from '@escalier/core/practice';
import { secondsOf, type Beats, type BeatsPerMinute, type Seconds } from '@escalier/core/units';
import { tongued, type Schedule, type SoundingNote } from './schedule.ts';

const BEATS = ECHO_METRE.count;

/** One beat of a lesson at the front: which turn it belongs to, and which beat of it, counted from 1; 0 counts in. */
export interface Beat {
  readonly turn: number;
  readonly beat: number;
}

export function beatId({ turn, beat }: Beat): string {
  return `${turn}.${beat}`;
}

export function beatOf(id: string): Beat {
  const [turn, beat] = id.split('.').map(Number) as [number, number];
  return { turn, beat };
}

/** Four clicks, then turn after turn of four beats without a gap; only the teacher's turns sound. */
export function echoSchedule(
  patterns: readonly EchoPattern[],
  turns: readonly EchoTurn[],
  perMinute: BeatsPerMinute,
  soundsAbove: number,
): Schedule {
  const second = secondsOf(1, perMinute);
  const bar = BEATS * second;
  const lead = bar;
  const starts = turns.map((_, turn) => lead + turn * bar);
  const beats = [-1, ...turns.keys()].flatMap((turn) =>
    Array.from({ length: BEATS }, (_, beat) => ({ turn, beat, at: lead + turn * bar + beat * second })),
  );
  return {
    lead,
    length: lead + turns.length * bar,
    drone: null,
    notes: turns.flatMap(({ pattern, who }, turn) =>
      who === 'class' ? [] : notesOf(patterns[pattern]!.events, starts[turn]!, second, soundsAbove),
    ),
    clicks: beats.map(({ at, beat }) => ({ at, strong: beat === 0 })),
    cues: beats.map(({ turn, beat, at }) => ({ at, id: beatId({ turn, beat: beat + 1 }) })),
  };
}

function notesOf(events: readonly TuneEvent[], start: Seconds, second: Seconds, soundsAbove: number): SoundingNote[] {
  let at = start;
  return events.flatMap((event): SoundingNote[] => {
    const seconds = toNumber(valueLength(event.value)) * ECHO_METRE.unit * second;
    const note = { at, seconds: tongued(seconds), part: 0 };
    at += seconds;
    return event.kind === 'rest' ? [] : [{ ...note, midi: midiNumber(event.pitch) + soundsAbove }];
  });
}

/** Notes of a round, to and fro: two bars of crotchets. */
export const TOGGLE_NOTES = 2 * BEATS;

/** To and fro between two notes, a round at each tempo without a stop; the cue says the round and the note of it. */
export function toggleSchedule(pair: readonly [Pitch, Pitch], tempi: readonly number[], soundsAbove: number): Schedule {
  const lead = secondsOf(BEATS, tempi[0]!);
  let now = lead;
  const notes = tempi.flatMap((perMinute, round) =>
    Array.from({ length: TOGGLE_NOTES }, (_, index) => {
      const second = secondsOf(1, perMinute);
      const at = now;
      now += second;
      return { at, seconds: tongued(second), part: 0, midi: midiNumber(pair[index % 2]!) + soundsAbove, round, index };
    }),
  );
  const countIn = Array.from({ length: BEATS }, (_, beat) => ({ at: (beat * lead) / BEATS, strong: beat === 0 }));
  return {
    lead,
    length: now,
    drone: null,
    notes,
    clicks: [...countIn, ...notes.map(({ at, index }) => ({ at, strong: index % BEATS === 0 }))],
    cues: notes.map(({ at, round, index }) => ({ at, id: beatId({ turn: round, beat: index + 1 }) })),
  };
}

/** Note after note, a beat each, after a count of four; the cue says the place in the walk. */
export function walkSchedule(walk: readonly Pitch[], perMinute: BeatsPerMinute, soundsAbove: number): Schedule {
  const second = secondsOf(1, perMinute);
  const lead = BEATS * second;
  const notes = walk.map((pitch, index) => ({
    at: lead + index * second,
    seconds: tongued(second),
    part: 0,
    midi: midiNumber(pitch) + soundsAbove,
  }));
  return {
    lead,
    length: lead + walk.length * second,
    drone: null,
    notes,
    clicks: Array.from({ length: BEATS + walk.length }, (_, beat) => ({
      at: beat * second,
      strong: beat % BEATS === 0,
    })),
    cues: notes.map(({ at }, index) => ({ at, id: beatId({ turn: 0, beat: index + 1 }) })),
  };
}

/** Tempi that rise evenly in steps that are felt, from slow to the goal. */
export function risingTempi(from: number, to: number, rounds: number): readonly number[] {
  if (rounds === 1) return [to];
  return Array.from({ length: rounds }, (_, round) => Math.round(from + ((to - from) * round) / (rounds - 1)));
}

/** Some notes one after the other, a second each, for hearing where they stand. */
export function notesSchedule(pitches: readonly Pitch[], soundsAbove: number): Schedule {
  return {
    lead: 0,
    length: pitches.length,
    drone: null,
    clicks: [],
    notes: pitches.map((pitch, at) => ({ at, seconds: tongued(1), part: 0, midi: midiNumber(pitch) + soundsAbove })),
    cues: pitches.map((_, at) => ({ at, id: beatId({ turn: 0, beat: at + 1 }) })),
  };
}

/** The beat alone, to be looped: a bar of clicks. */
export function clickSchedule(perMinute: BeatsPerMinute, beats: Beats): Schedule {
  const second = secondsOf(1, perMinute);
  const at = Array.from({ length: beats }, (_, beat) => beat * second);
  return {
    lead: 0,
    length: beats * second,
    drone: null,
    notes: [],
    clicks: at.map((start, beat) => ({ at: start, strong: beat === 0 })),
    cues: at.map((start, beat) => ({ at: start, id: beatId({ turn: 0, beat: beat + 1 }) })),
  };
}
