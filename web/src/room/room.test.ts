import { USUAL_ENGLISH } from '@escalier/messages';
import type { RoomFacts } from '@escalier/contract/practice-rooms';
import '../testing/own-database.ts';
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick, ref, shallowRef } from 'vue';
import { fakeServer, Refused } from '../testing/fake-server.ts';
import { clearPage } from '../testing/page.ts';
import { mountInApp, press } from '../testing/mount.ts';
import type { TuneInfo } from '../workers/index.ts';
import AnswersPage from './AnswersPage.vue';
import DoorPage from './DoorPage.vue';
import NotesPage from './NotesPage.vue';
import TodayPage from './TodayPage.vue';
import TunesPage from './TunesPage.vue';
import { useHandIns } from './hand-ins.ts';
import { useBreak } from './use-break.ts';
import { takeTokenFrom, today, useRoom } from './use-room.ts';
import { useTapping } from './use-tapping.ts';
import { eventually } from '../testing/eventually.ts';

const parts = vi.hoisted(() => ({ homeParts: vi.fn(() => Promise.resolve(null as unknown)) }));
vi.mock('../workers/index.ts', () => ({ tuneWorker: () => parts }));
vi.mock('../score/index.ts', () => ({ ScoreSheet: { props: ['title'], template: '<figure>{{ title }}</figure>' } }));
const sound = vi.hoisted(() => ({
  start: vi.fn(),
  seconds: 0,
  end: undefined as (() => void) | undefined,
  cues: [] as readonly { id: string; at: number }[],
}));
vi.mock('../sound/index.ts', async () => {
  const { scheduleOf, turnOfCue, turnsSchedule } = await import('../sound/schedule.ts');
  const playing = shallowRef<unknown>(null);
  return {
    scheduleOf,
    turnOfCue,
    turnsSchedule,
    useSound: () => ({
      now: ref(null),
      error: ref(null),
      playing,
      stop: () => (playing.value = null),
      start: (
        schedule: { cues: readonly { id: string; at: number }[] },
        _voices: unknown,
        _loop: boolean,
        onEnd: () => void,
      ) => {
        playing.value = { seconds: () => sound.seconds };
        sound.end = onEnd;
        sound.cues = schedule.cues;
        return Promise.resolve();
      },
    }),
  };
});

const TOKEN = 'a'.repeat(43);
const DOOR = { token: TOKEN, whose: 'heron' };
const facts = (more: Partial<RoomFacts> = {}): RoomFacts => ({
  pictureName: 'Blue Heron',
  whose: 'heron',
  instrumentId: 'soprano-recorder-baroque',
  english: USUAL_ENGLISH,
  chunkBeats: 4,
  now: 1,
  task: null,
  style: { naming: 'letters', counting: null, lengthWords: 'british', posture: {} as never },
  tunes: ['Lanterns', 'Goose Walk', 'Mill'].map((title, index) => ({
    id: `t${index}`,
    title,
    abc: 'X:1',
    belt: 'straw',
    position: index + 1,
    passed: index < 1,
  })),
  known: { notes: ['G4', 'A4'], elements: [], signs: [], moves: [] },
  notes: ['G4', 'A4', 'B4'],
  mayHandIn: true,
  keptDays: 30,
  until: '2026-12-31',
  answers: [],
  ...more,
});

beforeEach(() => {
  useRoom().leave();
  useRoom().error.value = null;
});
afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
});

async function inside(more: Partial<RoomFacts> = {}): Promise<ReturnType<typeof useRoom>> {
  fakeServer({ 'GET /api/room': () => facts(more) });
  takeTokenFrom(`#${TOKEN}`);
  await useRoom().refresh();
  return useRoom();
}

describe('the way in', () => {
  it('is the part of the address that no browser sends, and nothing else', () => {
    expect(takeTokenFrom('#short')).toBe(false);
    expect(takeTokenFrom('')).toBe(false);
    expect(takeTokenFrom(`#${TOKEN}`)).toBe(true);
    expect(useRoom().token.value).toBe(TOKEN);
  });

  it('is found by three words, and says when they open nothing', async () => {
    fakeServer({
      'POST /api/room/words': ({ body }) =>
        (body as { words: string }).words === 'otter lamp kite'
          ? { token: TOKEN }
          : new Refused(404, 'This slip no longer works.'),
      'GET /api/room': () => facts(),
    });
    const { wrapper } = mountInApp(DoorPage);
    await wrapper.get('input').setValue('otter lamp tree');
    await wrapper.get('form').trigger('submit');
    await eventually(() => expect(wrapper.text()).toContain('This slip no longer works.'));
    await wrapper.get('input').setValue('otter lamp kite');
    await wrapper.get('form').trigger('submit');
    await eventually(() => expect(useRoom().facts.value?.pictureName).toBe('Blue Heron'));
  });

  it('goes on without a network, and forgets the room of a slip that is closed', async () => {
    const room = await inside();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    await room.refresh();
    expect([room.isOffline.value, room.facts.value?.pictureName, room.error.value]).toEqual([true, 'Blue Heron', null]);
    const closed = { error: { code: 'slip-void', message: 'This slip no longer works.' } };
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(closed), { status: 404 })));
    await room.refresh();
    expect([room.token.value, room.facts.value, room.error.value]).toEqual([null, null, 'This slip no longer works.']);
  });

  it('stays for a new slip of the same pupil, and begins anew for another pupil on the same device', async () => {
    const room = await inside();
    room.practised();
    room.love('t0');
    takeTokenFrom(`#${'b'.repeat(43)}`);
    expect(room.facts.value).toBeNull();
    await room.refresh();
    expect([room.days.value, room.loved.value]).toEqual([[today()], ['t0']]);
    fakeServer({ 'GET /api/room': () => facts({ whose: 'otter' }) });
    await room.refresh();
    expect([room.days.value, room.loved.value]).toEqual([[], []]);
  });
});

