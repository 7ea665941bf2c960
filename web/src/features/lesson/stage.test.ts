import { writeAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { lessonStep } from '@escalier/core/lesson';
import { NOTHING_KNOWN, type Knowledge } from '@escalier/core/reading';
import { GOOSE_WALK } from '@escalier/core/testing';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage } from '../../testing/fake-server.ts';
import { playedBacking } from '../../workers/backing.ts';
import { textsByLine } from '../../workers/lines.ts';
import { echoSet, waysInto } from '../../workers/practice.ts';
import { tuneInfo } from '../../testing/tune-info.ts';
import { useMute } from '../../sound/index.ts';
import RunnerPage from './RunnerPage.vue';
import { eventually } from '../../testing/eventually.ts';

const play = vi.hoisted(() => vi.fn());
vi.mock('../../sound/player.ts', () => ({ play, setLoudness: vi.fn() }));
vi.mock('../../score/index.ts', () => ({
  ScoreSheet: { props: ['title', 'rows', 'marks'], template: '<figure>{{ title }} {{ rows?.length }}</figure>' },
}));
const on = instrument('soprano-recorder-baroque');
const abc = writeAbc(GOOSE_WALK);
const GOOSE = 'B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A E A E|G4|]';
vi.mock('../../workers/index.ts', () => ({ tuneWorker: () => worker }));
const worker = {
  stepForLesson: (_source: unknown, known: Knowledge, own: Parameters<typeof lessonStep>[3]) =>
    Promise.resolve(lessonStep(GOOSE_WALK, on, known, own)),
  read: () => Promise.resolve({ ok: true, value: tuneInfo(GOOSE) }),
  waysIn: () => Promise.resolve(waysInto(GOOSE_WALK, on, NOTHING_KNOWN)),
  backing: () => Promise.resolve(playedBacking(GOOSE_WALK, null)),
  lineTexts: (_source: unknown, wanted: Parameters<typeof textsByLine>[2]) =>
    Promise.resolve(textsByLine(GOOSE_WALK, on, wanted)),
  echoSet: (source: Parameters<typeof echoSet>[0]) => Promise.resolve(echoSet(source)),
};

const stop = vi.fn();
beforeEach(() => {
  play.mockImplementation(() => Promise.resolve({ stop }));
});
afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
  localStorage.clear();
});

const plain = classPage();
const page = classPage({
  pupils: ['Ann', 'Ben', 'Cy'].map((name) => pupilView(name)),
  steps: [step(1, { newNotes: ['E4'], lessons: 2, title: 'Goose Walk' }), step(2)],
  style: {
    ...plain.style,
    ladder: ['say', 'clap', 'whole'],
    teaching: { ...plain.style.teaching, echo: { turns: 2, sight: 'shown' } },
  },
});
const note = { note: 'E4', position: 1, title: 'Goose Walk', knownNotes: ['B4', 'A4', 'G4'], own: null };

/** @param notes that the class knows before its step. */
async function open(notes: readonly string[] = []): Promise<VueWrapper> {
  fakeServer({
    'GET /api/classes/c': () => page,
    'GET /api/classes': () => [],
    'GET /api/classes/c/lessons': () => [],
    'POST /api/classes/c/lessons': () => ({ kept: 1 }),
    'GET /api/classes/c/steps/1': () => ({
      abc,
      title: 'Goose Walk',
      tuneId: 't',
      schoolClass: page,
      breathSeconds: 5,
      breaths: null,
      breathsVersion: 0,
      known: { notes, elements: [], signs: [], moves: [] },
      bookPage: '',
      troubles: [],
      step: page.steps[0],
      steps: 2,
    }),
    'GET /api/belts/earned': () => [],
    'GET /api/instruments': () => ({ cleaning: [] }),
    'GET /api/notes/c': () => ({
      notes: [{ ...note, knownElements: ['note quarter', 'note half'] }],
      next: 'E4',
      classStep: 1,
      schoolClass: page,
      cautions: [],
    }),
    'GET /api/school/cautions': () => ({
      cautions: [{ id: 'noise', text: 'Our hall is loud: play softly.', places: ['lesson'], shown: true }],
      version: 1,
    }),
  });
  const { wrapper } = await openPage(RunnerPage, { classId: 'c' });
  for (let turn = 0; turn < 5; turn++) await flushPromises();
  return wrapper;
}

async function key(name: string): Promise<void> {
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
  for (let turn = 0; turn < 3; turn++) await flushPromises();
}

