// @vitest-environment node
import { readAbc } from '@escalier/core/formats';
import { describe, expect, it } from 'vitest';
import { playbackOf } from '../workers/playback.ts';
import { scheduleOf, turnOfCue, turnsSchedule } from './schedule.ts';

function playback(body: string) {
  const read = readAbc(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=60\nK:G\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return playbackOf(read.value.tune, read.value.tune.tempo!, 12);
}

const GOOSE = playback('B A G2|A B A G|E4|]');

it('plays a piece turn by turn without a gap: only the teacher sounds, and both are clicked', () => {
  const piece = { from: 'n0-1-0', to: 'n0-1-3' };
  const schedule = turnsSchedule(GOOSE, [
    { ...piece, perMinute: 60, who: 'teacher' },
    { ...piece, perMinute: 60, who: 'class' },
    { ...piece, perMinute: 120, who: 'together' },
  ]);
  expect(schedule.lead).toBe(4);
  expect(schedule.length).toBe(14);
  expect(schedule.notes.map((note) => note.at)).toEqual([4, 5, 6, 7, 12, 12.5, 13, 13.5]);
  expect(schedule.clicks.map((click) => click.at).slice(4)).toEqual([4, 5, 6, 7, 8, 9, 10, 11, 12, 12.5, 13, 13.5]);
  expect(schedule.cues.map((cue) => turnOfCue(cue.id)).filter(({ turn }) => turn === 1)).toHaveLength(4);
});

it('plays from any note to the end', () => {
  const schedule = scheduleOf(GOOSE, { bars: null, from: 'n0-1-2', perMinute: 60, countIn: false });
  expect(schedule.notes.map((note) => note.midi)).toEqual([81, 79, 76]);
  expect(schedule.length).toBe(6);
});

it('joins slurred notes, and sounds a staccato note for half of its time', () => {
  const [slurred, joined, short] = scheduleOf(playback('(B A) .G2|G4|]'), {
    bars: null,
    perMinute: 60,
    countIn: false,
  }).notes;
  expect(slurred!.seconds).toBe(1);
  expect(joined!.seconds).toBeLessThan(1);
  expect(short!.seconds).toBeLessThan(1.01);
});

it('sounds tied notes as one', () => {
  const { notes } = scheduleOf(playback('B4-|B2 A2|]'), { bars: null, perMinute: 60, countIn: false });
  expect(notes.map((note) => Math.round(note.seconds))).toEqual([6, 2]);
});

describe('a section that comes again', () => {
  const twice = playback('|:G4|A4:|B4|]');
  const sounding = (repeats: 'play' | 'clap-first' | 'teacher-first') =>
    scheduleOf(twice, { bars: null, perMinute: 60, countIn: false, repeats }).notes.map(
      ({ at, midi }) => `${midi}@${at}`,
    );

  it('sounds every time, or only where the class does not clap or play it alone', () => {
    expect(sounding('play')).toEqual(['79@0', '81@4', '79@8', '81@12', '83@16']);
    expect(sounding('clap-first')).toEqual(['79@8', '81@12', '83@16']);
    expect(sounding('teacher-first')).toEqual(['79@0', '81@4', '83@16']);
  });

  it('is clicked and shown all the same, and sounds in a loop', () => {
    const { cues, clicks } = scheduleOf(twice, { bars: null, perMinute: 60, countIn: false, repeats: 'clap-first' });
    expect(cues).toHaveLength(5);
    expect(clicks).toHaveLength(20);
    const loop = scheduleOf(twice, { bars: [0, 1], perMinute: 60, countIn: false, repeats: 'clap-first' });
    expect(loop.notes).toHaveLength(2);
  });
});
