import type { HeardEvent, RecordEvent, UndoneEvent } from '@escalier/core/records';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

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

/** What is known of a class's records, so that it can be worked out without a network. */
export interface KeptRecords {
  readonly account: string;
  readonly classId: string;
  readonly events: readonly RecordEvent[];
  readonly last: number;
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Kept };
  records: { key: [string, string]; value: KeptRecords };
}

export type DeviceDatabase = IDBPDatabase<Schema>;

const NAME = 'escalier';

/** The database of this device. @throws DOMException where the browser keeps none. */
export function openDevice(name = NAME): Promise<DeviceDatabase> {
  return openDB<Schema>(name, 1, {
    upgrade(database) {
      database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
      database.createObjectStore('records', { keyPath: ['account', 'classId'] });
    },
  });
}
