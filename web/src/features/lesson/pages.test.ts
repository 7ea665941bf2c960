import type { LessonEvent } from '@escalier/core/lesson';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Component } from 'vue';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { useHearing } from '../hearing/index.ts';
import CardsPage from './CardsPage.vue';
import RunnerPage from './RunnerPage.vue';
import { useLessons } from './store.ts';
import SubstitutePage from './SubstitutePage.vue';
import TodayPage from './TodayPage.vue';
import { eventually } from '../../testing/eventually.ts';

const worker = vi.hoisted(() => ({
  stepForLesson: vi.fn(),
  read: vi.fn(() => Promise.resolve({ ok: false, error: [{ message: 'not here' }] })),
  waysIn: vi.fn(() => Promise.resolve([])),
  backing: vi.fn(() => Promise.resolve(null)),
  lineTexts: vi.fn(() => Promise.resolve([])),
  echoSet: vi.fn(() => Promise.resolve({ patterns: [], missing: [] })),
}));
vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => worker }));
vi.mock('../../score/index.ts', () => ({ ScoreSheet: { props: ['title'], template: '<figure>{{ title }}</figure>' } }));
vi.mock('../../sound/player.ts', () => ({ play: vi.fn(), setLoudness: vi.fn() }));

afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
  localStorage.clear();
});

const STEP = {
  position: 1,
  title: 'Tune 1',
  newNotes: ['B4'],
  knownNotes: ['B4', 'A4', 'G4'],
  newElements: [],
  moves: [],
  hardSpot: null,
  rungs: ['say', 'clap', 'whole'],
  rungsDone: [],
  easier: null,
  extra: null,
};
const page = classPage({
  pupils: ['Ann', 'Ben'].map((name) => pupilView(name)),
  steps: [step(1, { newNotes: ['B4'], lessons: 2 }), step(2)],
});

/** Heard before the class has played the tune through: as some like it. */
const hearsAtOnce = {
  'GET /api/classes/c': () => ({
    ...page,
    style: { ...page.style, hearing: { ...page.style.hearing, afterPlaying: false } },
  }),
};

function serve(more: Parameters<typeof fakeServer>[0] = {}) {
  worker.stepForLesson.mockResolvedValue(STEP);
  return fakeServer({
    'GET /api/classes/c': () => page,
    'GET /api/classes': () => [],
    'GET /api/classes/c/lessons': () => [],
    'POST /api/classes/c/lessons': () => ({ kept: 1 }),
    'GET /api/classes/c/steps/1': () => ({ abc: '', known: { notes: [], elements: [], signs: [], moves: [] } }),
    'GET /api/belts/earned': () => [
      {
        id: 'c',
        name: '4 Plover',
        earned: [{ pupilId: 'Ann', name: 'Ann', stepId: 's', position: 1, belt: 'straw', givenAt: null }],
      },
    ],
    'GET /api/instruments': () => ({ cleaning: [] }),
    'GET /api/notes/c': () => ({ notes: [], next: null, schoolClass: page, cautions: [] }),
    'GET /api/school/cautions': () => ({ cautions: [], version: 1 }),
    ...more,
  });
}
type Asked = ReturnType<typeof fakeServer>;
const sent = (asked: Asked): readonly LessonEvent[] =>
  asked
    .filter(({ method }) => method === 'POST')
    .flatMap(({ body }) => (body as { readonly events: readonly LessonEvent[] }).events);
const minutes = (wrapper: VueWrapper): readonly number[] =>
  wrapper.findAll('.part .count').map((element) => Number.parseInt(element.text(), 10));
const press = async (wrapper: VueWrapper, words: string): Promise<void> => {
  const found = wrapper
    .findAll('button')
    .find((button) => button.text() === words || button.attributes('aria-label') === words);
  await found!.trigger('click');
  await flushPromises();
};

async function open(component: Component, query: Readonly<Record<string, string>> = {}): Promise<VueWrapper> {
  const { wrapper } = await openPage(component, { classId: 'c' }, {}, query);
  for (let turn = 0; turn < 4; turn++) await flushPromises();
  return wrapper;
}

