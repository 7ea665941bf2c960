import type { RoomTune } from '@escalier/contract/practice-rooms';
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { computed, nextTick, ref, shallowRef } from 'vue';
import { mountInApp, press } from '../testing/mount.ts';
import { clearPage } from '../testing/page.ts';
import type { HomePartView } from '../workers/index.ts';
import type { ListenedView } from '../workers/listening.ts';
import OwnRecording from './OwnRecording.vue';
import PartRunner from './PartRunner.vue';
import TunePage from './TunePage.vue';
import { useRoom } from './use-room.ts';

vi.mock('../workers/index.ts', () => ({ tuneWorker: () => ({}) }));
vi.mock('./RoomSheet.vue', () => ({
  default: {
    name: 'RoomSheet',
    props: ['abc', 'title', 'marks', 'words', 'counting'],
    emits: ['pick'],
    template: '<figure>{{ abc }}</figure>',
  },
}));

const loopBars = ref<readonly [number, number] | null>(null);
const player = {
  loopBars,
  perMinute: ref(84),
  playing: shallowRef<object | null>(null),
  now: ref(null),
  turn: ref(null),
  melody: ref(true),
  countIn: ref(true),
  along: ref(false),
  silentPart: ref(null),
  error: ref(null),
  loop: (bars: readonly [number, number] | null) => (loopBars.value = bars),
  switchVoice: vi.fn(),
  setTempo: vi.fn(),
  start: vi.fn(() => Promise.resolve(void (player.playing.value = {}))),
  stop: vi.fn(() => (player.playing.value = null)),
};
const info = shallowRef({
  barNumbers: [0, 1, 2, 3],
  hasWords: true,
  playback: { notes: [{ part: 0 }] },
  reading: { tempo: { perMinute: 84 }, hardSpots: [] },
});
vi.mock('@escalier/core/lesson', () => ({ tuneTempi: () => [42, 84] }));
vi.mock('./use-sheet-player.ts', () => ({
  useSheetPlayer: (abc: { value: string }) => ({
    info,
    player,
    on: ref(null),
    sounding: ref(null),
    withBacking: vi.fn(),
    shown: computed(() => `as played: ${abc.value}`),
    pointing: (bars: unknown) => (bars === null ? [] : [{ kind: 'bracket', bars }]),
  }),
}));

const kindly = ref<{ good: string; next: readonly string[] } | null>(null);
const listening = {
  listens: ref(false),
  kindly,
  marks: ref([]),
  isAlone: ref(false),
  isThinking: ref(false),
  error: ref(null),
  play: vi.fn(() => player.start()),
  stop: vi.fn(),
  playAlone: vi.fn(),
  done: vi.fn(),
};
vi.mock('./use-part-listening.ts', () => ({ usePartListening: () => listening }));

const own = {
  isOn: ref(false),
  seconds: ref(14),
  isThinking: ref(false),
  error: ref(null),
  isPlaying: ref(false),
  view: shallowRef<ListenedView | null>(null),
  sound: shallowRef<Blob | null>(null),
  start: vi.fn(),
  finish: vi.fn(),
  hear: vi.fn(),
  forget: vi.fn(),
};
vi.mock('./use-own-recording.ts', () => ({ useOwnRecording: () => own }));
const handIns = { waiting: ref(0), refused: ref<string | null>(null), handIn: vi.fn() };
vi.mock('./hand-ins.ts', () => ({ useHandIns: () => handIns }));

const tune = { id: 't', title: 'Goose Walk', abc: 'X:1', position: 3, passed: false, belt: 'straw' } as RoomTune;

beforeEach(() => {
  vi.clearAllMocks();
  const style = { naming: 'fixed-do', counting: null };
  useRoom().token.value = 'a'.repeat(43);
  useRoom().facts.value = { whose: 'heron', tunes: [tune], style, instrumentId: 'i', mayHandIn: true } as never;
  [loopBars.value, player.playing.value, kindly.value] = [null, null, null];
  [listening.listens.value, listening.isAlone.value] = [false, false];
  [own.view.value, own.sound.value, own.isPlaying.value, handIns.waiting.value] = [null, null, false, 0];
});
afterEach(clearPage);

