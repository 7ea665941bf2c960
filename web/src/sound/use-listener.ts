import { onScopeDispose, ref } from 'vue';
import { PlainError } from '../refusals/index.ts';
import { listeningPool } from '../workers/listening.ts';

type Hear = ReturnType<typeof listeningPool>['listen'];

/** Holds on this device what was played against a tune; busy meanwhile, and says what went wrong. Call it in `setup`. */
export function useListener() {
  const pool = listeningPool();
  onScopeDispose(() => pool.cancel());
  const isThinking = ref(false);
  const problem = ref<string | null>(null);

  /** @returns what came of it; null where it failed, with `problem` to say. */
  async function listen<Heard>(work: (hear: Hear) => Promise<Heard>): Promise<Heard | null> {
    isThinking.value = true;
    problem.value = null;
    try {
      return await work(pool.listen);
    } catch (mishap) {
      if (!(mishap instanceof PlainError)) throw mishap;
      problem.value = mishap.message;
      return null;
    } finally {
      isThinking.value = false;
    }
  }

  return { isThinking, problem, listen };
}
