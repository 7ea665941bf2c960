import { openDB, type DBSchema } from 'idb';
import { v7 } from 'uuid';
import { ref } from 'vue';
import { PlainError } from '../refusals/index.ts';
import { RoomError, secondsOf, sendRecording, type Recording } from './room-api.ts';

interface HandIn extends Recording {
  /** Brother and sister may share a device: each one's recordings go through their own door. */
  readonly whose: string;
}
interface Schema extends DBSchema {
  readonly waiting: { readonly key: string; readonly value: HandIn };
}

/** Whose room is open, and the token that opens it. */
interface Door {
  readonly token: string;
  readonly whose: string;
}

const open = () =>
  openDB<Schema>('room', 1, { upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'id' }) });
const waiting = ref(0);
const refused = ref<string | null>(null);
let sending: Promise<void> = Promise.resolve();

async function ofPupil(whose: string): Promise<readonly HandIn[]> {
  const db = await open();
  const all = await db.getAll('waiting');
  db.close();
  return all.filter((handIn) => handIn.whose === whose);
}

async function drop(id: string): Promise<void> {
  const db = await open();
  await db.delete('waiting', id);
  db.close();
}

/** Sends what waits for this door; what the school will never take is said and given up. */
async function send({ token, whose }: Door): Promise<void> {
  refused.value = null;
  for (const handIn of await ofPupil(whose)) {
    try {
      // What waits since an earlier version may have kept a wrong length.
      await sendRecording(token, { ...handIn, seconds: secondsOf(handIn.sound) || handIn.seconds });
      await drop(handIn.id);
    } catch (problem) {
      if (!(problem instanceof PlainError)) throw problem;
      if (!(problem instanceof RoomError)) break;
      refused.value = problem.message;
      if (problem.isFinal) await drop(handIn.id);
    }
  }
  waiting.value = (await ofPupil(whose)).length;
}

/** What is to go to the teacher: kept on the device until the school has it. */
export function useHandIns() {
  /** One after the other: nothing is sent twice at once. */
  function flush(door: Door): Promise<void> {
    sending = sending.catch(() => undefined).then(() => send(door));
    return sending;
  }

  async function handIn(door: Door, made: Pick<Recording, 'tuneId' | 'sound'>): Promise<void> {
    const db = await open();
    await db.put('waiting', { ...made, seconds: secondsOf(made.sound), id: v7(), whose: door.whose });
    db.close();
    waiting.value = (await ofPupil(door.whose)).length;
    await flush(door);
  }

  async function forget(): Promise<void> {
    const db = await open();
    await db.clear('waiting');
    db.close();
    waiting.value = 0;
  }

  return { waiting, refused, flush, handIn, forget };
}
