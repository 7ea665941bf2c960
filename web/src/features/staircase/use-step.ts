import type { StepPage } from '@escalier/server/api';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { tuneWorker, type TuneInfo } from '../../workers/index.ts';

/** A step of a class and what its tune says to this class: from the server, then read in the worker. */
export function useStep(classId: Ref<string>, position: Ref<number>) {
  const page = shallowRef<StepPage | null>(null);
  const info = shallowRef<TuneInfo | null>(null);
  const error = ref<string | null>(null);
  let asked = 0;

  async function load(): Promise<void> {
    const mine = ++asked;
    error.value = null;
    try {
      const param = { id: classId.value, position: String(position.value) };
      const loaded = await ask(api.classes[':id'].steps[':position'].$get({ param }));
      const { notes, elements, signs, moves } = loaded.known;
      const known = {
        notes: new Set(notes),
        elements: new Set(elements),
        signs: new Set(signs),
        moves: new Set(moves),
      };
      const read = await tuneWorker().read({ abc: loaded.abc, instrumentId: loaded.schoolClass.instrumentId }, known);
      if (mine !== asked) return;
      page.value = loaded;
      info.value = read.ok ? read.value : null;
      if (!read.ok) error.value = read.fault[0]?.message ?? 'The tune could not be read.';
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      if (mine === asked) error.value = problem.message;
    }
  }

  watch([classId, position], load, { immediate: true });
  return { page, info, error, load };
}
