import { onScopeDispose } from 'vue';

/** Told of every class that has new records, or of any when messages may have been missed. */
type Listener = (classId: string | null) => void;

const ADDRESS = '/api/hearing/live';
const LOCK = 'escalier-live';
const POLL_MS = 20_000;
/** A stream that the school refused, as there are too many, is tried again after so long. */
const AGAIN_MS = 60_000;

const listeners = new Set<Listener>();
let running = false;

function tell(classId: string | null): void {
  for (const listener of listeners) listener(classId);
}

/**
 * One stream a browser, however many tabs are open: a browser has six connections for one server, and each stream takes
 * one for good. The tab that holds the lock listens and tells the others; when it closes, the next one takes over. Where a
 * browser has no locks or no channel, each tab asks from time to time.
 */
function start(): void {
  if (running) return;
  running = true;
  const locks = (navigator as Partial<Navigator>).locks;
  if (locks === undefined || typeof BroadcastChannel === 'undefined' || typeof EventSource === 'undefined') {
    pollWhileSeen();
    return;
  }
  const channel = new BroadcastChannel('escalier-live');
  channel.addEventListener('message', ({ data }: MessageEvent<string | null>) => tell(data));
  void locks.request(LOCK, () =>
    lead((classId) => {
      tell(classId);
      channel.postMessage(classId);
    }),
  );
}

/** A hidden tab asks for nothing; one that comes back asks at once. */
function pollWhileSeen(): void {
  let timer: ReturnType<typeof setInterval> | undefined;
  const turn = (): void => {
    clearInterval(timer);
    if (!document.hidden) timer = setInterval(() => tell(null), POLL_MS);
  };
  document.addEventListener('visibilitychange', () => {
    turn();
    if (!document.hidden) tell(null);
  });
  turn();
}

/** Listens for all tabs; never done, as the lock is held as long as this tab lives. */
function lead(told: Listener): Promise<never> {
  const connect = (): void => {
    const source = new EventSource(ADDRESS);
    source.addEventListener('records', ({ data }: MessageEvent<string>) => told(data === '' ? null : data));
    source.addEventListener('error', () => {
      // While it is connecting again by itself nothing has to be done.
      if (source.readyState !== EventSource.CLOSED) return;
      told(null);
      setTimeout(connect, AGAIN_MS);
    });
  };
  connect();
  return new Promise(() => undefined);
}

/** Tells of new records at the school as long as the component lives. */
export function useLive(listener: Listener): void {
  start();
  listeners.add(listener);
  onScopeDispose(() => listeners.delete(listener));
}
