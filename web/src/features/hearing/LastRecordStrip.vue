<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import type { LastRecord } from './store.ts';

/** Says what was recorded last, and takes it back. */
defineProps<{ last: LastRecord | null; error: string | null }>();
defineEmits<{ undo: [] }>();

const SAID: Record<Outcome, string> = { passed: 'passed', nearly: 'nearly passed', 'not-yet': 'has not passed yet' };
</script>

<template>
  <div class="strip" role="status">
    <p v-if="error !== null" class="error">{{ error }}</p>
    <template v-else-if="last !== null">
      <p>
        Recorded at school: <strong>{{ last.pupilName }}</strong> {{ SAID[last.outcome] }}, step {{ last.position }}.
      </p>
      <BButton variant="outline-dark" @click="$emit('undo')"
        >Undo <span class="key" aria-hidden="true">U</span></BButton
      >
    </template>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  gap: 12px;
}

.error {
  padding: 8px 12px;
  border-left: 4px solid var(--brick);
  background: var(--brick-soft);
}
</style>
