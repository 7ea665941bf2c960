import { openDB, type DBSchema } from 'idb';
import { computed, shallowRef } from 'vue';
import { PlainError } from '../ui/plain-error.ts';
import { RoomError, sendRecording } from './room-api.ts';

interface HandIn {
  /** UUID: sending it twice stores it once. */
  readonly id: string;
  readonly tuneId: string;
  readonly seconds: number;
  readonly sound: Blob;
}
interface Schema extends DBSchema {
  readonly waiting: { readonly key: string; readonly value: HandIn };
}

const open = () =>
  openDB<Schema>('room', 1, { upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'id' }) });
const waiting = shallowRef<readonly string[]>([]);
const refused = shallowRef<string | null>(null);
let sending: Promise<void> | null = null;

/** A version 7 id: by the clock, then by lot. */
function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  const now = Date.now();
  for (let at = 0; at < 6; at++) bytes[at] = Math.floor(now / 256 ** (5 - at)) % 256;
  bytes[6] = 0x70 | (bytes[6]! & 0x0f);
  bytes[8] = 0x80 | (bytes[8]! & 0x3f);
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

/** Kept on the device until the school has it; what the school refuses is said and given up. */
async function send(token: string): Promise<void> {
  const db = await open();
  try {
    for (const handIn of await db.getAll('waiting')) {
      waiting.value = await db.getAllKeys('waiting');
      try {
        await sendRecording(token, handIn);
        refused.value = null;
      } catch (problem) {
        if (!(problem instanceof PlainError)) throw problem;
        if (!(problem instanceof RoomError)) break;
        refused.value = problem.message;
        // Tomorrow, or when there is room again, it may be taken.
        if (problem.status === 429 || problem.status === 409) break;
      }
      await db.delete('waiting', handIn.id);
    }
    waiting.value = await db.getAllKeys('waiting');
  } finally {
    db.close();
  }
}

export function useHandIns() {
  function flush(token: string): Promise<void> {
    sending ??= send(token).finally(() => (sending = null));
    return sending;
  }
  async function handIn(token: string, made: Omit<HandIn, 'id'>): Promise<void> {
    const db = await open();
    await db.put('waiting', { ...made, id: newId() });
    waiting.value = await db.getAllKeys('waiting');
    db.close();
    await flush(token);
  }
  async function forget(): Promise<void> {
    const db = await open();
    await db.clear('waiting');
    db.close();
    waiting.value = [];
  }
  return { waiting: computed(() => waiting.value.length), refused, flush, handIn, forget };
}
