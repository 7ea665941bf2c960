import '../../testing/own-database.ts';
import type { HeardEvent } from '@escalier/core/records';
import { DOMWrapper, flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Component } from 'vue';
import type { ClassView } from '../classes/index.ts';
import { useOutbox } from '../../offline/index.ts';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { fakeServer, openPage } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import BoardPage from './BoardPage.vue';
import PupilPage from './PupilPage.vue';
import { eventually } from '../../testing/eventually.ts';

vi.mock('../../workers/planning.ts', () => import('../../testing/planning-here.ts'));

const pupil = (name: string) => pupilView(name, { id: name.toLowerCase(), joinedOn: '2026-02-02' });

const PAGE: ClassView = classPage({
  today: '2026-03-05',
  pupils: [pupil('Ann'), pupil('Ben')],
  steps: [step(1, { hardMoves: [{ from: 'A4', to: 'E4', cost: 3 }], newNotes: ['E4'] }), step(2), step(3)],
});

const NEARLY: HeardEvent = {
  kind: 'heard',
  id: '019cb2c5-0000-7000-8000-000000000001',
  pupilId: 'ann',
  stepId: 'step-1',
  outcome: 'nearly',
  remarks: ['leak'],
  heardAt: '2026-03-03T09:10:00.000Z',
  receipt: { number: 1, deviceAhead: 10_800 },
};

interface SentEvent {
  readonly kind: string;
  readonly id: string;
}
/** What the school has, in order: what is sent again is taken once. */
let sent: readonly SentEvent[];
function take(events: readonly SentEvent[]): void {
  sent = [...sent, ...events.filter(({ id }) => sent.every((known) => known.id !== id))];
}

beforeEach(() => {
  sent = [];
  fakeServer({
    'GET /api/classes/c': () => PAGE,
    'GET /api/classes/c/records': () => ({ records: [NEARLY], last: 1 }),
    'GET /api/school/remarks': () => ({ remarks: [{ id: 'leak', words: 'Leak', remedy: 'Flat pads.' }] }),
    'POST /api/hearing/events': ({ body }) => {
      const { events } = body as { events: readonly SentEvent[] };
      take(events);
      return { results: events.map(({ id }, index) => ({ id, number: index + 2, stored: true })) };
    },
  });
});
afterEach(async () => {
  await useOutbox().leave();
  vi.unstubAllGlobals();
});

async function opened(page: Component, props: Record<string, string>) {
  const { wrapper } = await openPage(page, { classId: 'c', ...props });
  await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
  await eventually(() => expect(wrapper.text()).toContain('Ann'));
  return wrapper;
}

describe('the board', () => {
  it('marks several as passed today by one press', async () => {
    const wrapper = await opened(BoardPage, {});
    for (const name of ['Ann', 'Ben']) await wrapper.get(`input[aria-label="Mark ${name} on step 1"]`).setValue(true);
    expect(wrapper.get('[aria-label="Marked cells"]').text()).toContain('2 marked');
    await wrapper.findAll('[aria-label="Marked cells"] button')[0]!.trigger('click');
    await eventually(() => expect(sent.map((event) => event.kind)).toEqual(['heard', 'heard']));
    expect(wrapper.get('[data-cell="1.0"]').attributes('aria-label')).toContain('passed on');
  });

  it('moves by keys, marks by Space, and opens what was heard by Enter', async () => {
    const wrapper = await opened(BoardPage, {});
    await wrapper.get('[data-cell="0.0"]').trigger('keydown', { key: 'ArrowRight' });
    expect(wrapper.get('[data-cell="0.1"]').attributes('tabindex')).toBe('0');
    await wrapper.get('[data-cell="0.1"]').trigger('keydown', { key: ' ' });
    expect(wrapper.get('[aria-label="Marked cells"]').text()).toContain('1 marked');
    await wrapper.get('[data-cell="0.0"]').trigger('keydown', { key: 'Enter' });
    const card = wrapper.get('section[aria-label^="Ann, step 1"]');
    expect(card.text()).toContain('The device’s clock was 3 hours ahead.');
    await wrapper.get('[data-cell="0.0"]').trigger('keydown', { key: 'Escape' });
    expect(wrapper.find('[aria-label="Marked cells"]').exists()).toBe(false);
  });

  it('corrects a record with a reason, and takes one back', async () => {
    const wrapper = await opened(BoardPage, {});
    await wrapper.get('[data-cell="0.0"]').trigger('click');
    await press('Correct');
    await wrapper.get('select[aria-label="It was"]').setValue('passed');
    await wrapper.get('input[aria-label="Why?"]').setValue('A slip of the finger');
    await wrapper.get('li form').trigger('submit');
    await eventually(() => expect(wrapper.text()).toContain('Corrected: A slip of the finger'));
    await press('Take back …');
    const dialog = document.querySelector('.modal')!;
    expect(dialog.textContent).toContain('The correction goes');
    await new DOMWrapper(dialog.querySelector('input')).setValue('It was right');
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    await eventually(() => expect(sent.map((event) => event.kind)).toEqual(['heard', 'undone']));
    expect(sent[1]).toMatchObject({ reason: 'It was right' });
    expect(sent[0]).toMatchObject({ corrects: NEARLY.id, reason: 'A slip of the finger', outcome: 'passed' });
  });
});

describe('a result that was taken back', () => {
  it('stands in the list with its reason, and is restored as it was', async () => {
    const undone = { kind: 'undone', id: 'u', pupilId: 'ann', undoes: NEARLY.id, reason: 'It was Ben' };
    fakeServer({
      'GET /api/classes/c': () => PAGE,
      'GET /api/classes/c/records': () => ({ records: [NEARLY, undone], last: 2 }),
      'GET /api/school/remarks': () => ({ remarks: [] }),
      'POST /api/hearing/events': ({ body }) => {
        const { events } = body as { events: readonly SentEvent[] };
        take(events);
        return { results: events.map(({ id }, index) => ({ id, number: index + 3, stored: true })) };
      },
    });
    const wrapper = await opened(PupilPage, { pupilId: 'ann' });
    await eventually(() => expect(wrapper.get('[aria-label="Taken back"]').text()).toContain('It was Ben'));
    await press('Restore');
    await eventually(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ outcome: 'nearly', heardAt: NEARLY.heardAt, remarks: ['leak'] });
    await eventually(() => expect(wrapper.find('[aria-label="Taken back"]').exists()).toBe(false));
  });
});

describe('a pupil’s page', () => {
  it('tells what was heard, what to practise, and writes to the family', async () => {
    const wrapper = await opened(PupilPage, { pupilId: 'ann' });
    await flushPromises();
    expect(wrapper.get('.heard').text()).toContain('Nearly');
    expect(wrapper.text()).toContain('A and E, back and forth');
    expect(wrapper.text()).toContain('Flat pads.');
    expect(wrapper.text()).toMatch(/\d+ % likely to pass in \d+ lessons?/);
    expect(wrapper.get<HTMLTextAreaElement>('textarea').element.value).toContain('Ann is on the first of 3 steps.');
  });

  it('says when the pupil is not in the class', async () => {
    const { wrapper } = await openPage(PupilPage, { classId: 'c', pupilId: 'nobody' });
    await eventually(() => expect(wrapper.text()).toContain('This pupil is not in the class.'));
  });
});
