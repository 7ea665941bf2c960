import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage } from '../../testing/fake-server.ts';
import { outlookOf, timesAsMany } from './outlook.ts';
import PlanPage from './PlanPage.vue';
import { unitPlan } from '@escalier/core/classes';
import { wayWords } from './unit-words.ts';

afterEach(() => {
  vi.unstubAllGlobals();
  clearPage();
});

const steps = [
  step(1, { lessons: 3, rise: { total: 5, parts: [] }, newNotes: ['B4'] }),
  step(2, { lessons: 3, rise: { total: 1, parts: [] } }),
  step(3, { lessons: 6, rise: { total: 5, parts: [] }, newNotes: ['A4'] }),
];
const page = classPage({ steps, pupils: ['Ann', 'Ben', 'Cy', 'Di'].map((name) => pupilView(name)) });

describe('the plan of a unit', () => {
  it('says what would bring it in where it does not fit', () => {
    const ways = unitPlan(page).ways.map((way) => wayWords(way, steps));
    expect(ways).toContain('Leave out “Tune 2”, which brings nothing new');
  });

  it('shows it, and asks before a lesson is lost', async () => {
    const asked = fakeServer({
      'GET /api/classes/c': () => page,
      'GET /api/classes': () => [],
      'GET /api/calendar/c': () => ({ groups: [], lostHere: [{ date: '2026-03-02', reason: 'trip' }] }),
      'PUT /api/calendar/c/lost': () => ({ isLost: true }),
    });
    const { wrapper } = await openPage(PlanPage, { classId: 'c' });
    await flushPromises();
    expect(wrapper.text()).toContain('lessons short');
    await wrapper.get('[aria-label="Cancel lesson 2"]').trigger('click');
    await flushPromises();
    const dialog = document.querySelector('.modal')!;
    expect(dialog.textContent).toContain('No lesson on');
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
    const put = () => asked.findLast((each) => each.method === 'PUT')!.body;
    expect(put()).toEqual({ date: page.lessons.all[1]!.date, reason: '', isLost: true });
    const held = wrapper.findAll('button').find((button) => button.text() === 'Restore')!;
    await held.trigger('click');
    await flushPromises();
    expect(put()).toEqual({ date: '2026-03-02', reason: '', isLost: false });
  });

  it('moves the end of a step by keys, and says what moves with it', async () => {
    const ofStep = (id: string, lessons: number) => ({
      id,
      belt: 'white',
      lessons,
      toPass: 1,
      results: 0,
      starters: 0,
      passRule: { tempo: null, slips: null, lookFor: [] },
      tunes: [{ id: `${id}t`, title: id, role: 'main' }],
    });
    const asked = fakeServer({
      'GET /api/classes/c': () => page,
      'GET /api/classes': () => [],
      'GET /api/calendar/c': () => ({ groups: [], lostHere: [] }),
      [`GET /api/staircases/${page.staircaseId}`]: () => ({
        id: page.staircaseId,
        name: 'Up',
        noteOrder: [],
        version: 4,
        steps: steps.map(({ id, lessons }) => ofStep(id, lessons)),
      }),
      [`PUT /api/staircases/${page.staircaseId}`]: () => ({}),
    });
    const { wrapper } = await openPage(PlanPage, { classId: 'c' });
    await flushPromises();
    const first = '[aria-label="Step 1 ends here: drag, or use the up and down arrows"]';
    await wrapper.get(first).trigger('keydown', { key: 'ArrowUp' });
    await flushPromises();
    const put = asked.findLast((each) => each.method === 'PUT')!.body as {
      version: number;
      steps: { lessons: number }[];
    };
    expect(put.version).toBe(4);
    expect(put.steps.map(({ lessons }) => lessons)).toEqual([2, 3, 6]);
  });
});

describe('the outlook', () => {
  it('is better with rows than one by one, and says nothing of an empty class', () => {
    expect(timesAsMany(page, 'now')).toBe(1);
    expect(timesAsMany(page, 'rows')).toBeGreaterThanOrEqual(1);
    expect(outlookOf(classPage({ steps, pupils: [] }), [null])).toBeNull();
  });
});
