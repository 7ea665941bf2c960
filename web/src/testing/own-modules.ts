import { afterAll, expect, vi } from 'vitest';

// Files that need no page share a worker: each gets the application's own modules anew.
vi.resetModules();

const file = expect.getState().testPath;
const Channel = BroadcastChannel;
// Channels reach every thread: a sign-out in one file is none in another.
class OwnChannel extends Channel {
  constructor(name: string) {
    super(`${name} in ${file}`);
  }
}
Object.assign(globalThis, { BroadcastChannel: OwnChannel });
afterAll(() => void Object.assign(globalThis, { BroadcastChannel: Channel }));

// Nor does what one file still waits for reach the next: no timer, no listener, nothing kept, no page.
const ends = new Set<() => void>();
let animating = false;
for (const [set, clear] of [
  ['setTimeout', 'clearTimeout'],
  ['setInterval', 'clearInterval'],
] as const) {
  const original = globalThis[set];
  const tracked = (...args: Parameters<typeof setTimeout>): unknown => {
    const timer = original(...args);
    if (!animating) ends.add(() => globalThis[clear](timer));
    return timer;
  };
  Object.assign(globalThis, { [set]: tracked });
  afterAll(() => void Object.assign(globalThis, { [set]: original }));
}
if ('document' in globalThis) {
  const { clearPage } = await import('./page.ts');
  ends.add(clearPage);
  ends.add(() => localStorage.clear());
  ends.add(() => sessionStorage.clear());
  // The page's own clock of frames runs on from file to file.
  const frame = globalThis.requestAnimationFrame;
  globalThis.requestAnimationFrame = (callback) => {
    animating = true;
    const id = frame(callback);
    animating = false;
    ends.add(() => cancelAnimationFrame(id));
    return id;
  };
  ends.add(() => (globalThis.requestAnimationFrame = frame));
  for (const target of [globalThis.window, globalThis.document]) {
    const original = Reflect.get(target, 'addEventListener') as EventTarget['addEventListener'];
    target.addEventListener = (type: string, listener: EventListener, options?: AddEventListenerOptions): void => {
      original.call(target, type, listener, options);
      ends.add(() => target.removeEventListener(type, listener, options));
    };
    ends.add(() => (target.addEventListener = original));
  }
}
afterAll(() => {
  vi.useRealTimers();
  for (const end of ends) end();
  vi.unstubAllGlobals();
  Reflect.deleteProperty(globalThis, 'indexedDB');
});
