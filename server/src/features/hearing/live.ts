import { Client } from 'pg';

/** Tells which class has new records, whichever server process took them in. */
export interface LiveRecords {
  /** @returns ends the listening. */
  listen(heard: (classId: string) => void): () => void;
  close(): Promise<void>;
}

const CHANNEL = 'escalier_records';
const AGAIN_MS = 1000;

/** What is sent when messages may have been missed: whoever listens looks at their class again. */
export const ANY_CLASS = 'any';

/**
 * Listens to PostgreSQL on a connection of its own from the first listener on, and connects again when it breaks.
 */
export function liveRecords(databaseUrl: string): LiveRecords {
  const listeners = new Set<(classId: string) => void>();
  let client: Client | null = null;
  let closed = false;

  const tell = (classId: string): void => {
    for (const listener of listeners) listener(classId);
  };

  async function connect(): Promise<void> {
    if (closed || client !== null) return;
    const fresh = new Client({ connectionString: databaseUrl, keepAlive: true });
    client = fresh;
    fresh.on('notification', ({ payload }) => tell(payload ?? ANY_CLASS));
    const again = (): void => {
      if (client !== fresh) return;
      client = null;
      if (!closed) setTimeout(() => void connect(), AGAIN_MS).unref();
    };
    fresh.on('error', again);
    fresh.on('end', again);
    try {
      await fresh.connect();
      await fresh.query(`listen ${CHANNEL}`);
      tell(ANY_CLASS);
    } catch {
      again();
    }
  }

  return {
    listen: (heard) => {
      listeners.add(heard);
      void connect();
      return () => void listeners.delete(heard);
    },
    close: async () => {
      closed = true;
      await client?.end();
    },
  };
}