describe('today', () => {
  const view = (kind: string, title: string) => ({
    kind,
    title,
    say: 'Listen, then play it back.',
    minutes: 5,
    tempo: 60,
    abc: 'X:1',
    tune: null,
    turns: null,
    bars: null,
    part: { kind },
  });

  it('lists what is to be practised, with what the teacher set', async () => {
    await inside({ task: { tune: 1, bars: [5, 8], tempo: 60, words: 'Bars 5 to 8, slowly.' } });
    parts.homeParts.mockResolvedValue([view('warm-up', 'Warm up'), view('task', 'Goose Walk, bars 5 to 8')]);
    const { wrapper } = mountInApp(TodayPage);
    await eventually(() => expect(wrapper.findAll('.parts li')).toHaveLength(2));
    expect(wrapper.text()).toContain('Bars 5 to 8, slowly.');
    expect(wrapper.text()).toContain('These days are stored on this device only.');
    expect(wrapper.get('[aria-current="step"]').text()).toContain('Goose Walk');
    const asked = parts.homeParts.mock.calls.at(-1) as unknown as [{ task: unknown; day: number }];
    expect(asked[0].task).toEqual({ tune: 1, bars: [5, 8], tempo: 60 });
  });
});

describe('a rest', () => {
  it('is proposed after ten minutes, and again after ten more; a pause is one by itself', async () => {
    vi.useFakeTimers();
    let rest!: ReturnType<typeof useBreak>;
    mountInApp({
      setup() {
        rest = useBreak();
        return () => null;
      },
    });
    const practise = async (minutes: number) => {
      for (let minute = 0; minute < minutes; minute++) {
        window.dispatchEvent(new Event('keydown'));
        await vi.advanceTimersByTimeAsync(60_000);
      }
    };
    await practise(9);
    expect(rest.isDue.value).toBe(false);
    await practise(2);
    expect(rest.isDue.value).toBe(true);
    rest.rested();
    await practise(9);
    await vi.advanceTimersByTimeAsync(5 * 60_000);
    await practise(9);
    expect(rest.isDue.value).toBe(false);
    vi.useRealTimers();
  });
});

describe('tunes', () => {
  it('can be liked, on this device', async () => {
    const room = await inside();
    const { wrapper } = mountInApp(TunesPage);
    await wrapper.get('[aria-label="I like Lanterns"]').trigger('click');
    expect(room.loved.value).toEqual(['t0']);
    expect(wrapper.get('[aria-label="I like Lanterns"]').attributes('aria-pressed')).toBe('true');
    await wrapper.get('[aria-label="I like Lanterns"]').trigger('click');
    expect(room.loved.value).toEqual([]);
  });
});

describe('one minute of notes', () => {
  it('takes a fingering by touch, shows the right one after a wrong one, and counts', async () => {
    vi.useFakeTimers();
    await inside();
    const { wrapper } = mountInApp(NotesPage);
    await press('Cover the holes');
    const note = /Cover (.)/.exec(wrapper.get('h1').text())![1]!;
    await press('Done');
    expect(wrapper.get('[role="alert"]').text()).toContain(`${note} goes like this:`);
    await press('Next one');
    // G: thumb and three fingers; A two; B one.
    const next = /Cover (.)/.exec(wrapper.get('h1').text())![1]!;
    expect(next).not.toBe(note);
    const fingers = { G: 4, A: 3, B: 2 }[next]!;
    for (const hole of wrapper.findAll('button.hole').slice(0, fingers)) await hole.trigger('click');
    await press('Done');
    expect(wrapper.text()).toContain('1 right');
    vi.advanceTimersByTime(61_000);
    await nextTick();
    expect(wrapper.text()).toContain('1 right this minute.');
    vi.useRealTimers();
  });

  it('names what is covered', async () => {
    await inside();
    const { wrapper } = mountInApp(NotesPage);
    await press('Name the note');
    const covered = wrapper.findAll('.hole.closed').length;
    await press({ 4: 'G', 3: 'A', 2: 'B' }[covered]!);
    expect(wrapper.text()).toContain('1 right');
  });
});

