import type { StepStanding } from '@escalier/core/records';
import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage } from '../../testing/fake-server.ts';
import type { PrintRequest, HandoutView } from '../../workers/handouts.ts';
import { press } from '../../testing/mount.ts';
import HandoutsPage from './HandoutsPage.vue';
import { printRequest, paperNeeded, printGroups, usualChoices, usualPaper, type Facts } from './print-request.ts';
import { eventually } from '../../testing/eventually.ts';

const asked = vi.hoisted(() => vi.fn());
vi.mock('../../workers/handouts.ts', () => ({ handoutsWorker: () => ({ ask: asked, cancel: vi.fn() }) }));
vi.mock('../../workers/index.ts', () => ({ WorkerEnded: class extends Error {}, tuneWorker: () => ({}) }));

afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
});

const FIRST: StepStanding = {
  stepId: 'step-1',
  tries: 1,
  nearly: 0,
  passed: true,
  passedAt: '2026-03-03T09:00:00.000Z',
  share: 1,
  passedTunes: ['t'],
  lastOutcome: 'passed',
  lastHeardAt: '2026-03-03T09:00:00.000Z',
  remarks: [],
  tempo: null,
};
const STANDING = { stepIndex: 1, state: 'working', passedSteps: 1, triesOnStep: 0, lastHeardAt: null } as const;
const page = classPage({
  pupils: ['Ann', 'Ben', 'Cy'].map((name) =>
    pupilView(name, { standing: { ...STANDING, pupilId: name, steps: [FIRST] } }),
  ),
  steps: [
    step(1, { newNotes: ['B4', 'A4'], newElements: ['note quarter'] }),
    step(2, { title: 'Goose Walk', newNotes: ['G4'], newElements: ['note half'] }),
  ],
  classStep: 1,
});
const facts: Facts = {
  school: 'Osier Bridge School',
  teacher: 'Mara',
  cautions: ['Still.'],
  abcOf: (id) => `X:1 ${id}`,
  beltsDueOf: (id) => (id === 'Ben' ? ['moss'] : []),
  numberOf: () => 4,
  breathingOf: (id) => (id === 'own' ? { seconds: 9, kept: [] } : null),
  lesson: null,
};

describe('who needs which sheet', () => {
  it('is counted from the pupils’ own settings, the easier line only where the step has one', () => {
    const needs = {
      ...page,
      pupils: page.pupils.map((pupil, index) => ({
        ...pupil,
        printSize: index === 0 ? ('big' as const) : pupil.printSize,
        easierLine: index === 1,
      })),
    };
    expect(printGroups(needs, 2).map(({ label, pupils }) => `${label}: ${pupils}`)).toEqual([
      'Medium: 2',
      'Big print: 1',
    ]);
    const [first, second] = needs.steps;
    const tunes = [...second!.tunes, { id: 'e', title: 'Easier', role: 'easier' as const, bars: 8 }];
    const withEasier = { ...needs, steps: [first!, { ...second!, tunes }] };
    expect(
      printGroups(withEasier, 2)
        .map(({ label }) => label)
        .toSorted(),
    ).toEqual(['Big print', 'Medium', 'Medium, easier line']);
  });
});

describe('what goes to the press', () => {
  it('is what the class knows at the step, its tune, and its pupils', () => {
    const order = printRequest(page, { ...usualChoices(page, 'en-GB'), kind: 'note-names', step: 2 }, facts);
    expect(order).toMatchObject({
      kind: 'note-names',
      notes: ['B4', 'A4', 'G4'],
      elements: ['note quarter', 'note half'],
      count: null,
      schoolClass: { name: page.name, classStep: 1, pupils: [{ name: 'Ann' }, { name: 'Ben' }, { name: 'Cy' }] },
    });
  });

  it('leaves the notes of the step out of what is known for its tune sheet, so that they are new on it', () => {
    const order = printRequest(page, { ...usualChoices(page, 'en-GB'), kind: 'tune-sheet', step: 2 }, facts);
    expect(order!.notes).toEqual(['B4', 'A4']);
  });

  it('breathes in a tune as the class does, where its teacher has changed it', () => {
    const choices = usualChoices(page, 'en-GB');
    expect(printRequest(page, { ...choices, tuneId: 'own' }, facts)!.breathing).toEqual({ seconds: 9, kept: [] });
    expect(printRequest(page, choices, facts)!.breathing.kept).toBeNull();
  });

  it('waits for the lesson where that is what is printed, and for nothing else', () => {
    const choices = usualChoices(page, 'en-GB');
    expect(printRequest(page, { ...choices, kind: 'substitute-plan' }, facts)).toBeNull();
    const line = { title: 'Settle', minutes: 4, press: 'Start', say: 'Sit', children: 'Sit tall.' };
    const there = { ...facts, lesson: [line] };
    expect(printRequest(page, { ...choices, kind: 'substitute-plan' }, there)!.schoolClass.lesson).toEqual([line]);
    expect(printRequest(page, choices, there)!.schoolClass.lesson).toEqual([]);
  });

  it('names one pupil where one is chosen', () => {
    const choices = { ...usualChoices(page, 'en-GB'), kind: 'certificate', pupilId: page.pupils[1]!.id } as const;
    expect(printRequest(page, choices, facts)!.schoolClass.pupils).toEqual([
      { name: 'Ben', passed: [0], beltsDue: ['moss'], instrumentNumber: 4 },
    ]);
  });

  it('begins with the paper of the country, the step of the class, and a copy for each pupil', () => {
    expect([usualPaper('en-GB'), usualPaper('en-US'), usualPaper('es-MX')]).toEqual(['a4', 'letter', 'letter']);
    expect(usualChoices(page, 'en-GB')).toMatchObject({ step: 2, copies: 3, kind: 'tune-sheet' });
    expect(paperNeeded(3, 26)).toEqual({ sheets: 78, duplex: 52 });
  });
});