describe('today', () => {
  it('has a lesson planned to the minute, what to prepare, and the reason of each part', async () => {
    serve();
    const wrapper = await open(TodayPage);
    expect(minutes(wrapper).reduce((sum, each) => sum + each, 0)).toBe(40);
    expect(wrapper.text()).toContain('New on this step; the class hasn’t met it yet.');
    expect(wrapper.text()).toContain('1 belt to hand out');
    expect(wrapper.text()).toContain('No lesson of this class has been run in Escalier yet.');
  });

  it('keeps what the teacher changes, and still ends with the bell', async () => {
    const asked = serve();
    const wrapper = await open(TodayPage);
    await press(wrapper, 'A minute more for Warm-up');
    expect(minutes(wrapper).reduce((sum, each) => sum + each, 0)).toBe(40);
    expect(sent(asked).map(({ kind }) => kind)).toEqual(['planned']);
    await press(wrapper, 'Save as usual lesson');
    expect(sent(asked).at(-1)).toMatchObject({
      kind: 'usual',
      usual: expect.arrayContaining([expect.objectContaining({ kind: 'tune' })]),
    });
    await wrapper.get('.grip').trigger('keydown', { key: 'ArrowDown' });
    await flushPromises();
    expect(wrapper.findAll('.part strong')[0]!.text()).toBe('Warm-up');
  });

  it('lets the teacher say that the class goes on, where that is the rule', async () => {
    const style = { ...page.style, teaching: { ...page.style.teaching, goOn: 'own' as const } };
    const settings = {
      id: 'c',
      staircaseId: 's',
      name: '4 Plover',
      grade: '',
      termId: 't',
      meetings: [],
      version: 3,
      style,
      brings: { notes: [], elements: [], signs: [], moves: [], tuneIds: [] },
    };
    const asked = serve({
      'GET /api/classes/c': () => ({ ...page, style }),
      'GET /api/classes/c/settings': () => settings,
      'PUT /api/classes/c/settings': () => ({}),
      'GET /api/calendar/c': () => ({}),
      'GET /api/terms': () => [],
      'GET /api/staircases': () => [],
    });
    const wrapper = await open(TodayPage);
    expect(wrapper.text()).toContain('Stay on this step: you decide');
    await press(wrapper, 'Move on to step 2');
    const put = asked.find(({ method }) => method === 'PUT')!.body as typeof settings;
    expect(put.style.teaching.ownStep).toBe(1);
    expect(put.version).toBe(3);
  });

  it('keeps events here while there is no network, and says so in the lesson', async () => {
    serve({ 'POST /api/classes/c/lessons': () => new Refused(503, 'Away.') });
    const wrapper = await open(RunnerPage);
    await press(wrapper, 'Start the lesson →');
    expect(wrapper.text()).toContain('sending 1 change');
    expect(localStorage.getItem('escalier-lessons')).toContain('started');
  });
});

describe('what the school does not take', () => {
  it('does not take the rest with it, and is said', async () => {
    const waiting = { network: false };
    const taken: string[] = [];
    serve({
      'POST /api/classes/c/lessons': ({ body }) => {
        const { events } = body as { readonly events: readonly LessonEvent[] };
        if (!waiting.network) return new Refused(503, 'Away.');
        if (events.some(({ kind }) => kind === 'remark')) return new Refused(400, 'Too long.');
        taken.push(...events.map(({ kind }) => kind));
        return { kept: events.length };
      },
    });
    const wrapper = await open(RunnerPage);
    await press(wrapper, 'Start the lesson →');
    const lessons = useLessons();
    lessons.note('2026-03-03', { kind: 'remark', text: 'Too long a remark.' });
    lessons.note('2026-03-03', { kind: 'again' });
    // Free words are not on the disk as they were said.
    expect(JSON.stringify({ ...localStorage })).not.toContain('Too long a remark');
    await flushPromises();
    waiting.network = true;
    window.dispatchEvent(new Event('online'));
    await eventually(() => expect(lessons.waiting).toBe(0));
    // Sending twice stores once: how often is another matter.
    expect([...new Set(taken)]).toEqual(['started', 'again']);
    await flushPromises();
    expect(wrapper.text()).toContain('Part of this lesson couldn’t be saved. Too long.');
  });
});

