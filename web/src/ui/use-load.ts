import { ref } from 'vue';
import { ApiError } from '../api.ts';

/** Asking for what a page shows: the sentence when it does not come, and asking again. */
export function useLoad(work: () => Promise<void>) {
  const error = ref<string | null>(null);

  async function load(): Promise<void> {
    error.value = null;
    try {
      await work();
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      error.value = problem.message;
    }
  }

  return { error, load };
}
