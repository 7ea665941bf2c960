import { tuneOfEntry, writeAbc, type Entry } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { tuneTempi } from '@escalier/core/lesson';
import { USUAL_TEACHING } from '@escalier/core/practice';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { markRaw, nextTick, ref } from 'vue';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import { mountInApp } from '../../testing/mount.ts';
import { tuneInfo } from '../../testing/tune-info.ts';
import { libraryRow } from '../../workers/library.ts';
import type { usePlayer } from '../../sound/index.ts';
import EditPage from './EditPage.vue';
import LibraryPage from './LibraryPage.vue';
import TransportBar from './TransportBar.vue';
import TunePage from './TunePage.vue';
import { eventually } from '../../testing/eventually.ts';

const GOOSE = 'B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]';
const worker = vi.hoisted(() => ({
  read: vi.fn(),
  waysIn: vi.fn(() => Promise.resolve([])),
  breathsAt: vi.fn(() => Promise.resolve([])),
  check: vi.fn(),
  entryFrom: vi.fn(() => Promise.resolve(null)),
  backing: vi.fn(() => Promise.resolve(null)),
  writeEntry: vi.fn(),
  readLibrary: vi.fn(),
}));
vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => worker }));
vi.mock('../../score/index.ts', () => ({
  ScoreSheet: { props: ['marks', 'presses', 'title'], emits: ['press'], template: '<figure>{{ title }}</figure>' },
}));
vi.mock('./AbcEditor.vue', () => ({
  default: {
    props: ['modelValue', 'notices'],
    emits: ['update:modelValue'],
    template: '<textarea :value="modelValue" @input="$emit(`update:modelValue`, $event.target.value)" />',
  },
}));
vi.mock('../../sound/index.ts', async () => {
  const { ref: box } = await import('vue');
  const silent = { now: box(null), error: box(null), playing: box(null), perMinute: box(80), loopBars: box(null) };
  const voices = {
    melody: box(true),
    click: box(true),
    drone: box(false),
    along: box(false),
    countIn: box(true),
    voices: () => ({}),
  };
  const acts = {
    start: vi.fn(),
    playTurns: vi.fn(),
    stop: vi.fn(),
    setTempo: vi.fn(),
    loop: vi.fn(),
    switchVoice: vi.fn(),
  };
  const player = { ...silent, ...voices, ...acts, turn: box(null) };
  return {
    usePlayer: () => player,
    useListen: () => ({ listening: box(null), listen: vi.fn(), error: box(null) }),
    useSound: () => ({ now: box(null), error: box(null), playing: box(null), start: vi.fn(), stop: vi.fn() }),
    notesSchedule: vi.fn(),
  };
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.clearAllMocks();
  localStorage.clear();
  clearPage();
});

const tune = (id: string, music: string, more: object = {}) => ({
  id,
  title: id,
  abc: `X:1\nT:${id}\nM:4/4\nL:1/4\nQ:1/4=84\nK:G\n${music}\n`,
  onStaircase: false,
  archived: false,
  version: 1,
  ...more,
});

const button = (wrapper: VueWrapper, words: string) =>
  wrapper.findAll('button').find((button) => button.text() === words)!;

