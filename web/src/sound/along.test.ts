// @vitest-environment node
import { GOOSE_WALK } from '@escalier/core/testing';
import { DEFAULT_TEMPO } from '@escalier/core/reading';
import { describe, expect, it } from 'vitest';
import { playedBacking } from '../workers/backing.ts';
import { playbackOf } from '../workers/playback.ts';
import { clickSchedule } from './lesson-schedules.ts';
import { scheduleOf } from './schedule.ts';

const playback = playbackOf(GOOSE_WALK, GOOSE_WALK.tempo ?? DEFAULT_TEMPO, 0);
const backing = playedBacking(GOOSE_WALK, 'march');

describe('a backing in the schedule', () => {
  it('counts in and ends with the tune', () => {
    const { along = [], lead, length } = scheduleOf(playback, { bars: null, perMinute: 120, countIn: true, backing });
    expect(along.some(({ at, voice }) => at < lead && voice === 'drum')).toBe(true);
    expect(along.filter(({ voice }) => voice !== 'drum').every(({ at }) => at >= lead - 1e-9)).toBe(true);
    expect(Math.max(...along.map(({ at, seconds }) => at + seconds))).toBeCloseTo(length, 6);
  });

  it('goes with the bars that are looped, and is not there without a wish', () => {
    const looped = scheduleOf(playback, { bars: [2, 3], perMinute: 120, countIn: false, backing });
    expect(looped.along!.every(({ at }) => at >= 0 && at < looped.length)).toBe(true);
    expect(scheduleOf(playback, { bars: null, perMinute: 120, countIn: true }).along).toEqual([]);
  });
});

describe('time', () => {
  it('does not drift: the six-hundredth beat at 120 is 299.5 seconds after the first', () => {
    const { clicks, length } = clickSchedule(120, 600);
    expect(clicks.at(-1)!.at).toBeCloseTo(299.5, 9);
    expect(length).toBeCloseTo(300, 9);
  });
});
