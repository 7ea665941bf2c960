// @vitest-environment node
import { describe, expect, it } from 'vitest';
import {
  addTune,
  beltsInOrder,
  contentOf,
  insertStep,
  mergeWithNext,
  moveStep,
  removeStep,
  removeTune,
  setLessons,
  splitStep,
  takeTune,
  type Changed,
  type Draft,
  type DraftStep,
} from './draft.ts';
import { notesTyped } from '../../ui/typed-notes.ts';
import { shareLessons, stepsIn } from './use-proposal.ts';

const step = (name: string, more: Partial<DraftStep> = {}): DraftStep => ({
  key: name,
  id: name,
  belt: 'straw',
  lessons: 3,
  toPass: 1,
  results: 0,
  starters: 0,
  passRule: { tempo: null, slips: null, lookFor: [] },
  tunes: [{ id: `${name}-tune`, title: name, role: 'main' }],
  ...more,
});
const draft = (...steps: DraftStep[]): Draft => ({ name: 'Mine', noteOrder: ['B4'], steps });
const three = draft(step('one'), step('two', { results: 4 }), step('three', { starters: 1 }));
const done = (changed: Changed): Draft => {
  if (!changed.ok) throw new Error(changed.error);
  return changed.value;
};
const why = (changed: Changed): string => (changed.ok ? '' : changed.error);
const names = ({ steps }: Draft): string => steps.map((step) => step.tunes[0]!.title).join(' ');
const tune = { id: 'lark', title: 'Lark' };

describe('changing a staircase', () => {
  it('moves steps, and nothing past the ends', () => {
    expect(names(done(moveStep(three, 0, 2)))).toBe('two three one');
    expect(done(moveStep(three, 0, 3))).toBe(three);
    expect(done(moveStep(three, 1, -1))).toBe(three);
  });

  it('widens a tread within reason', () => {
    expect(done(setLessons(three, 0, 5)).steps[0]!.lessons).toBe(5);
    expect(done(setLessons(three, 0, 0)).steps[0]!.lessons).toBe(1);
    expect(done(setLessons(three, 0, 99)).steps[0]!.lessons).toBe(60);
  });

  it('inserts a step with a belt that is free', () => {
    const inserted = done(insertStep(three, 1, tune, 2));
    expect(names(inserted)).toBe('one Lark two three');
    expect(inserted.steps[1]).toMatchObject({ id: null, belt: 'moss', lessons: 2 });
    const full = draft(...Array.from({ length: 40 }, (_, index) => step(String(index))));
    expect(why(insertStep(full, 0, tune, 2))).toContain('at most 40');
  });

  it('removes a step, but not one that results or pupils hang on, and says what to do instead', () => {
    expect(names(done(removeStep(three, 0)))).toBe('two three');
    expect(why(removeStep(three, 1))).toBe(
      'Step 2, “two”, has 4 results. Move it instead of removing it, or edit a copy of the staircase.',
    );
    expect(why(removeStep(three, 2))).toContain('is where a pupil starts');
    expect(why(removeStep(draft(step('only')), 0))).toContain('needs a step');
  });

  it('exchanges a tune, adds others and takes them off', () => {
    expect(done(takeTune(three, 0, tune)).steps[0]!.tunes).toEqual([{ ...tune, role: 'main' }]);
    expect(why(takeTune(three, 1, tune))).toContain('as a choice beside it');
    const both = done(addTune(three, 0, { ...tune, role: 'choice' }));
    expect(both.steps[0]!.tunes.map((tune) => tune.role)).toEqual(['main', 'choice']);
    expect(why(addTune(both, 0, { ...tune, role: 'extra' }))).toContain('already at step 1');
    expect(done(removeTune(both, 0, 'lark')).steps[0]!.tunes).toHaveLength(1);
    expect(done(removeTune(both, 0, 'one-tune')).steps[0]!.tunes).toHaveLength(2);
    expect(why(removeTune(three, 1, 'lark'))).toContain('stays there');
  });

  it('splits a step of two tunes and merges two steps', () => {
    const both = done(addTune(three, 0, { ...tune, role: 'choice' }));
    const split = done(splitStep(both, 0));
    expect(names(split)).toBe('one Lark two three');
    expect(split.steps.slice(0, 2).map((step) => step.lessons)).toEqual([2, 1]);
    expect(why(splitStep(three, 0))).toContain('several tunes');
    const merged = done(mergeWithNext(split, 0));
    expect(merged.steps[0]).toMatchObject({ lessons: 3, tunes: [{ title: 'one' }, { title: 'Lark', role: 'choice' }] });
    expect(why(mergeWithNext(three, 0))).toContain('has 4 results');
    expect(why(mergeWithNext(three, 2))).toContain('no step after');
  });

  it('gives belts in their order, and sends what the server knows', () => {
    expect(done(beltsInOrder(three)).steps.map((step) => step.belt)).toEqual(['straw', 'moss', 'slate']);
    expect(contentOf(three).steps[1]).toEqual({
      id: 'two',
      belt: 'straw',
      lessons: 3,
      toPass: 1,
      passRule: { tempo: null, slips: null, lookFor: [] },
      tunes: [{ id: 'two-tune', role: 'main' }],
    });
  });
});

describe('what a proposal asks', () => {
  it('reads notes as they are typed', () => {
    expect(notesTyped("B A, G4 F# C' Bb")).toEqual({ notes: ['B4', 'A4', 'G4', 'F#4', 'C5', 'Bb4'], wrong: null });
    expect(notesTyped('F♯ C′').notes).toEqual(['F#4', 'C5']);
    expect(notesTyped('B A H').wrong).toBe('H');
    expect(notesTyped('B B').notes).toEqual(['B4']);
  });

  it('plans three lessons a step, or two where notes are many', () => {
    expect(stepsIn(27, 8)).toBe(9);
    expect(stepsIn(16, 8)).toBe(8);
    expect(stepsIn(3, 8)).toBe(2);
  });

  it('shares out all lessons by what steps need', () => {
    const shared = shareLessons([7, 4, 4, 4], 13);
    expect(shared.reduce((sum, each) => sum + each, 0)).toBe(13);
    expect(shared[0]).toBeGreaterThan(shared[1]!);
    expect(shareLessons([7, 4], 1)).toEqual([1, 1]);
  });
});
