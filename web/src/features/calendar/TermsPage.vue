<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import SelectField from '../../ui/SelectField.vue';
import { SchoolHead, useSession } from '../schools/index.ts';
import TermForm from './TermForm.vue';
import { EMPTY_TERM, termAt, useTerms } from './use-terms.ts';
import { t } from './messages.ts';

const { terms, error, load, saveTerm } = useTerms();
onMounted(load);

const NEW = 'new';
const session = useSession();
const today = computed(() => session.today());
const chosen = ref<string | null>(null);
/** The one chosen, else the one that is now, else the latest. */
const open = computed(() => {
  const all = terms.value ?? [];
  if (chosen.value === NEW || all.length === 0) return null;
  return all.find((term) => term.id === chosen.value) ?? termAt(all, today.value) ?? all[0]!;
});
</script>

<template>
  <LoadState v-if="terms === null" :error="error" :what="t('terms-page.the-terms')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('terms-page.from-the-terms-dates-and-days')" />
    <SelectField
      v-if="terms.length > 0"
      class="choose"
      :label="t('terms-page.term')"
      :model-value="open?.id ?? NEW"
      :options="[
        ...terms.map(({ id, name }) => ({ value: id, text: name })),
        { value: NEW, text: t('terms-page.add-a-term') },
      ]"
      @update:model-value="chosen = $event"
    />
    <p v-else>{{ t('terms-page.no-terms-yet-name-the-first') }}</p>
    <TermForm
      :key="open?.id ?? NEW"
      :term="open ?? EMPTY_TERM"
      :today="today"
      :save-term="async (draft) => (chosen = await saveTerm(open?.id ?? null, draft))"
    />
  </div>
</template>

<style scoped>
.choose {
  width: min(100%, 320px);
}
</style>