const NONE = { 'new-note': '', pass: '', recital: '', certificate: '' };
const view = (more: Partial<HandoutView> = {}): HandoutView => ({
  title: 'Note hunt',
  pages: ['<svg id="one"></svg>', '<svg id="two"></svg>'],
  warnings: [],
  key: [{ number: 1, question: 'How many E?', answer: '5', facts: {} }],
  ...more,
});

async function open(answer: (name: string, order: PrintRequest) => unknown, query: Record<string, string> = {}) {
  asked.mockClear();
  asked.mockImplementation((name: string, order: PrintRequest) => Promise.resolve(answer(name, order)));
  fakeServer({
    'GET /api/classes/c': () => page,
    'GET /api/classes': () => [],
    'GET /api/tunes': () => [{ id: 'tune-1', abc: 'X:1' }],
    'GET /api/school/cautions': () => ({ cautions: [], version: 1 }),
    'GET /api/belts/earned': () => [{ id: 'c', earned: [{ pupilId: 'Ann', belt: 'moss', givenAt: null }] }],
    'GET /api/instruments': () => ({ instruments: [], classes: [], cleaning: [] }),
    'GET /api/classes/c/tunes': () => [{ tuneId: 'own', breathSeconds: 9, breaths: [] }],
    'GET /api/classes/c/lessons': () => [],
    'GET /api/school/templates': () => ({ templates: { ...NONE, 'new-note': 'Dear {pupil}' }, version: 1 }),
  });
  const opened = await openPage(HandoutsPage, { classId: 'c' }, {}, query);
  await eventually(() => expect(asked).toHaveBeenCalled());
  for (let turn = 0; turn < 4; turn++) await flushPromises();
  return opened.wrapper;
}

describe('the page', () => {
  it('shows a page of the sheet, counts the paper, and has the answers at hand', async () => {
    const wrapper = await open(() => view(), { kind: 'note-hunt', step: '2' });
    expect(asked.mock.calls[0]![1]).toMatchObject({ kind: 'note-hunt' });
    expect(wrapper.find('#one').exists()).toBe(true);
    expect(wrapper.find('#two').exists()).toBe(false);
    expect(wrapper.text()).toContain('2 pages, 3 copies: 6 sheets, 3 on both sides.');
    expect(wrapper.text()).toContain('Answers as PDF');
  });

  it('begins a letter with the school’s words, and keeps new ones for it', async () => {
    const wrapper = await open(() => view(), { kind: 'family-letter' });
    await wrapper.get('select').setValue('certificate');
    await wrapper.get('select').setValue('family-letter');
    await flushPromises();
    expect(wrapper.get<HTMLTextAreaElement>('textarea').element.value).toBe('Dear {pupil}');
    await wrapper.get('textarea').setValue('Hello {pupil}');
    const templates = { ...NONE, 'new-note': 'Hello {pupil}' };
    const kept = vi.fn<(asked: { body: unknown }) => unknown>(() => ({ templates, version: 2 }));
    fakeServer({ 'PUT /api/school/templates': kept });
    await press('Save for the school');
    await eventually(() => expect(kept).toHaveBeenCalled());
    expect(kept.mock.calls[0]![0].body).toEqual({ templates, version: 1 });
  });

  it('keeps what is typed while the school’s words are on their way', async () => {
    const wrapper = await open(() => view(), { kind: 'note-hunt' });
    let arrive: (answer: unknown) => void = () => undefined;
    fakeServer({ 'GET /api/school/templates': () => new Promise((answer) => (arrive = answer)) });
    await wrapper.get('select').setValue('family-letter');
    await wrapper.get('textarea').setValue('Hello {pupil}');
    arrive({ templates: { ...NONE, 'new-note': 'Dear {pupil}' }, version: 1 });
    await flushPromises();
    expect(wrapper.get<HTMLTextAreaElement>('textarea').element.value).toBe('Hello {pupil}');
  });

  it('says why there is no sheet, and what does not fit', async () => {
    const wrapper = await open(() => 'This sheet needs at least 2 different notes.', { kind: 'note-match' });
    await eventually(() => expect(wrapper.text()).toContain('This sheet needs at least 2 different notes.'));
    expect(wrapper.text()).not.toContain('Save as PDF');
    const other = await open(() => view({ warnings: ['“Bartholomew” does not fit its box.'] }), { kind: 'labels' });
    await eventually(() => expect(other.text()).toContain('“Bartholomew” does not fit its box.'));
  });
});
