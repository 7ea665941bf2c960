import { templateList } from '@escalier/contract/schools';
import { TEMPLATE_IDS, type TemplateId } from '@escalier/core/handouts';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import type { HandoutChoices } from './print-request.ts';
import { t } from './messages.ts';

interface Kept {
  readonly templates: Readonly<Record<TemplateId, string>>;
  readonly version: number;
}

/** The school's own words for letters and certificates: what is chosen begins with them, and new ones are kept. */
export function useTemplates(choices: Ref<HandoutChoices | null>) {
  const kept = shallowRef<Kept | null>(null);
  const { busy, reason, save } = useSave(t('use-templates.saved-for-the-school'));
  const id = computed(() => {
    const wanted = choices.value?.kind === 'family-letter' ? choices.value.letter : choices.value?.kind;
    return TEMPLATE_IDS.find((each) => each === wanted) ?? null;
  });
  watch(id, async (now) => {
    if (choices.value === null) return;
    choices.value.words = '';
    if (now === null) return;
    try {
      kept.value ??= await ask(api.school.templates.$get(), templateList);
    } catch (problem) {
      // The usual words stand; the school's own are neither shown nor overwritten.
      if (problem instanceof ApiError) return;
      throw problem;
    }
    // What was typed while the school's words were on their way stays.
    if (id.value === now && choices.value.words === '') choices.value.words = kept.value.templates[now];
  });

  async function keep(): Promise<void> {
    const [now, before, words] = [id.value, kept.value, choices.value?.words];
    if (now === null || before === null || words === undefined) return;
    await save(async () => {
      const json = { templates: { ...before.templates, [now]: words }, version: before.version };
      kept.value = await ask(api.school.templates.$put({ json }), templateList);
    });
  }

  const mayKeep = computed(() => !busy.value && kept.value !== null);
  return { mayKeep, reason, keep };
}
