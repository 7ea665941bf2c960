import type { SSEStreamingApi } from 'hono/streaming';
import { Problem } from '../../platform/problem.ts';
import { ANY_CLASS, type LiveRecords } from './live.ts';
import { t } from '../../platform/messages.ts';

/** A teacher has a few devices; a browser has one stream however many tabs are open. */
const MOST_OF_ACCOUNT = 12;
const MOST_OF_ALL = 2000;

/** The streams that are open at this server. */
export interface LiveStreams {
  /** How often a stream shows that it lives, and is looked at whether it still may. */
  readonly heartbeatMs: number;
  /** @returns ends the counting. @throws Problem 429 when an account, or the server, has too many. */
  enter(accountId: string): () => void;
}

export function liveStreams(heartbeatMs: number): LiveStreams {
  const open = new Map<string, number>();
  let all = 0;
  return {
    heartbeatMs,
    enter(accountId) {
      const own = open.get(accountId) ?? 0;
      if (own >= MOST_OF_ACCOUNT || all >= MOST_OF_ALL)
        throw new Problem(429, 'too-many-streams', t('streams.too-many-devices-are-connected-so'));
      open.set(accountId, own + 1);
      all += 1;
      let left = false;
      return () => {
        if (left) return;
        left = true;
        all -= 1;
        const now = open.get(accountId)! - 1;
        if (now === 0) open.delete(accountId);
        else open.set(accountId, now);
      };
    },
  };
}

interface LiveStream {
  readonly live: LiveRecords;
  readonly heartbeatMs: number;
  /** The classes that the session opens now; null when it is over. */
  readonly ask: () => Promise<ReadonlySet<string> | null>;
}

/**
 * Says which classes have something new, and nothing about it: the records themselves are asked for, with the right to
 * see them. Ends with the session, and tells of no class that the account may not open any more.
 */
export async function liveStream(stream: SSEStreamingApi, { live, heartbeatMs, ask }: LiveStream): Promise<void> {
  let wake: () => void = () => undefined;
  let allowed: ReadonlySet<string> | null = await ask();
  // At the start everything is news: messages may have been missed.
  const news = new Set<string>([ANY_CLASS]);
  const stop = live.listen((classId) => {
    if (classId !== ANY_CLASS && allowed?.has(classId) !== true) return;
    news.add(classId);
    wake();
  });
  stream.onAbort(() => {
    stop();
    wake();
  });
  let beat = Date.now() + heartbeatMs;
  while (!stream.aborted && !stream.closed && allowed !== null) {
    const [classId] = news;
    if (classId !== undefined) {
      news.delete(classId);
      await stream.writeSSE({ event: 'records', data: classId === ANY_CLASS ? '' : classId });
      continue;
    }
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, Math.max(0, beat - Date.now()));
      wake = () => {
        clearTimeout(timer);
        resolve();
      };
      if (news.size > 0) wake();
    });
    if (Date.now() < beat) continue;
    beat = Date.now() + heartbeatMs;
    allowed = await ask();
    if (allowed !== null) await stream.writeSSE({ event: 'beat', data: '' });
  }
  stop();
}
