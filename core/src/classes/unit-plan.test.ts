import { describe, expect, it } from 'vitest';
import type { LocalDate } from '../calendar/index.ts';
import {
  besideOf,
  heardInLesson,
  lessonsUntil,
  unitPlan,
  waysLevel,
  type PlannableClass,
  type PlannableStep,
} from './unit-plan.ts';

const step = (position: number, lessons: number, total: number, newNotes: readonly string[] = []): PlannableStep => ({
  position,
  title: `Tune ${position}`,
  lessons,
  tuneSeconds: 24,
  rise: { total },
  newNotes,
  newElements: [],
  newSigns: [],
});
const steps = [step(1, 3, 5, ['B4']), step(2, 3, 1), step(3, 6, 5, ['A4'])];
const dates = Array.from({ length: 9 }, (_, index): LocalDate => `2026-03-0${index + 1}` as LocalDate);
const page: PlannableClass<PlannableStep> = {
  id: 'c',
  staircaseId: 's',
  today: '2026-03-03',
  steps,
  lessons: { all: dates.map((date) => ({ date })) },
  style: { goOnShare: 70, hearing: { minutes: 10 } },
  pupils: Array.from({ length: 4 }, () => ({ standing: {} })),
  pace: { perLesson: 10 },
  classStep: 0,
};

describe('the plan of a unit', () => {
  it('says what each lesson holds, which are past, and what the term has no room for', () => {
    const plan = unitPlan(page);
    expect(plan.lessons.map(({ date }) => date)).toEqual(dates);
    expect(plan.lessons[0]).toMatchObject({ part: 'first', step: { position: 1 }, isPast: true });
    expect(plan.lessons[2]).toMatchObject({ part: 'hearing', isPast: false });
    expect(plan.missing).toBe(3 + 3 + 6 - dates.length);
  });

  it('leaves out first what brings nothing new', () => {
    expect(unitPlan(page).ways).toContainEqual(expect.objectContaining({ kind: 'drop', step: 1 }));
    expect(unitPlan(page).ways.filter(({ kind, step: which }) => kind === 'drop' && which !== 1)).toEqual([]);
  });

  it('counts the lessons of a step without those for review', () => {
    const { lessons } = unitPlan(page);
    expect(lessonsUntil(lessons, steps[0]!, 4)).toBe(5);
    expect(lessonsUntil(lessons, steps[1]!, 0)).toBe(1);
    const reviewed = lessons.map((lesson, index) => (index === 1 ? { ...lesson, part: 'review' as const } : lesson));
    expect(lessonsUntil(reviewed, steps[0]!, 2)).toBe(2);
  });

  it('hears as many as now in as many minutes, and no fewer in more', () => {
    expect(heardInLesson(page, { kind: 'alone' }, 10)).toBe(10);
    expect(heardInLesson(page, { kind: 'alone' }, 15)).toBeGreaterThanOrEqual(10);
  });
});

describe('parallel groups', () => {
  const group = { id: 'd', name: '4 Otter', staircaseId: 's', dates: dates.slice(1) };

  it('have their days beside the same lessons; the class itself and other stairs stay away', () => {
    const groups = [{ ...group, id: 'c' }, group, { ...group, id: 'e', staircaseId: 'other' }];
    const beside = besideOf(page, { groups });
    expect(beside.map(({ name }) => name)).toEqual(['4 Otter']);
    expect(beside[0]!.days[0]).toBe(group.dates[0]);
  });

  it('are come level with by the smallest changes, or by none', () => {
    const plan = unitPlan(page);
    const [level] = waysLevel(page, plan, 1);
    expect(level!.way.gain).toBeGreaterThanOrEqual(1);
    expect(plan.steps.map((step) => step.to)).toContain(level!.by);
    expect(waysLevel(page, plan, 99)).toEqual([]);
  });
});
