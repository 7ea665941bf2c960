<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import IconNearly from '~icons/bi/circle-half';
import IconNotYet from '~icons/bi/circle';
import IconPassed from '~icons/bi/check-circle-fill';

/** The three outcomes, large enough for a thumb, told apart by shape as well as colour. */
defineProps<{ busy: boolean; pupilName: string }>();
defineEmits<{ judge: [outcome: Outcome] }>();
</script>

<template>
  <div class="outcomes" role="group" :aria-label="`How did ${pupilName} do?`">
    <button class="passed" type="button" :aria-disabled="busy" @click="$emit('judge', 'passed')">
      <IconPassed aria-hidden="true" />Passed<span class="key" aria-hidden="true">1</span>
    </button>
    <button class="nearly" type="button" :aria-disabled="busy" @click="$emit('judge', 'nearly')">
      <IconNearly aria-hidden="true" />Nearly<span class="key" aria-hidden="true">2</span>
    </button>
    <button class="not-yet" type="button" :aria-disabled="busy" @click="$emit('judge', 'not-yet')">
      <IconNotYet aria-hidden="true" />Not yet<span class="key" aria-hidden="true">3</span>
    </button>
  </div>
</template>

<style scoped lang="scss">
.outcomes {
  display: grid;
  grid-template-columns: 1.3fr 1fr 1fr;
  gap: 12px;
}

button {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 10px;
  min-height: 168px;
  border: 2.5px solid var(--ink);
  border-radius: 18px;
  background: var(--card);
  color: var(--ink);
  font-family: var(--heading);
  font-size: 1.5rem;
  font-weight: 700;
}

button svg {
  width: 38px;
  height: 38px;
}

.key {
  margin: 0;
  font-family: var(--reading);
  font-size: 14px;
}

.passed {
  border-color: var(--spruce);
  background: var(--spruce);
  color: #fff;
}

.nearly {
  border-color: var(--brass);
  background: var(--brass-soft);
}

button:hover {
  filter: brightness(0.95);
}
</style>
