import type { ClassPage, ClassSummary } from '@escalier/server/api';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';

/** State from the server: the list of classes, and the class that is open. */
export const useClasses = defineStore('classes', () => {
  const list = shallowRef<readonly ClassSummary[] | null>(null);
  const page = shallowRef<ClassPage | null>(null);
  const error = ref<string | null>(null);

  async function guarded(work: () => Promise<void>): Promise<void> {
    error.value = null;
    try {
      await work();
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      error.value = problem.message;
    }
  }

  async function loadList(): Promise<void> {
    await guarded(async () => {
      list.value = await ask(api.classes.$get());
    });
  }

  /** Keeps the picture of the same class while it is asked for again. */
  async function open(classId: string): Promise<void> {
    if (page.value?.id !== classId) page.value = null;
    await guarded(async () => {
      const loaded = await ask(api.classes[':id'].$get({ param: { id: classId } }));
      page.value = loaded;
    });
  }

  return { list, page, error, loadList, open };
});
