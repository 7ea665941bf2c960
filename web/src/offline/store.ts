import type { RecordEvent } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { tryAgain } from './again.ts';
import type { Kept, NewEvent } from './database.ts';
import { heldDevice } from './held-device.ts';
import { keptRecordsOn } from './kept-records.ts';
import type { Sent } from './outbox.ts';
import { sendToSchool } from './send.ts';

/** Where what was recorded on this device is now. */
export type OutboxState = 'at-school' | 'sending' | 'here' | 'sign-in' | 'refused';

/** What was recorded on this device: kept here at once, and sent to the school in order as soon as there is a way. */
export const useOutbox = defineStore('outbox', () => {
  const account = ref<string | null>(null);
  /** What this account has recorded here. */
  const items = shallowRef<readonly Kept[]>([]);
  /** E-mails of others whose records wait on this device for their signing in. */
  const others = shallowRef<readonly string[]>([]);
  const sending = ref(false);
  const lastSent = ref<Sent>('done');
  /** Events of this device that the school has got meanwhile, by class, with the numbers that it gave. */
  const arrivals = new Set<(classId: string, event: RecordEvent) => void>();
  const device = heldDevice();
  const again = tryAgain(() => void flush());

  const waiting = computed(() => items.value.filter((kept) => kept.refused === null));
  const refused = computed(() => items.value.filter((kept) => kept.refused !== null));
  const state = computed((): OutboxState => {
    if (refused.value.length > 0) return 'refused';
    if (waiting.value.length === 0) return 'at-school';
    if (lastSent.value === 'signed-out') return 'sign-in';
    return sending.value && lastSent.value !== 'offline' ? 'sending' : 'here';
  });

  /** Reads what waits on this device, and begins to send what is of this account. */
  async function open(email: string, key: CryptoKey | string): Promise<void> {
    account.value = email;
    device.sealWith(key);
    try {
      const { box } = await device.get();
      items.value = await box.of(email);
      others.value = await box.others(email);
    } catch {
      // A browser that keeps nothing: each record goes straight to the school, or is refused in a sentence.
      return;
    }
    void navigator.storage?.persist?.();
    void flush();
  }

  /**
   * Keeps an event here: seen at once, on the disk when this has come back.
   * @throws Error with a sentence when this device cannot keep it and the school is not reached either.
   */
  async function add(classId: string, event: NewEvent): Promise<void> {
    const email = account.value;
    if (email === null) throw new Error('Nobody is signed in on this device.');
    const shown: Kept = { order: -items.value.length - 1, account: email, classId, event, refused: null };
    items.value = [...items.value, shown];
    try {
      const kept = await (await device.get()).box.add({ account: email, classId, event });
      items.value = items.value.map((item) => (item === shown ? kept : item));
    } catch {
      await sendUnkept(shown);
    }
    void flush();
  }

  /** The disk is full, or the browser keeps nothing: then only the school itself will do. */
  async function sendUnkept(shown: Kept): Promise<void> {
    const drop = (): void => void (items.value = items.value.filter((item) => item !== shown));
    try {
      const [result] = await sendToSchool([shown.event]);
      if (result === undefined || 'refused' in result) throw new Error(result?.refused);
      drop();
      tell(shown, result.number);
    } catch {
      drop();
      throw new Error('This device cannot keep it (its disk may be full), and the school is not reached.');
    }
  }

  function tell({ classId, event }: Kept, number: number): void {
    const received = { ...event, receipt: { number, deviceAhead: 0 } };
    for (const arrived of arrivals) arrived(classId, received);
  }

  /** Sends what waits. Tries again by itself, less and less often, as long as there is no way. */
  async function flush(): Promise<void> {
    const email = account.value;
    if (email === null || sending.value) return;
    again.stop();
    sending.value = true;
    try {
      const { box } = await device.get();
      // Two pages of one device send one after the other.
      lastSent.value = await alone(() => box.send(email, sendToSchool, tell));
      items.value = [...(await box.of(email)), ...items.value.filter((kept) => kept.order < 0)];
    } catch {
      lastSent.value = 'offline';
    } finally {
      sending.value = false;
    }
    if (lastSent.value === 'offline') again.later();
    else {
      again.wentWell();
      if (waiting.value.some((kept) => kept.order > 0) && lastSent.value !== 'signed-out') void flush();
    }
  }

  /** Takes away a refused event that somebody has read. */
  async function forget(order: number): Promise<void> {
    const { box } = await device.get();
    await box.forget(order);
    items.value = items.value.filter((kept) => kept.order !== order);
  }

  /** Sends once more what the school has refused. */
  async function retry(order: number): Promise<void> {
    const { box } = await device.get();
    await box.retry(order);
    items.value = items.value.map((kept) => (kept.order === order ? { ...kept, refused: null } : kept));
    void flush();
  }

  /** For the end of a session, however it came: nothing of it stays in memory, what is unsent stays sealed. */
  async function leave(): Promise<void> {
    account.value = null;
    again.stop();
    items.value = [];
    others.value = [];
    await device.leave();
  }

  function whenArrived(arrived: (classId: string, event: RecordEvent) => void): void {
    arrivals.add(arrived);
  }

  return {
    state,
    waiting,
    refused,
    others,
    lastSent,
    open,
    add,
    flush,
    forget,
    retry,
    ...keptRecordsOn(device, () => account.value),
    leave,
    whenArrived,
  };
});

async function alone<Value>(work: () => Promise<Value>): Promise<Value> {
  const locks = (navigator as Partial<Navigator>).locks;
  return locks === undefined ? work() : locks.request('escalier-outbox', work);
}