describe('a lesson', () => {
  it('is started, gone through and ended by one key', async () => {
    const asked = serve();
    const wrapper = await open(RunnerPage);
    const key = async (name: string): Promise<void> => {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
      await flushPromises();
    };
    await key('ArrowRight');
    expect(wrapper.get('[aria-label="Now"]').text()).toContain('Settle in');
    await key('ArrowRight');
    await key('ArrowLeft');
    await key('ArrowRight');
    expect(wrapper.get('[aria-label="Now"]').text()).toContain('Warm-up');
    await key('s');
    for (let turn = 0; turn < 12; turn++) await key('PageDown');
    expect(wrapper.text()).toContain('The lesson is over');
    const kinds = sent(asked).map(({ kind }) => kind);
    expect(kinds.slice(0, 2)).toEqual(['started', 'block']);
    expect(kinds).toContain('skipped');
    expect(kinds).toContain('rung');
    expect(kinds.at(-1)).toBe('ended');
  });

  it('that was stepped through in seconds is not taught, until the teacher says so, and can be opened again', async () => {
    const asked = serve();
    const wrapper = await open(RunnerPage);
    for (let turn = 0; turn < 14; turn++) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await flushPromises();
    }
    expect(wrapper.text()).toContain('Nothing was taught, so this lesson stays planned.');
    const [first] = wrapper.findAll('fieldset input[type="checkbox"]');
    await first!.setValue(true);
    await flushPromises();
    expect(sent(asked).at(-1)).toMatchObject({ kind: 'reached', reached: true });
    expect(wrapper.text()).toContain('1 of 6 parts taught.');
    await press(wrapper, 'Reopen the lesson ←');
    expect(sent(asked).at(-1)).toMatchObject({ kind: 'reopened' });
    expect(wrapper.text()).toContain('End the lesson');
  });

  it('is rehearsed without a trace', async () => {
    const asked = serve();
    const wrapper = await open(RunnerPage, { rehearse: '1' });
    expect(wrapper.text()).toContain('Rehearsal: nothing here is saved');
    await press(wrapper, 'Start the rehearsal →');
    await press(wrapper, 'Next →');
    expect(wrapper.get('[aria-label="Now"]').text()).toContain('Warm-up');
    expect(sent(asked)).toEqual([]);
    expect(localStorage.getItem('escalier-lessons') ?? '[]').toBe('[]');
    clearPage();
    expect(useLessons().runOn('2026-03-03').startedAt).toBeNull();
  });

  it('hears in it: a tap on the outcome, and the next name is there', async () => {
    serve(hearsAtOnce);
    const wrapper = await open(RunnerPage);
    const hear = vi.spyOn(useHearing(), 'hear').mockResolvedValue(true);
    await press(wrapper, 'Start the lesson →');
    for (let turn = 0; turn < 14 && !wrapper.find('.outcomes').exists(); turn++) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await flushPromises();
    }
    expect(wrapper.get('h2.who').text()).toBe('Ann');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '2', bubbles: true }));
    await flushPromises();
    expect(wrapper.get('h2.who').text()).toBe('Ben');
    await wrapper.get('.outcomes .passed').trigger('click');
    await flushPromises();
    expect(wrapper.text()).toContain('Everyone planned for this lesson is done.');
    expect(hear.mock.calls.map(([, { pupilId, outcome }]) => [pupilId, outcome])).toEqual([
      ['Ann', 'nearly'],
      ['Ben', 'passed'],
    ]);
  });

  it('comes back to who was put off, and leaves the keys to a dialog', async () => {
    serve(hearsAtOnce);
    const wrapper = await open(RunnerPage, { rehearse: '1' });
    const key = async (name: string): Promise<void> => {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
      await flushPromises();
    };
    await press(wrapper, 'Start the rehearsal →');
    for (let turn = 0; turn < 14 && !wrapper.find('.outcomes').exists(); turn++) await key('ArrowRight');
    await press(wrapper, 'Later');
    expect(wrapper.get('h2.who').text()).toBe('Ben');
    expect(wrapper.text()).toContain('2 still to hear in this lesson.');
    await key('1');
    expect(wrapper.get('h2.who').text()).toBe('Ann');
    await press(wrapper, 'Keys');
    await key('1');
    expect(wrapper.text()).toContain('1 still to hear in this lesson.');
  });

  it('hears nobody in a rehearsal', async () => {
    serve(hearsAtOnce);
    const wrapper = await open(RunnerPage, { rehearse: '1' });
    const hear = vi.spyOn(useHearing(), 'hear');
    await press(wrapper, 'Start the rehearsal →');
    for (let turn = 0; turn < 14 && !wrapper.find('.outcomes').exists(); turn++) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await flushPromises();
    }
    await wrapper.get('.outcomes .passed').trigger('click');
    await flushPromises();
    expect(wrapper.get('h2.who').text()).toBe('Ben');
    // What was recorded before the rehearsal is not taken back by it.
    const undo = vi.spyOn(useHearing(), 'undo');
    await press(wrapper, 'Undo U');
    expect(wrapper.get('h2.who').text()).toBe('Ann');
    expect(hear).not.toHaveBeenCalled();
    expect(undo).not.toHaveBeenCalled();
  });

  it('of another day is not begun by the one key', async () => {
    const asked = serve({ 'GET /api/classes/c': () => ({ ...page, today: '2026-02-20' }) });
    const wrapper = await open(RunnerPage);
    expect(wrapper.text()).toContain('The next lesson is on');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await flushPromises();
    expect(sent(asked)).toEqual([]);
    await press(wrapper, 'Teach it now');
    expect(sent(asked)[0]).toMatchObject({ kind: 'started' });
  });

  it('is where it was after a reload', async () => {
    serve();
    const first = await open(RunnerPage);
    await press(first, 'Start the lesson →');
    await press(first, 'Next →');
    const again = await open(RunnerPage);
    expect(again.get('[aria-label="Now"]').text()).toContain('Warm-up');
  });

  it('takes a remark for the class, and who is ready', async () => {
    const asked = serve();
    const wrapper = await open(RunnerPage);
    await press(wrapper, 'Start the lesson →');
    await press(wrapper, 'Remark');
    const input = document.querySelector<HTMLInputElement>('#lesson-remark')!;
    input.value = 'Loud today.';
    input.dispatchEvent(new Event('input'));
    document.querySelector('.modal form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(sent(asked).at(-1)).toMatchObject({ kind: 'remark', text: 'Loud today.' });
  });
});

