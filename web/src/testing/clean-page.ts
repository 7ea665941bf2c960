import { afterAll, expect, vi } from 'vitest';
import { clearPage } from './page.ts';

/** Files share a page and their libraries; each gets the application's own modules anew, and leaves the page as it was. */
vi.resetModules();

const file = expect.getState().testPath;
const Channel = BroadcastChannel;
// Channels reach every thread: a sign-out in one file is none in another.
Object.assign(globalThis, {
  BroadcastChannel: class extends Channel {
    constructor(name: string) {
      super(`${name} in ${file}`);
    }
  },
});

afterAll(() => {
  if (typeof document !== 'undefined') {
    clearPage();
    localStorage.clear();
    sessionStorage.clear();
  }
  Object.assign(globalThis, { BroadcastChannel: Channel });
  Reflect.deleteProperty(globalThis, 'indexedDB');
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
