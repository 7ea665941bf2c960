import type { Recorded } from '@escalier/server/api';
import type { DeviceDatabase, Kept, NewEvent } from './database.ts';

/** How sending went: all that could be sent is at school, or what stood in the way. */
export type Sent = 'done' | 'offline' | 'signed-out' | 'refused';

/** Sends events in order. @throws SendFault when the school did not take them in. */
export type Send = (events: readonly NewEvent[]) => Promise<readonly Recorded[]>;

/** Why nothing of a sending arrived: the way there is closed, or what was sent cannot be read. */
export class SendFault extends Error {
  readonly kind: 'offline' | 'signed-out' | 'unreadable';

  constructor(kind: SendFault['kind'], message: string) {
    super(message);
    this.kind = kind;
  }
}

const AT_ONCE = 100;

export interface Outbox {
  /** Keeps an event on this device. @throws DOMException when the device does not, its disk being full for one. */
  add(kept: Omit<Kept, 'order' | 'refused'>): Promise<Kept>;
  all(): Promise<readonly Kept[]>;
  /** Takes away what somebody has read and does not want any more. */
  forget(order: number): Promise<void>;
  /**
   * Sends what waits of an account, the oldest first. What the school has got goes from here, what it refuses stays with
   * its sentence; anything else stays as it is.
   * @param arrived told of each event that the school has got.
   */
  send(account: string, send: Send, arrived: (kept: Kept, number: number) => void): Promise<Sent>;
}

export function outbox(database: DeviceDatabase): Outbox {
  async function settle(
    batch: readonly Kept[],
    results: readonly Recorded[],
    arrived: (kept: Kept, number: number) => void,
  ) {
    const byId = new Map(results.map((result) => [result.id, result]));
    const transaction = database.transaction('outbox', 'readwrite');
    for (const kept of batch) {
      const result = byId.get(kept.event.id);
      if (result === undefined) continue;
      if ('refused' in result) await transaction.store.put({ ...kept, refused: result.refused });
      else await transaction.store.delete(kept.order);
    }
    await transaction.done;
    for (const kept of batch) {
      const result = byId.get(kept.event.id);
      if (result !== undefined && !('refused' in result)) arrived(kept, result.number);
    }
  }

  /** One that cannot be read keeps the others from being sent: they go one by one, so that it is found. */
  async function sendBatch(batch: readonly Kept[], send: Send): Promise<readonly Recorded[]> {
    try {
      return await send(batch.map((kept) => kept.event));
    } catch (fault) {
      if (!(fault instanceof SendFault) || fault.kind !== 'unreadable') throw fault;
      const [only] = batch;
      if (batch.length === 1) return [{ id: only!.event.id, refused: fault.message }];
      const results: Recorded[] = [];
      for (const kept of batch) results.push(...(await sendBatch([kept], send)));
      return results;
    }
  }

  return {
    async add(kept) {
      // Strict: an answer only when it is on the disk, so that a flat battery takes nothing.
      const transaction = database.transaction('outbox', 'readwrite', { durability: 'strict' });
      const draft = { ...kept, refused: null };
      const order = await transaction.store.add(draft as Kept);
      await transaction.done;
      return { ...draft, order };
    },
    all: () => database.getAll('outbox'),
    forget: (order) => database.delete('outbox', order),
    async send(account, send, arrived) {
      let refused = false;
      for (;;) {
        const waiting = (await database.getAll('outbox')).filter(
          (kept) => kept.account === account && kept.refused === null,
        );
        if (waiting.length === 0) return refused ? 'refused' : 'done';
        const batch = waiting.slice(0, AT_ONCE);
        try {
          const results = await sendBatch(batch, send);
          refused ||= results.some((result) => 'refused' in result);
          await settle(batch, results, arrived);
          // A server that does not name what it was sent would be asked for ever.
          if (!batch.some((kept) => results.some((result) => result.id === kept.event.id))) return 'offline';
        } catch (fault) {
          if (!(fault instanceof SendFault)) throw fault;
          return fault.kind === 'signed-out' ? 'signed-out' : 'offline';
        }
      }
    },
  };
}
