import { computed, ref } from 'vue';
import { ApiError } from '../api.ts';

/** Storing a form: busy while it is on its way, then stored, or refused with a sentence and the fields it is about. */
export function useSave() {
  const busy = ref(false);
  const stored = ref(false);
  const fault = ref<string | null>(null);
  const fields = ref<Readonly<Record<string, string>>>({});
  /** For a place without fields: the first one's own sentence. */
  const reason = computed(() => Object.values(fields.value)[0] ?? fault.value);

  /** Gives whether it was stored. */
  async function save(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true;
    stored.value = false;
    fault.value = null;
    fields.value = {};
    try {
      await work();
      stored.value = true;
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      fault.value = problem.message;
      fields.value = problem.fields;
    } finally {
      busy.value = false;
    }
    return stored.value;
  }

  return { busy, stored, fault, fields, reason, save };
}
