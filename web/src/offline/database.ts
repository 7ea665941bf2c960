import type { HeardEvent, RecordEvent, UndoneEvent } from '@escalier/core/records';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Sealed } from './seal.ts';

/** An event that waits on this device until the school has it. */
export interface Kept {
  /** Counts up on this device: the order of sending. */
  readonly order: number;
  /** E-mail of who recorded it: nobody else sends it. */
  readonly account: string;
  readonly classId: string;
  readonly event: NewEvent;
  /** The school's sentence, when it would not take the event; it stays here until somebody has read it. */
  readonly refused: string | null;
}

/** As it is made on a device: the undo carries the device's time, too. */
export type NewEvent = HeardEvent | (UndoneEvent & { readonly heardAt: string });

/** What is sealed of a kept event. */
export type KeptContent = Pick<Kept, 'classId' | 'event'>;

/** As it lies on the disk: sealed, or plain where the browser cannot seal; then it holds no free words. */
export interface Stored extends Pick<Kept, 'order' | 'account' | 'refused'> {
  readonly content: Sealed | KeptContent;
}

/** What is known of a class's records, so that it can be worked out without a network. */
export interface KeptRecords {
  readonly account: string;
  readonly classId: string;
  readonly events: readonly RecordEvent[];
  readonly last: number;
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Stored };
  records: { key: [string, string]; value: KeptRecords };
  /** Keys that can be used and not be read. */
  keys: { key: string; value: { readonly account: string; readonly key: CryptoKey } };
}

export type DeviceDatabase = IDBPDatabase<Schema>;

const NAME = 'escalier';

/** The database of this device. @throws DOMException where the browser keeps none. */
export async function openDevice(name = NAME): Promise<DeviceDatabase> {
  return openDB<Schema>(name, 3, {
    upgrade(database, before, _after, transaction) {
      database.createObjectStore('keys', { keyPath: 'account' });
      if (before < 1) {
        database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
        database.createObjectStore('records', { keyPath: ['account', 'classId'] });
        return;
      }
      if (before > 1) return;
      // The first version kept events plain.
      const store = transaction.objectStore('outbox');
      void store.getAll().then((all) => {
        for (const { classId, event, ...rest } of all as unknown as Kept[])
          void store.put({ ...rest, content: { classId, event } });
      });
    },
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  });
}
