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