describe('a tune in the room', () => {
  const open = () => mountInApp(TunePage, { number: '3' }).wrapper;

  it('is shown as the class plays it, and says so when it is not there', () => {
    expect(open().get('figure').text()).toBe('as played: X:1');
    expect(mountInApp(TunePage, { number: '9' }).wrapper.text()).toContain('This tune isn’t in your room.');
  });

  it('loops the bars that are touched: the first begins, the second ends, the third takes it away', async () => {
    const sheet = open().getComponent({ name: 'RoomSheet' });
    for (const [bar, bars] of [
      ['b3', [3, 3]],
      ['b1', [1, 3]],
      ['b2', null],
    ] as const) {
      sheet.vm.$emit('pick', bar, null);
      await nextTick();
      expect(loopBars.value).toEqual(bars);
    }
  });

  it('loops the bars that are chosen by keys, first never after last', async () => {
    const wrapper = open();
    expect(wrapper.find('[aria-label="To bar"]').exists()).toBe(false);
    const first = wrapper.get('[aria-label="From bar"]');
    expect(first.findAll('option').map((element) => element.text())).toEqual(['all of it', 'pickup', '1', '2', '3']);
    await first.setValue(2);
    expect(loopBars.value).toEqual([2, 2]);
    await wrapper.get('[aria-label="To bar"]').setValue(3);
    expect(loopBars.value).toEqual([2, 3]);
    await wrapper.get('[aria-label="To bar"]').setValue(1);
    expect(loopBars.value).toEqual([1, 1]);
    await first.setValue(-1);
    expect(loopBars.value).toBeNull();
  });
});

describe('a part of the ten minutes', () => {
  const part = { title: 'Warm up', say: 'Listen.', tempo: 76, abc: 'X:1', turns: null, bars: [0, 1], alone: null };
  const run = () =>
    mountInApp(PartRunner, { part: part as unknown as HomePartView, number: 1, of: 5, onNext: vi.fn() }).wrapper;
  const primary = () => document.querySelector('.btn-primary')!.textContent.trim();

  it('plays its bars at its tempo, and can be skipped before it was played', async () => {
    const wrapper = run();
    expect(wrapper.text()).toContain('76 beats a minute');
    expect(wrapper.text()).toContain('Skip');
    await wrapper.get('[aria-label="Play"]').trigger('click');
    expect([player.perMinute.value, loopBars.value]).toEqual([76, [0, 1]]);
    await nextTick();
    expect(wrapper.text()).toContain('More practice tomorrow');
    expect(wrapper.text()).toContain('Get ready');
  });

  it('listens only where the family lets it', async () => {
    const wrapper = run();
    expect(wrapper.text()).not.toContain('Play it alone');
    listening.listens.value = true;
    await nextTick();
    await press('Play it alone');
    expect(listening.playAlone).toHaveBeenCalledOnce();
    listening.isAlone.value = true;
    await nextTick();
    expect(wrapper.get('[role=status]').text()).toBe('Now you, alone. I’m listening.');
    await press('I’m done');
    expect(listening.done).toHaveBeenCalledOnce();
  });

  it('offers what fits what was heard, and leaves the choice to the pupil', async () => {
    const wrapper = run();
    kindly.value = { good: 'Every note is there. Lovely!', next: [] };
    await nextTick();
    expect([wrapper.get('.turn').text(), primary()]).toEqual(['Every note is there. Lovely!', 'Got it, next']);
    kindly.value = { good: 'Nearly all of it is right.', next: ['One note to fix: ti in bar 2.'] };
    await nextTick();
    expect([wrapper.get('[role=status] li').text(), primary()]).toEqual([
      'One note to fix: ti in bar 2.',
      'More practice tomorrow',
    ]);
    await press('Got it, next');
    expect(wrapper.emitted('next')).toEqual([[true]]);
  });
});

describe('an own recording', () => {
  const heard = {
    kindly: { good: 'Nearly all of it is right.', next: ['One note to find in bar 3.'] },
  } as unknown as ListenedView;
  const open = () => mountInApp(OwnRecording, { tune }).wrapper;

  it('is listened to with the notes as the class names them', async () => {
    const wrapper = open();
    await press('Record');
    expect(own.start).toHaveBeenCalledWith({ abc: 'X:1', instrumentId: 'i', naming: 'fixed-do' });
    expect(wrapper.emitted('started')).toHaveLength(1);
  });

  it('goes to the teacher only after it was heard once more', async () => {
    const wrapper = open();
    [own.view.value, own.sound.value] = [heard, new Blob(['x'])];
    await nextTick();
    expect(wrapper.text()).toContain('One note to find in bar 3.');
    const send = () => wrapper.findAll('button').find((button) => button.text() === 'Send to my teacher');
    expect(send()!.attributes('disabled')).toBeDefined();
    own.isPlaying.value = true;
    await nextTick();
    handIns.handIn.mockImplementation(() => Promise.resolve(void (handIns.waiting.value = 1)));
    await send()!.trigger('click');
    await flushPromises();
    expect(handIns.handIn.mock.calls[0]).toMatchObject([{ whose: 'heron' }, { tuneId: 't' }]);
    expect(wrapper.text()).toContain('Saved here. It will be sent when you’re online.');
    expect(send()).toBeUndefined();
  });

  it('stays here where the family has not agreed', async () => {
    useRoom().facts.value = { ...useRoom().facts.value!, mayHandIn: false };
    const wrapper = open();
    [own.view.value, own.sound.value] = [heard, new Blob(['x'])];
    await nextTick();
    expect(wrapper.text()).not.toContain('Send to my teacher');
  });
});
