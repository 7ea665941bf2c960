import { shallowRef } from 'vue';
import { ApiError, PlainError } from '../refusals/index.ts';

/** Why a page's data did not come: the network, nothing there, or a mistake of the server. */
export interface LoadProblem {
  readonly kind: 'offline' | 'missing' | 'failed';
  readonly message: string;
}

/** @throws what has no sentence for the person at the screen. */
export function loadProblem(error: unknown): LoadProblem {
  if (!(error instanceof PlainError)) throw error;
  if (!(error instanceof ApiError)) return { kind: 'failed', message: error.message };
  const kind =
    error.code === 'offline' ? 'offline' : error.status === 404 || error.status === 403 ? 'missing' : 'failed';
  return { kind, message: error.message };
}

/** Loads what a page shows. Of several requests at once the latest counts, in success and in failure. */
export function useLoad(work: () => Promise<void>) {
  const error = shallowRef<LoadProblem | null>(null);
  let latest = 0;

  async function load(): Promise<void> {
    const mine = ++latest;
    error.value = null;
    try {
      await work();
    } catch (problem) {
      const found = loadProblem(problem);
      if (mine === latest) error.value = found;
    }
  }

  return { error, load };
}
