<script setup lang="ts">
import { dayIn } from '@escalier/core/calendar';
import { computed, onMounted, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import { SchoolHead, useSession } from '../schools/index.ts';
import TermForm from './TermForm.vue';
import { EMPTY_TERM, useTerms } from './use-terms.ts';

const { terms, error, load, keep } = useTerms();
onMounted(load);

const NEW = 'new';
const session = useSession();
const today = computed(() => dayIn(session.me?.timeZone ?? 'UTC')(new Date().toISOString()));
const chosen = ref<string | null>(null);
/** The one chosen, else the one that is now, else the latest. */
const open = computed(() => {
  const all = terms.value ?? [];
  if (chosen.value === NEW || all.length === 0) return null;
  return (
    all.find((term) => term.id === chosen.value) ??
    all.find((term) => term.startsOn <= today.value && today.value <= term.endsOn) ??
    all[0]!
  );
});
</script>

<template>
  <LoadState v-if="terms === null" :error="error" what="the terms" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead lead="From the term and its days off Escalier counts the lessons that each class really has." />
    <div v-if="terms.length > 0" class="choose">
      <label for="term">Term</label>
      <select
        id="term"
        class="form-select"
        :value="open?.id ?? NEW"
        @change="chosen = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="term in terms" :key="term.id" :value="term.id">{{ term.name }}</option>
        <option :value="NEW">A new term …</option>
      </select>
    </div>
    <p v-else>No term yet. Give the first one its name and days; classes and their lessons hang on it.</p>
    <TermForm
      :key="open?.id ?? NEW"
      :term="open ?? EMPTY_TERM"
      :today="today"
      :keep="async (draft) => (chosen = await keep(open?.id ?? null, draft))"
    />
  </div>
</template>

<style scoped>
.choose {
  display: flex;
  align-items: center;
  gap: 10px;
}

.choose label {
  font-weight: 650;
}

.choose select {
  width: auto;
  min-width: 260px;
}
</style>
