import { openDevice } from './database.ts';

/** Where the service worker keeps the answers of the school, and where engraved sheets are kept. */
const CACHES = ['escalier-answers', 'escalier-sheets'];
/** Names of the browser's own storage. */
const ACCOUNT = 'escalier-account';
const LEFT = 'escalier-left';

function storage(): Storage | null {
  try {
    return globalThis.localStorage;
  } catch {
    return null;
  }
}

/** Whose data is on this device: the e-mail of who signed in last; null when it was cleared. */
export const deviceAccount = {
  get: (): string | null => storage()?.getItem(ACCOUNT) ?? null,
  set: (email: string): void => storage()?.setItem(ACCOUNT, email),
};

/** Somebody has signed out here, and the school does not know it yet: until then nobody is let in by the old cookie. */
export const leftHere = {
  get: (): boolean => storage()?.getItem(LEFT) === 'yes',
  set: (left: boolean): void => (left ? storage()?.setItem(LEFT, 'yes') : storage()?.removeItem(LEFT)),
};

/**
 * Takes away all that this device has of children: answers of the school, records, sheets. What is recorded and not sent
 * stays, sealed for the account that recorded it.
 */
export async function clearDevice(): Promise<void> {
  storage()?.removeItem(ACCOUNT);
  await Promise.allSettled([
    ...('caches' in globalThis ? CACHES.map((name) => caches.delete(name)) : []),
    openDevice().then(async (database) => {
      await database.clear('records');
      await database.clear('keys');
      database.close();
    }),
  ]);
}

/** What one tab tells the others about who is signed in. */
type Told = { readonly kind: 'left' } | { readonly kind: 'entered'; readonly email: string };

let channel: BroadcastChannel | null = null;

function tabs(): BroadcastChannel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  return (channel ??= new BroadcastChannel('escalier-session'));
}

export function tellTabs(told: Told): void {
  tabs()?.postMessage(told);
}

export function whenTold(listener: (told: Told) => void): void {
  tabs()?.addEventListener('message', ({ data }: MessageEvent<Told>) => listener(data));
}

/** Opens a page from the server or the service worker: nothing of this one stays in memory. Replaced in tests. */
export const fresh = {
  page: (path: string): void => globalThis.location.replace(path),
};
