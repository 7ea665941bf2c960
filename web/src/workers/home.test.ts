// @vitest-environment node
import { FIRST_DAY } from '@escalier/core/home';
import { describe, expect, it } from 'vitest';
import { homeParts, type HomeSource } from './home.ts';

const tune = (title: string, body: string) => `X:1\nT:${title}\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\n${body}\n`;
const source: HomeSource = {
  instrumentId: 'soprano-recorder-baroque',
  now: 1,
  naming: 'letters',
  chunkBeats: 4,
  progress: FIRST_DAY,
  loved: [],
  day: 2,
  tunes: [
    { abc: tune('Lanterns', 'B A G2|B A G2|]'), passed: true },
    { abc: tune('Goose', 'B A G2|A E A E|A B A G|G4|]'), passed: false },
  ],
  known: { notes: ['G4', 'A4', 'B4'], elements: ['note quarter'], signs: [], moves: [] },
  task: null,
};

describe('the parts of a day', () => {
  it('are said in words, with their music and who plays when', () => {
    const parts = homeParts(source)!;
    expect(parts.map(({ kind }) => kind)).toEqual(['warm-up', 'hard-spot', 'piece', 'whole', 'old']);
    const [warmUp, hard, piece, whole, old] = parts;
    expect(warmUp!.turns!.map(({ who }) => who)).toEqual(warmUp!.turns!.map((_, at) => (at % 2 ? 'class' : 'teacher')));
    expect(hard).toMatchObject({ title: expect.stringMatching(/ to /) as string, turns: null, tune: null });
    expect(hard!.say).toMatch(/^[A-Z].*\. Finger it silently/);
    expect(piece).toMatchObject({ title: 'Goose, bar 1', bars: [0, 0], tune: 1 });
    expect(piece!.turns).toMatchObject([
      { from: 'n0-0-0', to: 'n0-0-2', who: 'teacher' },
      { from: 'n0-0-0', to: 'n0-0-2', who: 'class' },
    ]);
    expect([whole!.title, old!.title]).toEqual(['Goose', 'Lanterns']);
  });

  it('have the bars that the teacher set, by their printed numbers', () => {
    const parts = homeParts({ ...source, task: { tune: 1, bars: [2, 3], tempo: 50 } })!;
    expect(parts.find(({ kind }) => kind === 'task')).toMatchObject({ bars: [1, 2], tempo: 50 });
  });

  it('are none where something cannot be read', () => {
    expect(homeParts({ ...source, instrumentId: 'horn' })).toBeNull();
    expect(homeParts({ ...source, tunes: [{ abc: 'no tune', passed: false }] })).toBeNull();
  });
});
