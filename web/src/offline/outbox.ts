import type { Recorded } from '@escalier/contract/results';
import type { DeviceDatabase, Kept, KeptContent, NewEvent, Stored } from './database.ts';
import type { Sealer } from './seal.ts';
import { t } from '../ui/messages.ts';

/** How sending went: all that could be sent is at school, or what stood in the way. */
export type Sent = 'done' | 'offline' | 'signed-out' | 'refused';

/** Sends events in order. @throws SendProblem when the school did not take them in. */
export type Send = (events: readonly NewEvent[]) => Promise<readonly Recorded[]>;

/** Why nothing of a sending arrived: the way there is closed, it cannot be read, or the school's server breaks on it. */
export class SendProblem extends Error {
  readonly kind: 'offline' | 'signed-out' | 'unreadable' | 'broken';

  constructor(kind: SendProblem['kind'], message: string) {
    super(message);
    this.kind = kind;
  }
}

const AT_ONCE = 100;

export interface Outbox {
  /** Keeps an event on this device. @throws DOMException when the device does not, its disk being full for one. */
  add(kept: Omit<Kept, 'order' | 'refused'>): Promise<Kept>;
  /** What waits of an account, the oldest first. */
  of(account: string): Promise<readonly Kept[]>;
  /** E-mails of others, one for each event of theirs that waits here. */
  others(account: string): Promise<readonly string[]>;
  /** Takes away what somebody has read and does not want any more. */
  forget(order: number): Promise<void>;
  /** Lets what was refused be sent again. */
  retry(order: number): Promise<void>;
  /** For a shared device: where nothing can be sealed, free words go, as they may hold a name. */
  leave(): Promise<void>;
  /**
   * Sends what waits of an account, the oldest first. What the school has got goes from here, what it refuses stays with
   * its sentence; anything else stays as it is.
   * @param arrived told of each event that the school has got.
   */
  send(account: string, send: Send, arrived: (kept: Kept, number: number) => void): Promise<Sent>;
}

const BREAKS = t('outbox.the-schools-server-cant-take-this');

/** @param sealer null where the browser cannot seal. */
export function outbox(database: DeviceDatabase, sealer: Sealer | null): Outbox {
  async function contentOf({ classId, event }: KeptContent): Promise<Stored['content']> {
    const content = { classId, event };
    return sealer === null ? content : sealer.seal(content);
  }

  /** Null for what another key has sealed. */
  async function opened({ content, ...rest }: Stored): Promise<Kept | null> {
    if ('event' in content) return { ...rest, ...content };
    const plain = (await sealer?.open(content)) as KeptContent | null | undefined;
    return plain === null || plain === undefined ? null : { ...rest, ...plain };
  }

  async function of(account: string): Promise<readonly Kept[]> {
    const stored = (await database.getAll('outbox')).filter((each) => each.account === account);
    return (await Promise.all(stored.map(opened))).filter((kept) => kept !== null);
  }

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
      if (!('refused' in result)) await transaction.store.delete(kept.order);
      else {
        const stored = await transaction.store.get(kept.order);
        if (stored !== undefined) await transaction.store.put({ ...stored, refused: result.refused });
      }
    }
    await transaction.done;
    for (const kept of batch) {
      const result = byId.get(kept.event.id);
      if (result !== undefined && !('refused' in result)) arrived(kept, result.number);
    }
  }

  /** One that cannot be read, or that breaks the server, keeps back no other: they go one by one, so that it is found. */
  async function sendBatch(batch: readonly Kept[], send: Send): Promise<readonly Recorded[]> {
    try {
      return await send(batch.map((kept) => kept.event));
    } catch (error) {
      if (!(error instanceof SendProblem) || error.kind === 'offline' || error.kind === 'signed-out') throw error;
      const [only] = batch;
      if (batch.length === 1 && error.kind === 'unreadable') return [{ id: only!.event.id, refused: error.message }];
      if (batch.length === 1) throw error;
    }
    const results: Recorded[] = [];
    const broken: Kept[] = [];
    for (const kept of batch) {
      try {
        results.push(...(await sendBatch([kept], send)));
      } catch (error) {
        if (!(error instanceof SendProblem) || error.kind !== 'broken') throw error;
        broken.push(kept);
      }
    }
    // A server that breaks on all of them is down: then nothing is wrong with any.
    if (results.length === 0) throw new SendProblem('offline', BREAKS);
    return [...results, ...broken.map(({ event }) => ({ id: event.id, refused: BREAKS }))];
  }

  return {
    of,
    async add({ account, classId, event }) {
      const content = await contentOf({ classId, event });
      // Strict: an answer only when it is on the disk, so that a flat battery takes nothing.
      const transaction = database.transaction('outbox', 'readwrite', { durability: 'strict' });
      const order = await transaction.store.add({ account, content, refused: null } as Stored);
      await transaction.done;
      return { account, classId, event, refused: null, order };
    },
    async others(account) {
      return (await database.getAll('outbox')).map((each) => each.account).filter((each) => each !== account);
    },
    forget: (order) => database.delete('outbox', order),
    async retry(order) {
      const stored = await database.get('outbox', order);
      if (stored !== undefined) await database.put('outbox', { ...stored, refused: null });
    },
    async leave() {
      for (const stored of await database.getAll('outbox')) {
        const { content } = stored;
        if (!('event' in content) || content.event.reason === undefined) continue;
        const { reason: _reason, ...event } = content.event;
        await database.put('outbox', { ...stored, content: { ...content, event } });
      }
    },
    async send(account, send, arrived) {
      let refused = false;
      for (;;) {
        const waiting = (await of(account)).filter((kept) => kept.refused === null);
        if (waiting.length === 0) return refused ? 'refused' : 'done';
        const batch = waiting.slice(0, AT_ONCE);
        try {
          const results = await sendBatch(batch, send);
          refused ||= results.some((result) => 'refused' in result);
          await settle(batch, results, arrived);
          // A server that does not name what it was sent would be asked for ever.
          if (!batch.some((kept) => results.some((result) => result.id === kept.event.id))) return 'offline';
        } catch (error) {
          if (!(error instanceof SendProblem)) throw error;
          return error.kind === 'signed-out' ? 'signed-out' : 'offline';
        }
      }
    },
  };
}
