import { vi } from 'vitest';

/** Long enough for a slow machine with other work: a test that passes never waits so long. */
const PATIENCE_MS = 60_000;

/** Calls `check` until it no longer throws; throws its last error after a minute. */
export function eventually<Value>(check: () => Value | Promise<Value>): Promise<Value> {
  return vi.waitFor(check, { timeout: PATIENCE_MS });
}