describe('the library', () => {
  const tunes = [tune('Goose', GOOSE), tune('Low', 'B A E2|D4|]'), tune('Old', 'B4|A4|]', { archived: true })];

  async function opened(list = tunes) {
    fakeServer({ 'GET /api/classes': () => [], 'GET /api/tunes': () => list });
    worker.readLibrary.mockImplementation((all: typeof tunes) =>
      Promise.resolve(all.map((each) => libraryRow(each, instrument('soprano-recorder-baroque'), NOTHING_KNOWN))),
    );
    const { wrapper } = await openPage(LibraryPage);
    await eventually(() => wrapper.get('h1'));
    return wrapper;
  }
  const titles = (wrapper: VueWrapper) => wrapper.findAll('tbody .title').map((element) => element.text());

  it('lists what was read, what fits best first, without what is archived', async () => {
    const wrapper = await opened();
    expect(titles(wrapper)).toEqual(['Low', 'Goose']);
    expect(wrapper.text()).toContain('2 of 2 tunes');
  });

  it('says when nothing matches, and what to do', async () => {
    const wrapper = await opened();
    await wrapper.get('input[type=search]').setValue('goo');
    expect(titles(wrapper)).toEqual(['Goose']);
    await wrapper.get('input[type=search]').setValue('zebra');
    expect(wrapper.text()).toContain('No tunes match. Remove a filter');
  });

  it('says in a sentence that it could not be read, and tries again', async () => {
    fakeServer({
      'GET /api/classes': () => [],
      'GET /api/tunes': () => new Refused(500, 'The school does not answer.'),
    });
    const { wrapper } = await openPage(LibraryPage);
    await eventually(() => expect(wrapper.get('[role=alert]').text()).toContain('The school does not answer.'));
    fakeServer({ 'GET /api/classes': () => [], 'GET /api/tunes': () => [] });
    worker.readLibrary.mockResolvedValue([]);
    await wrapper.get('[role=alert] button').trigger('click');
    await eventually(() => expect(wrapper.text()).toContain('No tunes match.'));
  });
});

describe('the page of a tune', () => {
  const style = {
    naming: 'fixed-do',
    counting: 'ta',
    lengthWords: 'british',
    ladder: ['say', 'clap'],
    teaching: USUAL_TEACHING,
  };
  const schoolClass = { id: 'c', name: '4 Plover', grade: '', instrumentId: 'soprano-recorder-baroque', style };
  const page = {
    schoolClass,
    tuneId: 'goose',
    title: 'Goose Walk',
    abc: tune('goose', GOOSE).abc,
    known: { notes: ['G4', 'A4', 'B4'], elements: [], signs: [], moves: [] },
    breathSeconds: 6,
    breaths: null,
    breathsVersion: 0,
    bookPage: '',
    troubles: [{ bar: 3, barIndex: 2, pupils: 5, of: 9, remarks: [] }],
  };
  const answers = {
    'GET /api/classes/c/tunes/goose': () => page,
    'GET /api/classes': () => [],
    'GET /api/school/cautions': () => ({ cautions: [], version: 1 }),
  };

  async function opened(more = {}) {
    const asked = fakeServer({ ...answers, ...more });
    worker.read.mockResolvedValue({ ok: true, value: tuneInfo(GOOSE) });
    const { wrapper } = await openPage(TunePage, { classId: 'c', tuneId: 'goose' });
    await eventually(() => wrapper.get('h1'));
    return { wrapper, asked };
  }

  it('begins with the names and the counting of the class, and reads the tune for what it knows', async () => {
    const { wrapper } = await opened();
    expect(wrapper.get('h1').text()).toBe('Goose Walk');
    await button(wrapper, 'Under the notes').trigger('click');
    const valueOf = (label: string) =>
      (wrapper.get(`select[aria-label="${label}"]`).element as HTMLSelectElement).value;
    expect([valueOf('Row 1'), valueOf('Row 2'), valueOf('Counting')]).toEqual(['fixed-do', 'counting', 'ta']);
    expect(worker.read.mock.calls[0]![1]).toMatchObject({ notes: new Set(['G4', 'A4', 'B4']) });
    expect(wrapper.findAll('[aria-label="Fingerings of this tune"] > *')).toHaveLength(4);
  });

  it('teaches piece by piece, with one key for the next, each at its tempo', async () => {
    const { wrapper } = await opened();
    const { usePlayer: player } = await import('../../sound/index.ts');
    const { playTurns } = (player as unknown as () => { playTurns: ReturnType<typeof vi.fn> })();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', bubbles: true }));
    await nextTick();
    expect(wrapper.text()).toContain('You play, the class answers, twice at 42. New.');
    const turns = playTurns.mock.calls.at(-1)![0] as { who: string; from: string; to: string; perMinute: number }[];
    expect(turns.map(({ who }) => who)).toEqual(['teacher', 'class', 'teacher', 'class']);
    expect(turns[0]).toMatchObject({ from: 'n0-0-0', to: 'n0-0-2', perMinute: 42 });
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', bubbles: true }));
    await nextTick();
    expect(wrapper.text()).toContain('All together, twice at 55. Join the pieces.');
  });

  it('puts where the class stopped before what was foreseen', async () => {
    const { wrapper } = await opened();
    const spots = wrapper.findAll('h2').map((element) => element.text());
    expect(spots.indexOf('They stop at bar 3')).toBeLessThan(spots.indexOf('They may stumble at bar 7'));
    expect(wrapper.text()).toContain('5 of 9 stopped here.');
  });

  it('says that the tune could not be read', async () => {
    fakeServer(answers);
    worker.read.mockResolvedValue({ ok: false, error: [{ bar: 3, message: 'Bar 3 is too short.' }] });
    const { wrapper } = await openPage(TunePage, { classId: 'c', tuneId: 'goose' });
    await eventually(() => expect(wrapper.get('[role=alert]').text()).toContain('Bar 3 is too short.'));
  });
});

