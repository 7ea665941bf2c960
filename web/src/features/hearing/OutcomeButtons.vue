<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import IconNearly from '~icons/bi/circle-half';
import IconNotYet from '~icons/bi/circle';
import IconPassed from '~icons/bi/check-circle-fill';
import { t } from './messages.ts';

/** The three outcomes, large enough for a thumb, told apart by shape as well as colour. */
defineProps<{ pupilName: string; keys?: boolean; small?: boolean }>();
defineEmits<{ judge: [outcome: Outcome] }>();
</script>

<template>
  <div
    class="outcomes"
    :class="{ small }"
    role="group"
    :aria-label="t('outcome-buttons.how-did-pupil-name-do', { pupilName })"
  >
    <button class="passed" type="button" @click="$emit('judge', 'passed')">
      <IconPassed aria-hidden="true" />{{ t('outcome-buttons.passed')
      }}<span v-if="keys" class="key" aria-hidden="true">1</span>
    </button>
    <button class="nearly" type="button" @click="$emit('judge', 'nearly')">
      <IconNearly aria-hidden="true" />{{ t('outcome-buttons.nearly')
      }}<span v-if="keys" class="key" aria-hidden="true">2</span>
    </button>
    <button class="not-yet" type="button" @click="$emit('judge', 'not-yet')">
      <IconNotYet aria-hidden="true" />{{ t('outcome-buttons.not-yet')
      }}<span v-if="keys" class="key" aria-hidden="true">3</span>
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
  gap: 6px;
  min-height: 168px;
  border: 2.5px solid var(--ink);
  border-radius: var(--radius-large);
  background: var(--card);
  color: var(--ink);
  font-family: var(--heading);
  font-size: var(--title);
  font-weight: 700;
}

button svg {
  width: 38px;
  height: 38px;
}

.key {
  margin: 0;
  font-family: var(--reading);
  font-size: var(--text-small);
}

.passed {
  border-color: var(--spruce);
  background: var(--spruce);
  color: var(--white);
}

.nearly {
  border-color: var(--brass);
  background: var(--brass-soft);
}

button:hover {
  filter: brightness(0.95);
}

.small {
  grid-template-columns: 1fr;
  gap: 8px;
}

.small button {
  flex-direction: row;
  min-height: 64px;
  font-size: var(--text-large);
}

.small button svg {
  width: 24px;
  height: 24px;
}

@media (max-height: 820px) {
  .outcomes:not(.small) button {
    min-height: 132px;
  }
}
</style>
