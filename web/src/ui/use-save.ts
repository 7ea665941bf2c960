import { computed, ref } from 'vue';
import { ApiError } from '../refusals/index.ts';
import { useNotices } from './use-notices.ts';
import { t } from './messages.ts';

/**
 * Saves a form: busy while it is on its way, then a notice, or a refusal with a sentence and the fields it is about.
 * @param done the notice on success; null for none.
 */
export function useSave(done: string | null = t('use-save.saved')) {
  const notices = useNotices();
  const busy = ref(false);
  const error = ref<string | null>(null);
  const fields = ref<Readonly<Record<string, string>>>({});
  /** For a place without fields: the first one's own sentence. */
  const reason = computed(() => Object.values(fields.value)[0] ?? error.value);

  /** Resolves to whether it was saved. */
  async function save(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true;
    error.value = null;
    fields.value = {};
    try {
      await work();
      if (done !== null) notices.say(done);
      return true;
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      fields.value = problem.fields;
      error.value =
        Object.keys(problem.fields).length > 0 ? t('use-save.not-saved-please-check-the-marked') : problem.message;
      return false;
    } finally {
      busy.value = false;
    }
  }

  return { busy, error, fields, reason, save };
}

/** What is wrong in one line of a form: `daysOff.3`. */
export function errorsAt(fields: Readonly<Record<string, string>>, line: string): readonly string[] {
  return Object.entries(fields).flatMap(([name, error]) =>
    name.startsWith(`${line}.`) || name === line ? [error] : [],
  );
}
