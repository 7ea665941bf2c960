<script setup lang="ts">
import type { LoadProblem } from './use-load.ts';

/** What stands in a page's place while its data comes, or when it does not. */
defineProps<{ error: LoadProblem | null; what: string }>();
defineEmits<{ again: [] }>();

const HINTS: Readonly<Record<LoadProblem['kind'], string>> = {
  offline: 'Nothing is lost. Check the network, then try again.',
  missing: 'It may have been deleted, or your account may not see it.',
  failed: 'Nothing is lost. If this goes on, tell whoever looks after Escalier.',
};
</script>

<template>
  <div v-if="error !== null" class="state" role="alert">
    <h1>{{ error.message }}</h1>
    <p class="soft">{{ HINTS[error.kind] }}</p>
    <div class="line">
      <BButton v-if="error.kind !== 'missing'" @click="$emit('again')">Try again</BButton>
      <BButton role="link" to="/classes">Back to your classes</BButton>
    </div>
  </div>
  <div v-else class="state" role="status">
    <svg class="climb" viewBox="0 0 64 40" aria-hidden="true">
      <path d="M2 38h15V28h15V18h15V8h15" fill="none" stroke="currentColor" stroke-width="3" />
      <circle cx="54" cy="4" r="3.6" />
    </svg>
    <p class="soft"><BSpinner small aria-hidden="true" /> Loading {{ what }} …</p>
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
