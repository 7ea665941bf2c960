import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ref, shallowRef } from 'vue';
import { mountInApp } from '../testing/mount.ts';
import { clearPage } from '../testing/page.ts';
import type { HomePartView, PieceTurn } from '../workers/index.ts';
import type { ListenedView, ToListen } from '../workers/listening.ts';
import { usePartListening } from './use-part-listening.ts';
import { useRoom } from './use-room.ts';
import { eventually } from '../testing/eventually.ts';

const RATE = 100;
/** What the microphone has heard so far, in seconds, and who is told that it was quiet. */
const ear = vi.hoisted(() => ({ seconds: 0, starts: 0, full: [] as (() => void)[] }));
vi.mock('../sound/index.ts', async () => ({
  ...(await import('../sound/use-listener.ts')),
  useTake: (_: number, onFull?: () => void) => {
    const isOn = ref(false);
    if (onFull !== undefined) ear.full.push(onFull);
    return {
      isOn,
      error: ref(null),
      seconds: ref(0),
      soFar: () => ear.seconds,
      forget: () => (isOn.value = false),
      start: () => {
        ear.starts++;
        isOn.value = true;
        return Promise.resolve();
      },
      finish: () => {
        const was = isOn.value;
        isOn.value = false;
        return was ? { samples: new Float32Array(ear.seconds * RATE), rate: RATE } : null;
      },
    };
  },
}));
const asked = vi.hoisted(() => [] as unknown[]);
vi.mock('../workers/listening.ts', () => ({
  listeningPool: () => ({
    cancel: vi.fn(),
    listen: (one: ToListen) => {
      asked.push(one);
      const isFirst = asked.length === 1;
      const view = {
        unclear: null,
        stops: [],
        extras: [],
        asked: [{ id: 'n0-1-0', kind: 'missed', words: 'Missing' }],
      };
      const next = isFirst ? [] : ['One note to find in bar 2.'];
      return Promise.resolve({ ...view, kindly: { good: 'Lovely!', next } } as unknown as ListenedView);
    },
  }),
}));

const turn = (bar: number, who: PieceTurn['who']): PieceTurn => ({
  from: `n0-${bar}-0`,
  to: `n0-${bar}-3`,
  perMinute: 60,
  who,
});
const ECHO = [turn(0, 'teacher'), turn(0, 'class'), turn(1, 'teacher'), turn(1, 'class')];

function listening(turns: readonly PieceTurn[] | null, alone: HomePartView['alone'] = null) {
  const playing = shallowRef<object | null>(null);
  const now = shallowRef<PieceTurn | null>(null);
  const player = {
    playing: playing as never,
    turn: now as never,
    start: () => Promise.resolve(void (playing.value = {})),
    stop: () => (playing.value = null),
  };
  let heard!: ReturnType<typeof usePartListening>;
  mountInApp({
    setup() {
      const part = { turns, alone } as HomePartView;
      heard = usePartListening(ref(part), ref('X:1'), player);
      return () => null;
    },
  });
  /** It has played to the end. */
  async function end(): Promise<void> {
    [playing.value, now.value] = [null, null];
    await flushPromises();
  }
  return { ...heard, now, end };
}

beforeEach(() => {
  [ear.seconds, ear.starts, ear.full, asked.length] = [0, 0, [], 0];
  useRoom().listens.value = false;
  useRoom().facts.value = { instrumentId: 'soprano-recorder-baroque', style: { naming: 'fixed-do' } } as never;
});
afterEach(clearPage);

describe('a part that listens', () => {
  it('does not before the family has let it', async () => {
    const part = listening(ECHO);
    await part.play();
    await part.end();
    expect([ear.starts, part.kindly.value]).toEqual([0, null]);
  });

  it('hears each answer for itself, between the turns of the device', async () => {
    const part = listening(ECHO);
    part.listens.value = true;
    await part.play();
    for (const [index, each] of ECHO.entries()) {
      ear.seconds = index * 4;
      part.now.value = each;
    }
    ear.seconds = 16;
    await part.end();
    expect(asked).toMatchObject([
      { naming: 'fixed-do', stretch: { from: 'n0-0-0', to: 'n0-0-3' } },
      { naming: 'fixed-do', stretch: { from: 'n0-1-0', to: 'n0-1-3' } },
    ]);
    expect((asked as ToListen[]).map(({ samples }) => samples.length)).toEqual([405, 405]);
    expect(part.kindly.value).toEqual({ good: 'One of two came back right.', next: ['One note to find in bar 2.'] });
    expect(part.marks.value).toContainEqual({ kind: 'heard', id: 'n0-1-0', how: 'missed', words: 'Missing' });
  });

  it('hears who plays alone after playing along, until it is quiet', async () => {
    const part = listening(null, { from: 'n0-4-0', to: 'n0-7-2' });
    part.listens.value = true;
    await part.play();
    await part.end();
    expect([ear.starts, part.isAlone.value]).toEqual([1, true]);
    ear.seconds = 9;
    for (const full of ear.full) full();
    await eventually(() => expect(part.kindly.value).toEqual({ good: 'Lovely!', next: [] }));
    expect(asked).toMatchObject([{ abc: 'X:1', stretch: { from: 'n0-4-0', to: 'n0-7-2' } }]);
  });

  it('hears nothing of what was stopped by hand', async () => {
    const part = listening(null);
    part.listens.value = true;
    await part.play();
    part.stop();
    await flushPromises();
    expect(ear.starts).toBe(0);
  });
});
