import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import { press } from '../../testing/mount.ts';
import TuneFor from './TuneFor.vue';
import { eventually } from '../../testing/eventually.ts';

vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => ({}) }));

const step = (id: string, ...tunes: string[]) => ({
  id,
  position: 1,
  belt: 'straw',
  lessons: 3,
  toPass: 1,
  results: 4,
  starters: 0,
  passRule: { tempo: null, slips: null, lookFor: [] },
  tunes: tunes.map((tune, index) => ({ id: tune, title: tune, abc: '', role: index === 0 ? 'main' : 'choice' })),
});
const stairs = {
  id: 's',
  name: 'From B down',
  instrumentId: 'soprano-recorder-baroque',
  noteOrder: ['B4'],
  version: 7,
  steps: [step('one', 'doorbell'), step('two', 'ladder')],
};
const answers = {
  'GET /api/classes': () => [{ id: 'c', name: '4 Plover' }],
  'GET /api/staircases': () => [{ id: stairs.id, name: stairs.name }],
  'GET /api/staircases/s': () => stairs,
};

beforeEach(() => setActivePinia(createPinia()));
afterEach(() => {
  vi.unstubAllGlobals();
  clearPage();
});

async function opened(more: object = {}, tuneId = 'goose') {
  const asked = fakeServer({ ...answers, ...more });
  const page = await openPage(TuneFor, { tuneId, title: 'Goose Walk' });
  await press('Put on a step');
  await eventually(() => expect(document.querySelectorAll('option[value=two]')).toHaveLength(1));
  const field = document.querySelector('option[value=two]')!.closest('select')!;
  field.value = 'two';
  field.dispatchEvent(new Event('change', { bubbles: true }));
  await flushPromises();
  return { asked, ...page };
}

it('puts a tune beside those of a step, and sends the rest as it was', async () => {
  const { asked } = await opened({ 'PUT /api/staircases/s': () => stairs });
  await press('Put it there');
  const { body } = asked.find(({ method }) => method === 'PUT')!;
  expect(body).toMatchObject({ name: 'From B down', noteOrder: ['B4'], version: 7 });
  expect((body as { steps: { id: string; tunes: unknown }[] }).steps.map(({ id, tunes }) => [id, tunes])).toEqual([
    ['one', [{ id: 'doorbell', role: 'main' }]],
    [
      'two',
      [
        { id: 'ladder', role: 'main' },
        { id: 'goose', role: 'choice' },
      ],
    ],
  ]);
});

it('sends nothing for a tune that stands there already, and says what the server refuses', async () => {
  const { asked } = await opened({}, 'ladder');
  await press('Put it there');
  expect(asked.some(({ method }) => method === 'PUT')).toBe(false);
  clearPage();
  setActivePinia(createPinia());
  await opened({ 'PUT /api/staircases/s': () => new Refused(409, 'Ivo has changed it meanwhile.') });
  await press('Put it there');
  expect(document.querySelector('[role=alert]')!.textContent).toContain('Ivo has changed it meanwhile.');
});

it('opens the tune as a class meets it', async () => {
  fakeServer(answers);
  const { push } = await openPage(TuneFor, { tuneId: 'goose', title: 'Goose Walk' });
  await eventually(() => expect(document.querySelectorAll('option[value=c]')).toHaveLength(1));
  const field = document.querySelector('option[value=c]')!.closest('select')!;
  field.value = 'c';
  field.dispatchEvent(new Event('change', { bubbles: true }));
  await flushPromises();
  expect(push).toHaveBeenCalledWith({ name: 'tune', params: { tuneId: 'goose' }, query: { class: 'c' } });
});
