import { FAULTS, type Fault } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';

/** The remarks at hearing that the school has chosen; the usual ones until they have come. */
export const useFaults = defineStore('faults', () => {
  const all = shallowRef<readonly Fault[]>(FAULTS);
  let loaded = false;

  async function load(): Promise<void> {
    if (loaded) return;
    try {
      all.value = (await ask(api.school.faults.$get())).faults;
      loaded = true;
    } catch (problem) {
      // Hearing goes on with what is here.
      if (!(problem instanceof ApiError)) throw problem;
    }
  }

  async function keep(faults: readonly Fault[]): Promise<void> {
    all.value = (await ask(api.school.faults.$put({ json: { faults: [...faults] } }))).faults;
  }

  /** In short words; a remark that the school has taken away since keeps its usual ones. */
  function wordsOf(id: string): string {
    return (all.value.find((fault) => fault.id === id) ?? FAULTS.find((fault) => fault.id === id))?.words ?? id;
  }

  return { all, load, keep, wordsOf };
});