describe('the plan for a substitute', () => {
  it('says what to press, what to say, and what the children do', async () => {
    serve();
    const wrapper = await open(SubstitutePage);
    expect(wrapper.findAll('tbody tr').length).toBeGreaterThan(4);
    expect(wrapper.text()).toContain('Press “Start the lesson”.');
  });

  it('names nothing to press that is not there', async () => {
    serve(hearsAtOnce);
    const sheet = await open(SubstitutePage);
    const named = [...sheet.text().matchAll(/Press “([^”]+)”/g)].map(([, label]) => label!);
    expect(new Set(named)).toEqual(new Set(['Start the lesson', 'Next', 'Skip', 'End the lesson']));
    clearPage();
    const runner = await open(RunnerPage);
    const labels = new Set<string>();
    for (let turn = 0; turn < 14; turn++) {
      for (const button of runner.findAll('button')) labels.add(button.text().replace(/ ?\S$/, ''));
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await flushPromises();
    }
    for (const label of named) expect([...labels], label).toContain(label);
  });
});

describe('rhythm cards', () => {
  it('are put together from what the class knows, kept for it, and deleted', async () => {
    const note = {
      note: 'B4',
      position: 1,
      title: 'Tune 1',
      knownNotes: [],
      knownElements: ['note quarter', 'note half'],
      own: null,
    };
    const asked = serve({
      'GET /api/notes/c': () => ({ notes: [note], next: 'B4', schoolClass: page, cautions: [], classStep: 1 }),
    });
    const wrapper = await open(CardsPage);
    expect(wrapper.text()).toContain('None yet.');
    expect(wrapper.text()).toContain('4 missing');
    for (const value of ['minim', 'crotchet', 'crotchet']) await press(wrapper, value);
    expect(wrapper.text()).toContain('The bar is full.');
    await press(wrapper, 'Keep it');
    const kept = sent(asked).at(-1) as LessonEvent & { kind: 'patterns' };
    expect(kept.patterns[0]!.map(({ value }) => value.base)).toEqual(['half', 'quarter', 'quarter']);
    expect(wrapper.text()).toContain('The card 1');
    await press(wrapper, 'Keep proposal 1');
    expect((sent(asked).at(-1) as typeof kept).patterns).toHaveLength(2);
    await press(wrapper, 'Delete card 1');
    expect((sent(asked).at(-1) as typeof kept).patterns).toHaveLength(1);
  });
});
