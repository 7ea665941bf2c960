import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { fakeServer, openPage } from '../../testing/fake-server.ts';
import { outlookOf, timesAsMany } from './outlook.ts';
import PlanPage from './PlanPage.vue';
import { unitPlan, wayWords } from './unit.ts';

afterEach(() => {
  vi.unstubAllGlobals();
  document.body.innerHTML = '';
});

const steps = [
  step(1, { lessons: 3, rise: { total: 5, parts: [] }, newNotes: ['B4'] }),
  step(2, { lessons: 3, rise: { total: 1, parts: [] } }),
  step(3, { lessons: 6, rise: { total: 5, parts: [] }, newNotes: ['A4'] }),
];
const page = classPage({ steps, pupils: ['Ann', 'Ben', 'Cy', 'Di'].map((name) => pupilView(name)) });

describe('the plan of a unit', () => {
  it('says what each lesson holds, and what the term has no room for', () => {
    const plan = unitPlan(page);
    expect(plan.lessons).toHaveLength(page.lessons.all.length);
    expect(plan.lessons[0]).toMatchObject({ part: 'first', step: { position: 1 } });
    expect(plan.lessons[2]).toMatchObject({ part: 'hearing' });
    expect(plan.missing).toBe(12 - page.lessons.all.length);
    expect(plan.ways.map((way) => wayWords(way, steps))).toContain('Leave out “Tune 2”, which brings nothing new');
  });

  it('shows it, and asks before a lesson is lost', async () => {
    const asked = fakeServer({
      'GET /api/classes/c': () => page,
      'GET /api/classes': () => [],
      'PUT /api/calendar/c/lost': () => null,
    });
    const { wrapper } = await openPage(PlanPage, { classId: 'c' });
    await flushPromises();
    expect(wrapper.text()).toContain('lessons are missing');
    await wrapper.get('[aria-label="Lesson 2 is lost"]').trigger('click');
    await flushPromises();
    const dialog = document.querySelector('.modal')!;
    expect(dialog.textContent).toContain('No lesson on');
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(asked.find((each) => each.method === 'PUT')!.body).toEqual({
      date: page.lessons.all[1]!.date,
      reason: '',
      isLost: true,
    });
  });
});

describe('the outlook', () => {
  it('is better with rows than one by one, and says nothing of an empty class', () => {
    expect(timesAsMany(page, 'now')).toBe(1);
    expect(timesAsMany(page, 'rows')).toBeGreaterThanOrEqual(1);
    expect(outlookOf(classPage({ steps, pupils: [] }), [], 'now')).toBeNull();
  });
});
