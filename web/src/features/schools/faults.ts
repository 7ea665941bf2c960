import { FAULTS, type Fault } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';

/** The remarks at hearing that the school has chosen; the usual ones until they have come. */
export const useFaults = defineStore('faults', () => {
  const all = shallowRef<readonly Fault[]>(FAULTS);
  let loaded = false;
  let version = 0;

  async function load(): Promise<void> {
    if (loaded) return;
    try {
      await read();
      loaded = true;
    } catch (problem) {
      // Hearing goes on with what is here.
      if (!(problem instanceof ApiError)) throw problem;
    }
  }

  async function keep(faults: readonly Fault[]): Promise<void> {
    const put = (json: { faults: Fault[]; version: number }) => ask(api.school.faults.$put({ json }));
    const before = { faults: [...all.value], version };
    show(await saveMerged({ before, mine: { faults: [...faults], version }, put, again: read }));
  }

  async function read(): Promise<{ faults: Fault[]; version: number }> {
    const kept = await ask(api.school.faults.$get());
    show(kept);
    return { faults: [...kept.faults], version: kept.version };
  }

  function show(kept: { readonly faults: readonly Fault[]; readonly version: number }): void {
    all.value = kept.faults;
    version = kept.version;
  }

  /** In short words; a remark that the school has taken away since keeps its usual ones. */
  function wordsOf(id: string): string {
    return (all.value.find((fault) => fault.id === id) ?? FAULTS.find((fault) => fault.id === id))?.words ?? id;
  }

  return { all, load, keep, wordsOf };
});
