import type { StaircaseDto } from '@escalier/contract/staircases';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { planStaircase, profileOf, type BuildRequest } from '@escalier/core/staircase';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import MakePage from './MakePage.vue';
import StaircasePage from './StaircasePage.vue';

const ABC: Readonly<Record<string, string>> = {
  doorbell: 'B2 B2|B B B2|B4|]',
  ladder: 'B A B A|A2 B2|A4|]',
  lamp: 'B A G2|G A G2|G4|]',
  goose: 'B A G2|G E G E|E4|]',
  barrow: 'B A G E|G E E2|G4|]',
};
const texts = Object.entries(ABC).map(([id, music]) => ({
  id,
  title: id,
  onStaircase: false,
  archived: false,
  version: 1,
  abc: `X:1\nT:${id}\nM:4/4\nL:1/4\nK:G\n${music}\n`,
}));
const profiles = texts.map(({ id, abc }) => {
  const read = readAbc(abc);
  if (!read.ok) throw new Error(id);
  return profileOf(id, read.value.tune, instrument('soprano-recorder-baroque'));
});

vi.mock('../../workers/planning.ts', () => ({
  planningWorker: () => ({
    cancel: () => undefined,
    ask: (name: string, request: BuildRequest) => {
      if (name === 'profiles') return Promise.resolve(profiles);
      const work = planStaircase(request);
      let next = work.next();
      while (next.done !== true) next = work.next();
      return Promise.resolve(next.value);
    },
  }),
}));
vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => ({}), WorkerEnded: class extends Error {} }));
vi.mock('./use-listen.ts', async () => {
  const { ref } = await import('vue');
  return { useListen: () => ({ listening: ref(null), listen: vi.fn(), error: ref(null) }) };
});

afterEach(() => {
  vi.unstubAllGlobals();
  clearPage();
});

const stairs = (more: Partial<StaircaseDto> = {}): StaircaseDto => ({
  id: 's',
  name: 'Mine',
  instrumentId: 'soprano-recorder-baroque',
  noteOrder: ['B4', 'A4', 'G4', 'E4'],
  version: 3,
  classes: [{ id: 'c', name: '4 Plover', lengthWords: 'british' }],
  steps: ['doorbell', 'ladder', 'goose'].map((title, index) => ({
    id: `step-${index}`,
    belt: 'straw',
    lessons: 2,
    toPass: 1,
    results: index === 0 ? 5 : 0,
    starters: 0,
    passRule: { tempo: null, slips: null, lookFor: [] },
    tunes: [{ id: title, title, role: 'main' }],
  })),
  ...more,
});

const button = (wrapper: VueWrapper, words: string) =>
  wrapper.findAll('button').find((button) => button.text() === words || button.attributes('aria-label') === words)!;
const titles = (wrapper: VueWrapper): readonly string[] =>
  wrapper.findAll('.open-step strong').map((element) => element.text());

async function openEditor(put?: () => unknown) {
  const asked = fakeServer({
    'GET /api/staircases/s': () => stairs(),
    'GET /api/tunes': () => texts,
    'PUT /api/staircases/s': put ?? (() => stairs({ version: 4 })),
  });
  const { wrapper } = await openPage(StaircasePage, { staircaseId: 's' });
  await flushPromises();
  return { wrapper, asked };
}

describe('the stairs editor', () => {
  it('shows what each step brings, and what is to be said of it at its place', async () => {
    const { wrapper } = await openEditor();
    expect(titles(wrapper)).toEqual(['1 doorbell', '2 ladder', '3 goose']);
    expect(wrapper.text()).toContain('used by 4 Plover: changes affect all of them');
    await wrapper.findAll('.open-step')[2]!.trigger('click');
    expect(wrapper.get('[aria-label="Step 3"]').text()).toContain('Brings G and E together.');
    expect(wrapper.findAll('.step-row')[2]!.text()).toContain('look');
  });

  it('moves by keys, undoes and redoes', async () => {
    const { wrapper } = await openEditor();
    await wrapper.findAll('.grip')[2]!.trigger('keydown', { key: 'ArrowUp' });
    expect(titles(wrapper)).toEqual(['1 doorbell', '2 goose', '3 ladder']);
    await button(wrapper, 'Undo').trigger('click');
    expect(titles(wrapper)).toEqual(['1 doorbell', '2 ladder', '3 goose']);
    await button(wrapper, 'Redo').trigger('click');
    expect(titles(wrapper)).toEqual(['1 doorbell', '2 goose', '3 ladder']);
  });

  it('takes a tune that fits better, and sends the whole with its version', async () => {
    const { wrapper, asked } = await openEditor();
    await wrapper.findAll('.open-step')[2]!.trigger('click');
    const shelf = wrapper.get('[aria-label="Tunes that fit"]');
    const lamp = shelf.findAll('li').find((element) => element.text().startsWith('lamp'))!;
    expect(lamp.text()).toContain('G 4 times');
    await lamp
      .findAll('button')
      .find((button) => button.text() === 'Take')!
      .trigger('click');
    expect(titles(wrapper)[2]).toBe('3 lamp');
    await button(wrapper, 'One lesson more for step 3').trigger('click');
    await button(wrapper, 'Save').trigger('click');
    await flushPromises();
    expect(asked.at(-1)!.body).toMatchObject({
      version: 3,
      name: 'Mine',
      steps: [{ id: 'step-0' }, { id: 'step-1' }, { id: 'step-2', lessons: 3, tunes: [{ id: 'lamp', role: 'main' }] }],
    });
    expect(button(wrapper, 'Save').attributes('disabled')).toBeDefined();
  });

  it('says why the school refused', async () => {
    const { wrapper } = await openEditor(() => new Refused(409, 'Step 1 has results.'));
    await button(wrapper, 'One lesson more for step 1').trigger('click');
    await button(wrapper, 'Save').trigger('click');
    await flushPromises();
    expect(wrapper.text()).toContain('Step 1 has results.');
    expect(wrapper.findAll('.count')[0]!.text()).toBe('3 lessons');
  });
});

describe('making a staircase', () => {
  it('proposes, exchanges a step, and keeps it', async () => {
    const asked = fakeServer({ 'GET /api/tunes': () => texts, 'POST /api/staircases': () => stairs({ id: 'new' }) });
    const { wrapper } = await openPage(MakePage, {});
    await flushPromises();
    expect(wrapper.text()).toContain('1 doorbell');
    expect(wrapper.text()).toContain('Only 5 tunes fit this order of notes; 9 steps need 9.');
    await button(wrapper, 'Use this staircase').trigger('click');
    await flushPromises();
    const { steps, noteOrder } = asked.at(-1)!.body as { steps: { lessons: number }[]; noteOrder: string[] };
    expect(noteOrder[0]).toBe('B4');
    expect(steps.reduce((sum, step) => sum + step.lessons, 0)).toBe(27);
  });
});
