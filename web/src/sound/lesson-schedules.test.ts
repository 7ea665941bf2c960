// @vitest-environment node
import { instrument } from '@escalier/core/instruments';
import { midiNumber, pitch } from '@escalier/core/music';
import { echoPatterns, echoTurns, type EchoPattern } from '@escalier/core/practice';
import { describe, expect, it } from 'vitest';
import {
  beatOf,
  echoSchedule,
  notesSchedule,
  risingTempi,
  TOGGLE_NOTES,
  toggleSchedule,
  walkSchedule,
} from './lesson-schedules.ts';

const recorder = instrument('soprano-recorder-baroque');
const patterns: readonly EchoPattern[] = echoPatterns({
  on: recorder,
  notes: ['B4', 'A4', 'G4'].map(pitch),
  newNote: pitch('G4'),
  elements: new Set(['note quarter', 'note half']),
  perGrade: 2,
  seed: 3,
}).patterns.slice(0, 2);

describe('echo', () => {
  const turns = echoTurns([0, 1], false);
  const schedule = echoSchedule(patterns, turns, 60, 12);

  it('counts four in, then turn follows turn without a gap', () => {
    expect(schedule.lead).toBe(4);
    expect(schedule.length).toBe(4 + 8 * 4);
    expect(schedule.clicks).toHaveLength(36);
    expect(schedule.clicks.filter((click) => click.strong).map((click) => click.at)).toEqual([
      0, 4, 8, 12, 16, 20, 24, 28, 32,
    ]);
  });

  it('sounds in the teacher’s turns only', () => {
    const turnOf = (at: number): number => Math.floor((at - 4) / 4);
    expect([...new Set(schedule.notes.map((note) => turnOf(note.at)))]).toEqual([0, 2, 4, 6]);
    const written = patterns[0]!.events.filter((event) => event.kind === 'note').length;
    expect(schedule.notes.filter((note) => turnOf(note.at) === 0)).toHaveLength(written);
    expect(schedule.notes[0]!.midi).toBe(midiNumber(pitch('G4')) + 12);
  });

  it('tells the picture each beat and whose turn it is', () => {
    expect(schedule.cues.map((cue) => beatOf(cue.id)).slice(0, 6)).toEqual([
      { turn: -1, beat: 1 },
      { turn: -1, beat: 2 },
      { turn: -1, beat: 3 },
      { turn: -1, beat: 4 },
      { turn: 0, beat: 1 },
      { turn: 0, beat: 2 },
    ]);
  });

  it('is silent when the class reads alone, and scales with the tempo', () => {
    const read = echoSchedule(patterns, echoTurns([0, 1], true), 120, 12);
    expect(read.notes).toEqual([]);
    expect(read.length).toBe(2 + 2 * 2);
  });
});

describe('to and fro', () => {
  it('rises from tempo to tempo without a stop', () => {
    const schedule = toggleSchedule([pitch('A4'), pitch('E4')], [60, 120], 12);
    expect(schedule.notes).toHaveLength(2 * TOGGLE_NOTES);
    expect(schedule.notes.slice(0, 3).map((note) => note.midi)).toEqual([81, 76, 81]);
    expect(schedule.notes[1]!.at - schedule.notes[0]!.at).toBe(1);
    expect(schedule.notes[TOGGLE_NOTES + 1]!.at - schedule.notes[TOGGLE_NOTES]!.at).toBe(0.5);
    expect(schedule.length).toBe(4 + 8 + 4);
    expect(beatOf(schedule.cues[TOGGLE_NOTES]!.id)).toEqual({ turn: 1, beat: 1 });
  });

  it('rises evenly', () => {
    expect(risingTempi(54, 94, 5)).toEqual([54, 64, 74, 84, 94]);
    expect(risingTempi(54, 94, 1)).toEqual([94]);
  });
});

it('walks a beat a note, and plays notes to compare a second each', () => {
  const walk = walkSchedule(['B4', 'A4', 'B4'].map(pitch), 60, 0);
  expect(walk.notes.map((note) => note.at)).toEqual([4, 5, 6]);
  const compared = notesSchedule(['G4', 'E4'].map(pitch), 12);
  expect(compared.notes.map((note) => [note.at, note.midi])).toEqual([
    [0, 79],
    [1, 76],
  ]);
  expect(compared.clicks).toEqual([]);
});
