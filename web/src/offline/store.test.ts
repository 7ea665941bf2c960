import '../testing/own-database.ts';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { mountInApp } from '../testing/mount.ts';
import type { NewEvent } from './database.ts';
import { clearDevice } from './device.ts';
import SaveState from './SaveState.vue';
import { useOutbox } from './store.ts';
import { eventually } from '../testing/eventually.ts';

const KEY = 'A'.repeat(43);

const event = (id: string = crypto.randomUUID()): NewEvent => ({
  kind: 'heard',
  id,
  pupilId: 'p',
  stepId: 's',
  outcome: 'nearly',
  remarks: [],
  heardAt: '2026-03-03T10:00:00.000Z',
});

type Answer = (events: readonly NewEvent[]) => Response;
const taken: Answer = (events) =>
  Response.json({ results: events.map(({ id }, index) => ({ id, number: index + 1, stored: true })) });
const signedOut: Answer = () =>
  Response.json({ error: { code: 'signed-out', message: 'Please sign in first.' } }, { status: 401 });
const refused: Answer = (events) =>
  Response.json({ results: events.map(({ id }) => ({ id, refused: 'This pupil has left the class.' })) });

let answer: Answer | null = null;
beforeEach(() => {
  setActivePinia(createPinia());
  answer = null;
  vi.stubGlobal('fetch', (_: string, init: RequestInit) =>
    answer === null
      ? Promise.reject(new TypeError('offline'))
      : Promise.resolve(answer((JSON.parse(init.body as string) as { events: NewEvent[] }).events)),
  );
});
afterEach(async () => {
  await useOutbox().leave();
  vi.unstubAllGlobals();
});

async function opened(email = `${crypto.randomUUID()}@osierbridge.example`) {
  const outbox = useOutbox();
  await outbox.open(email, KEY);
  return outbox;
}

const shown = () => mountInApp(SaveState).wrapper;

describe('what was recorded on this device', () => {
  it('is here as long as the school is not reached, and then at school', async () => {
    const outbox = await opened();
    const arrived = vi.fn();
    outbox.whenArrived(arrived);
    const first = event();
    await outbox.add('c', first);
    await eventually(() => expect(outbox.state).toBe('here'));
    expect(shown().get('button').text()).toBe('Saved here: 1');
    answer = taken;
    await outbox.flush();
    await eventually(() => expect(outbox.state).toBe('at-school'));
    expect(arrived).toHaveBeenCalledWith('c', { ...first, receipt: { number: 1, deviceAhead: 0 } });
    expect(shown().get('button').text()).toBe('All saved');
  });

  it('is seen before it is on the disk', async () => {
    const outbox = await opened();
    const adding = outbox.add('c', event());
    expect(outbox.waiting).toHaveLength(1);
    await adding;
  });

  it('waits for signing in again, and for its own account', async () => {
    answer = signedOut;
    const outbox = await opened();
    await outbox.add('c', event());
    await eventually(() => expect(outbox.state).toBe('sign-in'));
    expect(shown().get('button').text()).toContain('Sign in to send: 1');
    await outbox.leave();
    await outbox.open('ivo@osierbridge.example', KEY);
    expect(outbox.waiting).toEqual([]);
    expect(outbox.others.length).toBeGreaterThan(0);
  });

  it('stays with the school’s sentence when it is refused, until it is put away', async () => {
    answer = refused;
    const outbox = await opened();
    await outbox.add('c', event());
    await eventually(() => expect(outbox.state).toBe('refused'));
    const state = shown();
    await state.get('button').trigger('click');
    await eventually(() => expect(document.body.textContent).toContain('This pupil has left the class.'));
    await outbox.forget(outbox.refused[0]!.order);
    expect(outbox.state).toBe('at-school');
  });

  it('goes straight to the school when the disk is full, and is refused when that is not reached either', async () => {
    const outbox = await opened();
    vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await expect(outbox.add('c', event())).rejects.toThrow('This device cannot keep it');
    expect(outbox.waiting).toEqual([]);
    answer = taken;
    await outbox.add('c', event());
    expect(outbox.state).toBe('at-school');
    vi.restoreAllMocks();
  });

  it('goes straight to the school where the browser keeps nothing at all', async () => {
    vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('closed', 'SecurityError');
    });
    const outbox = await opened();
    answer = taken;
    await outbox.add('c', event());
    expect(outbox.state).toBe('at-school');
    answer = null;
    await expect(outbox.add('c', event())).rejects.toThrow('the school is not reached');
    vi.restoreAllMocks();
  });

  it('leaves the names and records of pupils, but not what is unsent, when somebody signs out', async () => {
    const outbox = await opened('asha@osierbridge.example');
    await outbox.keepRecords({ classId: 'c', events: [event()], last: 4 });
    await outbox.add('c', event());
    expect(await outbox.keptRecords('c')).toMatchObject({ last: 4 });
    await outbox.leave();
    await clearDevice();
    expect(outbox.waiting).toEqual([]);
    await outbox.open('asha@osierbridge.example', KEY);
    expect(await outbox.keptRecords('c')).toBeNull();
    expect(outbox.waiting).toHaveLength(1);
  });
});
