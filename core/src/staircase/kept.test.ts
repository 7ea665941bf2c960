import { describe, expect, it } from 'vitest';
import { keptProblem, staysBecause, type StepBefore } from './kept.ts';

const step = (id: string, more: Partial<StepBefore> = {}): StepBefore => ({
  id,
  results: 0,
  starters: 0,
  tunes: [
    { id: `${id}-main`, title: `Main of ${id}` },
    { id: `${id}-more`, title: `More of ${id}` },
  ],
  ...more,
});
const NONE = new Map<string, readonly string[]>();

describe('what hangs on a step', () => {
  it('keeps it: results before beginners, and nothing where nothing hangs', () => {
    expect(staysBecause({ results: 2, starters: 1 })).toEqual({ code: 'has-results', results: 2 });
    expect(staysBecause({ results: 0, starters: 1 })).toEqual({ code: 'pupil-begins' });
    expect(staysBecause({ results: 0, starters: 0 })).toBeNull();
  });

  it('lets steps move, and new ones come between', () => {
    const before = [step('a', { results: 3 }), step('b', { starters: 1 })];
    expect(keptProblem(before, [before[1]!, { id: null, tunes: [] }, before[0]!], NONE)).toBeNull();
  });

  it('lets no step with results go, and none where a pupil begins', () => {
    const before = [step('a', { results: 3 }), step('b', { starters: 1 })];
    expect(keptProblem(before, [before[1]!], NONE)).toMatchObject({ code: 'has-results', position: 1, results: 3 });
    expect(keptProblem(before, [before[0]!], NONE)).toMatchObject({ code: 'pupil-begins', position: 2 });
  });

  it('keeps the main tune of results, and every tune that a result names', () => {
    const before = [step('a', { results: 1 })];
    const other = [{ ...before[0]!, tunes: before[0]!.tunes.toReversed() }];
    expect(keptProblem(before, other, NONE)).toMatchObject({ code: 'main-tune-stays', title: 'Main of a' });
    const fewer = [{ ...before[0]!, tunes: before[0]!.tunes.slice(0, 1) }];
    expect(keptProblem(before, fewer, NONE)).toBeNull();
    expect(keptProblem(before, fewer, new Map([['a', ['a-more']]]))).toMatchObject({
      code: 'tune-has-results',
      title: 'More of a',
    });
  });
});