describe('the editor of a tune', () => {
  it('saves a good text, and goes to the tune', async () => {
    const asked = fakeServer({ 'POST /api/tunes': () => tune('new', GOOSE) });
    worker.check.mockResolvedValue({ ok: true, notices: [] });
    const { wrapper, push } = await openPage(EditPage, { tuneId: null });
    await wrapper.get('input[value=text]').setValue(true);
    await wrapper.get('textarea').setValue(tune('Lark', GOOSE).abc);
    await eventually(() => expect(worker.check.mock.calls.at(-1)![0]).toContain('T:Lark'));
    await flushPromises();
    await button(wrapper, 'Add to the library').trigger('click');
    await eventually(() => expect(push).toHaveBeenCalledWith({ name: 'tune', params: { tuneId: 'new' } }));
    expect(asked.at(-1)!.body).toEqual({ abc: tune('Lark', GOOSE).abc });
  });

  it('still says why a text was refused that was sent before it was looked at', async () => {
    fakeServer({ 'POST /api/tunes': () => new Refused(409, 'Your library already has this tune, as “Lark”.') });
    worker.check.mockResolvedValue({ ok: true, notices: [] });
    const { wrapper } = await openPage(EditPage, { tuneId: null });
    await wrapper.get('input[value=text]').setValue(true);
    const looks = worker.check.mock.calls.length;
    await wrapper.get('textarea').setValue(tune('Other', GOOSE).abc);
    await button(wrapper, 'Add to the library').trigger('click');
    await eventually(() => expect(wrapper.get('[role=alert]').text()).toContain('already has this tune'));
    await eventually(() => expect(worker.check.mock.calls.length).toBeGreaterThan(looks));
    await flushPromises();
    expect(wrapper.get('[role=alert]').text()).toContain('already has this tune');
  });

  it('does not let a text be saved that does not add up', async () => {
    fakeServer({});
    worker.check.mockResolvedValue({ ok: false, notices: [{ bar: 2, message: 'Bar 2 is too short: 3 of 4 beats.' }] });
    const { wrapper } = await openPage(EditPage, { tuneId: null });
    await wrapper.get('input[value=text]').setValue(true);
    await wrapper.get('textarea').setValue('X:1');
    await eventually(() => expect(wrapper.text()).toContain('Bar 2 is too short: 3 of 4 beats.'));
    expect(button(wrapper, 'Add to the library').attributes('disabled')).toBeDefined();
  });
});