/** Goes on until a part is there. */
async function goTo(wrapper: VueWrapper, part: string): Promise<void> {
  for (let turn = 0; turn < 16 && !wrapper.get('[aria-label="Now"] h2').text().startsWith(part); turn++)
    await key('ArrowRight');
}
type Played = { readonly notes: readonly object[]; readonly clicks: readonly object[]; readonly length: number };
const lastPlayed = () => play.mock.calls.at(-1) as unknown as [Played, Record<string, unknown>, boolean];
const scene = (wrapper: VueWrapper) => wrapper.get('[aria-label="What the class sees"]');

describe('the stage of a lesson', () => {
  it('shows the school’s own cautions before it begins', async () => {
    expect((await open()).text()).toContain('Our hall is loud: play softly.');
  });

  it('plays an echo as often as the class does, and goes on to the next pattern', async () => {
    const wrapper = await open();
    await goTo(wrapper, 'New note');
    const echo = wrapper.findAll('button').find((button) => button.text() === 'Echo')!;
    await echo.trigger('click');
    for (let turn = 0; turn < 3; turn++) await flushPromises();
    await key(' ');
    // Four beats to count in, then twice my turn and your turn.
    expect(lastPlayed()[0].clicks).toHaveLength(20);
    const before = wrapper.text();
    expect(before).toMatch(/1 of \d+/);
    await key('.');
    expect(stop).toHaveBeenCalled();
    expect(wrapper.text()).toMatch(/2 of \d+/);
    await key(',');
    expect(wrapper.text()).toMatch(/1 of \d+/);
  });

  it('lets the tune be chanted slowly, then faster and with the melody', async () => {
    const wrapper = await open();
    await goTo(wrapper, 'Tune');
    expect(
      scene(wrapper)
        .findAll('.word')
        .map((element) => element.text())
        .slice(0, 3),
    ).toEqual(['B', 'A', 'G –']);
    await key('2');
    await key(' ');
    const [slow, silent] = lastPlayed();
    expect(silent).toMatchObject({ melody: false, click: true });
    await key(' ');
    const tempo = () => Number(/^\d+/.exec(wrapper.get('.tempo').text())?.[0]);
    const before = tempo();
    await key('ArrowUp');
    await key('ArrowUp');
    expect(tempo()).toBeGreaterThan(before);
    expect(wrapper.get('.tempo').text()).toMatch(/^\d+ [a-z]+$/);
    await key('m');
    await key(' ');
    const [fast, sung] = lastPlayed();
    expect(fast.length).toBeLessThan(slow.length);
    expect(sung).toMatchObject({ melody: true });
  });

  it('plays together with the backing, without the melody', async () => {
    const wrapper = await open(['B4', 'A4', 'G4', 'E4']);
    await goTo(wrapper, 'Play together');
    await eventually(() => expect(wrapper.text()).toContain('Our hall is loud'));
    await key(' ');
    expect(lastPlayed()[1]).toMatchObject({ melody: false, backing: true });
    await key('b');
    expect(lastPlayed()[1]).toMatchObject({ backing: false });
  });

  it('calls rows, and one by lot until everybody had a turn', async () => {
    const wrapper = await open();
    await key('ArrowRight');
    await key('w');
    expect(scene(wrapper).text()).toContain('Row 1');
    await key('w');
    expect(scene(wrapper).text()).toContain('Row 2');
    const called = new Set<string>();
    for (let turn = 0; turn < 3; turn++) {
      await key('o');
      called.add(scene(wrapper).get('.huge').text());
    }
    expect([...called].toSorted()).toEqual(['Ann', 'Ben', 'Cy']);
  });

  it('asks for quiet without a sound, and silences everything with one key', async () => {
    const wrapper = await open();
    await key('ArrowRight');
    await key('q');
    expect(scene(wrapper).get('[role=timer]').attributes('aria-label')).toContain('seconds until it is quiet');
    await key('q');
    expect(scene(wrapper).find('[role=timer]').exists()).toBe(false);
    await key('x');
    expect(useMute().value).toBe(true);
    await key('x');
    expect(useMute().value).toBe(false);
  });

  it('echoes the notes of a tune together that has only been chanted', async () => {
    const wrapper = await open();
    await goTo(wrapper, 'Play together');
    expect(wrapper.get('[aria-label="Now"]').text()).toMatch(/Play together: .*E/);
    await eventually(() => expect(scene(wrapper).text()).toContain('Listen'));
  });

  it('lets a tune grow until the class knows which it is', async () => {
    const wrapper = await open();
    await goTo(wrapper, 'Tune');
    const grow = wrapper.findAll('button').find((button) => button.text() === 'Guess the tune')!;
    await grow.trigger('click');
    for (let turn = 0; turn < 3; turn++) await flushPromises();
    expect(scene(wrapper).text()).toMatch(/Which tune is it\?\s*\d+ of \d+ notes/);
    await key('n');
    expect(scene(wrapper).text()).toMatch(/ 0$/);
  });
});
