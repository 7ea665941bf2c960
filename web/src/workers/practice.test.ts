// @vitest-environment node
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { expect, it } from 'vitest';
import { turnsSchedule } from '../sound/schedule.ts';
import { waysInto } from './practice.ts';

const recorder = instrument('soprano-recorder-baroque');

function ways(body: string) {
  const read = readAbc(`X:1\nT:T\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return waysInto(read.value.tune, recorder, NOTHING_KNOWN);
}

it('grows the hard spot round by round, each in silence first, the last ones faster', () => {
  const chain = ways('B A G2|A E A E|G4|]').find(({ label }) => label === 'Hard spot, growing')!;
  expect(chain.turns!.map(({ who }) => who).slice(0, 4)).toEqual(['class', 'together', 'class', 'together']);
  const tempi = chain.turns!.map(({ perMinute }) => perMinute);
  expect(tempi.at(-1)).toBeGreaterThan(tempi[0]!);
  const { notes, cues } = turnsSchedule(chain.playback, chain.turns!);
  // All rounds are shown twice, and sound once.
  expect(cues).toHaveLength(2 * notes.length);
  expect(notes).toHaveLength(chain.playback.notes.length);
});

it('has no chain for a tune without a hard spot, and plays the other ways once through', () => {
  const all = ways('B4|B4|]');
  expect(all.some(({ kind }) => kind === 'chain')).toBe(false);
  expect(all.every(({ turns }) => turns === null)).toBe(true);
});