describe('the editor by keys', () => {
  it('takes notes, lengths and the last one back, and saves what was typed', async () => {
    const asked = fakeServer({ 'POST /api/tunes': () => tune('new', GOOSE) });
    worker.check.mockResolvedValue({ ok: true, notices: [] });
    worker.writeEntry.mockImplementation((entry: Entry) => {
      const made = tuneOfEntry(entry);
      if (!made.ok) throw new Error('no tune');
      return Promise.resolve({ ok: true, value: { abc: writeAbc(made.value.tune), places: made.value.places } });
    });
    const { wrapper, push } = await openPage(EditPage, { tuneId: null });
    const pad = wrapper.get('[role=application]');
    for (const key of ['g', 'a', '2', 'b', 'c']) await pad.trigger('keydown', { key });
    await pad.trigger('keydown', { key: 'z', ctrlKey: true });
    await flushPromises();
    await eventually(() => expect(worker.check.mock.calls.at(-1)?.[0]).toMatch(/G2 A2 B4/));
    await flushPromises();
    await button(wrapper, 'Add to the library').trigger('click');
    await eventually(() => expect(push).toHaveBeenCalledWith({ name: 'tune', params: { tuneId: 'new' } }));
    expect((asked.at(-1)!.body as { abc: string }).abc).toMatch(/G2 A2 B4/);
  });
});

describe('the transport', () => {
  function shown() {
    const info = tuneInfo(GOOSE);
    const playing = ref<object | null>(null);
    const perMinute = ref(84);
    const player = markRaw({
      playing,
      perMinute,
      error: ref(null),
      loopBars: ref(null),
      now: ref(null),
      melody: ref(true),
      click: ref(true),
      drone: ref(false),
      along: ref(false),
      countIn: ref(true),
      start: vi.fn(() => Promise.resolve((playing.value = {}))),
      stop: vi.fn(() => (playing.value = null)),
      setTempo: vi.fn((tempo: number) => (perMinute.value = tempo)),
      switchVoice: vi.fn(),
      loop: vi.fn(),
    });
    const props = { info, player: player as unknown as ReturnType<typeof usePlayer>, challenge: false };
    const { wrapper } = mountInApp(TransportBar, props);
    return { wrapper, player, info };
  }

  it('plays and stops by its button and by the space bar', async () => {
    const { wrapper, player } = shown();
    await wrapper.get('button.play').trigger('click');
    expect(player.start).toHaveBeenCalledOnce();
    expect(wrapper.get('button.play').attributes('aria-label')).toBe('Stop');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
    await nextTick();
    expect(player.stop).toHaveBeenCalledOnce();
  });

  it('is played by the keys that are the same everywhere', async () => {
    const { player, info } = shown();
    const key = (name: string): boolean =>
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
    key('ArrowUp');
    expect(player.setTempo).toHaveBeenLastCalledWith(88);
    key('ArrowDown');
    expect(player.setTempo).toHaveBeenLastCalledWith(84);
    for (const name of ['m', 'b', 'c']) key(name);
    expect(player.switchVoice.mock.calls.map(([voice]: unknown[]) => voice)).toEqual(['melody', 'along', 'click']);
    key('l');
    const [first] = info.reading.hardSpots;
    expect(player.loop).toHaveBeenLastCalledWith([info.barNumbers.indexOf(first!.bars[0]), expect.any(Number)]);
    await nextTick();
  });

  it('begins at the tempo of the tune, climbs its ladder, switches voices and loops lines', async () => {
    const { wrapper, player, info } = shown();
    expect(player.setTempo.mock.calls[0]![0]).toBe(84);
    const rungs = wrapper.get('[aria-label="Tempo ladder"]').findAll('input');
    expect(rungs.map((rung) => Number((rung.element as HTMLInputElement).value))).toEqual([
      ...tuneTempi(info.reading, false),
    ]);
    await rungs[0]!.setValue(true);
    expect(player.setTempo).toHaveBeenLastCalledWith(info.reading.hardSpots[0]!.drill.ladder[0]);
    await wrapper.get('[aria-label="What sounds"]').findAll('input')[2]!.setValue(true);
    expect(player.switchVoice).toHaveBeenCalledWith('drone');
    const loop = wrapper.get('select[aria-label=Loop]');
    await loop.setValue(loop.findAll('option').at(-1)!.attributes('value'));
    expect(player.loop.mock.calls.at(-1)![0]).toEqual([4, 7]);
  });
});
