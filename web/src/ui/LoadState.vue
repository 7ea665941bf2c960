<script setup lang="ts">
import type { LoadProblem } from './use-load.ts';
import { t } from './messages.ts';

/** What stands in a page's place while its data comes, or when it does not. */
defineProps<{ error: LoadProblem | null; what: string }>();
defineEmits<{ again: [] }>();

const HINTS: Readonly<Record<LoadProblem['kind'], string>> = {
  offline: t('load-state.nothing-is-lost-check-the-network'),
  missing: t('load-state.it-may-have-been-deleted-or'),
  failed: t('load-state.nothing-is-lost-if-this-keeps'),
};
</script>

<template>
  <div v-if="error !== null" class="state" role="alert">
    <h1>{{ error.message }}</h1>
    <p class="soft">{{ HINTS[error.kind] }}</p>
    <div class="line">
      <BButton v-if="error.kind !== 'missing'" @click="$emit('again')">{{ t('load-state.try-again') }}</BButton>
      <BButton role="link" to="/classes">{{ t('load-state.back-to-your-classes') }}</BButton>
    </div>
  </div>
  <div v-else class="state" role="status">
    <svg class="climb" viewBox="0 0 64 40" aria-hidden="true">
      <path d="M2 38h15V28h15V18h15V8h15" fill="none" stroke="currentColor" stroke-width="3" />
      <circle cx="54" cy="4" r="3.6" />
    </svg>
    <p class="soft"><BSpinner small aria-hidden="true" /> {{ t('load-state.loading-what', { what }) }}</p>
  </div>
</template>

<style scoped lang="scss">
.state {
  display: grid;
  justify-items: start;
  gap: 10px;
  padding: 12vh 6vw;
}

.climb {
  width: 96px;
  color: var(--line-strong);
}

.climb circle {
  fill: var(--spruce);
}
</style>