describe('tapping', () => {
  function tappingOf() {
    const beats = [0, 1, 2, 3];
    const info = shallowRef({
      playback: {
        perMinute: 60,
        beats: 4,
        clicks: [],
        countIn: [],
        drone: 60,
        events: beats.map((start) => ({ id: `n0-0-${start}`, start, end: start + 1 })),
        bars: [{ id: 'b0', index: 0, start: 0, end: 4 }],
        notes: beats.map((start) => ({ midi: 67, start, beats: 1, legato: false, id: `n0-0-${start}`, part: 0 })),
      },
    } as unknown as TuneInfo);
    let tapping!: ReturnType<typeof useTapping>;
    mountInApp({
      setup() {
        tapping = useTapping(info, () => 'recorder');
        return () => null;
      },
    });
    return tapping;
  }

  it('is held against the notes of the bars, from the clock of the sound', async () => {
    const tapping = tappingOf();
    await tapping.start([0, 0], 60, 'along');
    sound.seconds = 0.02;
    for (const at of [1000, 1800, 3250]) tapping.tap(at);
    sound.end!();
    expect(tapping.result.value!.notes.map(({ kind }) => kind)).toEqual(['together', 'early', 'late', 'missed']);
  });

  it('comes back after the bars were heard: only the second time counts', async () => {
    const tapping = tappingOf();
    await tapping.start([0, 0], 60, 'back');
    expect(sound.cues.map(({ at }) => at)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    sound.seconds = 4;
    for (const at of [4000, 5000, 6000, 7000]) tapping.tap(at);
    sound.end!();
    expect(tapping.result.value!.extra).toBe(0);
    expect(tapping.result.value!.notes.map(({ kind }) => kind)).toEqual([
      'together',
      'together',
      'together',
      'together',
    ]);
  });
});

describe('handing in', () => {
  const made = { tuneId: 't1', sound: new Blob([new Uint8Array(44 + 2 * 16_000 * 9)]) };

  it('waits on the device for a network, and goes once', async () => {
    const handIns = useHandIns();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    await handIns.handIn(DOOR, made);
    expect(handIns.waiting.value).toBe(1);
    const sent = vi.fn(() => Promise.resolve(new Response('{}', { status: 201 })));
    vi.stubGlobal('fetch', sent);
    await Promise.all([handIns.flush(DOOR), handIns.flush(DOOR)]);
    expect([handIns.waiting.value, sent.mock.calls.length]).toEqual([0, 1]);
    const [path, init] = sent.mock.calls[0] as unknown as [string, RequestInit];
    expect(path).toMatch(/^\/api\/room\/recordings\/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f-]{17,}\?tuneId=t1&seconds=9$/);
    expect(init).toMatchObject({ credentials: 'omit', headers: { authorization: `Bearer ${TOKEN}` } });
  });

  it('says what the school does not take, and keeps what may go tomorrow', async () => {
    const handIns = useHandIns();
    const answer = (status: number, message: string) => () =>
      Promise.resolve(new Response(JSON.stringify({ error: { code: 'busy', message } }), { status }));
    vi.stubGlobal('fetch', answer(429, 'Enough for today.'));
    await handIns.handIn(DOOR, made);
    expect([handIns.waiting.value, handIns.refused.value]).toEqual([1, 'Enough for today.']);
    vi.stubGlobal('fetch', answer(500, 'Something broke here.'));
    await handIns.flush(DOOR);
    expect([handIns.waiting.value, handIns.refused.value]).toEqual([1, 'Something broke here.']);
    vi.stubGlobal('fetch', answer(403, 'Your family has not agreed.'));
    await handIns.flush(DOOR);
    expect([handIns.waiting.value, handIns.refused.value]).toEqual([0, 'Your family has not agreed.']);
  });

  it('never goes through the door of another pupil on the same device', async () => {
    const handIns = useHandIns();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    await handIns.handIn(DOOR, made);
    const sent = vi.fn(() => Promise.resolve(new Response('{}', { status: 201 })));
    vi.stubGlobal('fetch', sent);
    await handIns.flush({ token: 'b'.repeat(43), whose: 'otter' });
    expect([handIns.waiting.value, sent.mock.calls.length]).toEqual([0, 0]);
    await handIns.flush({ token: 'c'.repeat(43), whose: 'heron' });
    expect(sent).toHaveBeenCalledOnce();
    await handIns.forget();
  });
});

describe('the teacher’s answers', () => {
  it('say the outcome, the words and the bars', async () => {
    const answer = { id: 'r', tuneId: 't1', handedInAt: '2026-03-03T10:00:00Z', erasedOn: '2026-04-02' } as const;
    await inside({
      answers: [
        { ...answer, words: 'Lovely sound.', outcome: 'nearly', bars: [3, 4], spokenSeconds: null },
        { ...answer, id: 's', tuneId: 'gone', words: '', outcome: null, bars: [], spokenSeconds: null },
      ],
    });
    const { wrapper } = mountInApp(AnswersPage);
    await flushPromises();
    for (const words of [
      'Goose Walk',
      'Nearly: once more.',
      'Lovely sound.',
      'Look at bars 3 and 4.',
      'Your teacher has it.',
    ])
      expect(wrapper.text()).toContain(words);
  });
});
