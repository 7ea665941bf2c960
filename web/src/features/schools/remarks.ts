import { remarkList } from '@escalier/contract/schools';
import { REMARKS, type Remark } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';

/** The remarks at hearing that the school has chosen; the usual ones until they have come. */
export const useRemarks = defineStore('remarks', () => {
  const all = shallowRef<readonly Remark[]>(REMARKS);
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

  async function saveRemarks(remarks: readonly Remark[]): Promise<void> {
    const put = (json: { remarks: Remark[]; version: number }) => ask(api.school.remarks.$put({ json }), remarkList);
    const before = { remarks: [...all.value], version };
    show(await saveMerged({ before, mine: { remarks: [...remarks], version }, put, again: read }));
  }

  async function read(): Promise<{ remarks: Remark[]; version: number }> {
    const kept = await ask(api.school.remarks.$get(), remarkList);
    show(kept);
    return { remarks: [...kept.remarks], version: kept.version };
  }

  function show(kept: { readonly remarks: readonly Remark[]; readonly version: number }): void {
    all.value = kept.remarks;
    version = kept.version;
  }

  /** In short words; a remark that the school has taken away since keeps its usual ones. */
  function wordsOf(id: string): string {
    return (all.value.find((remark) => remark.id === id) ?? REMARKS.find((remark) => remark.id === id))?.words ?? id;
  }

  /** When the session ends: another school has remarks of its own. */
  function forget(): void {
    all.value = REMARKS;
    loaded = false;
    version = 0;
  }

  return { all, load, saveRemarks, wordsOf, forget };
});
