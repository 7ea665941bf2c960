import { openDevice, type DeviceDatabase } from './database.ts';
import { outbox, type Outbox } from './outbox.ts';
import { sealerOf } from './seal.ts';

export interface Held {
  readonly database: DeviceDatabase;
  readonly box: Outbox;
}

/** What a device keeps, under the seal of one account: opened when it is first needed. */
export interface HeldDevice {
  /** Comes with the session; what was open under another seal is opened anew. */
  sealWith(key: CryptoKey | string): void;
  /** @throws when the browser keeps nothing. */
  get(): Promise<Held>;
  /** Closes it and forgets the seal; what is unsent stays sealed. */
  leave(): Promise<void>;
}

export function heldDevice(): HeldDevice {
  let sealKey: CryptoKey | string = '';
  let opening: Promise<Held> | null = null;

  async function open(): Promise<Held> {
    const [database, sealer] = await Promise.all([openDevice(), sealerOf(sealKey)]);
    return { database, box: outbox(database, sealer) };
  }

  function get(): Promise<Held> {
    opening ??= open();
    opening.catch(() => (opening = null));
    return opening;
  }

  return {
    sealWith: (key) => {
      if (key !== sealKey) opening = null;
      sealKey = key;
    },
    get,
    leave: async () => {
      try {
        const { database, box } = await get();
        await box.leave();
        database.close();
      } catch {
        // A browser that keeps nothing has nothing to leave.
      }
      opening = null;
      sealKey = '';
    },
  };
}
