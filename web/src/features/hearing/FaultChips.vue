<script setup lang="ts">
import { FAULTS, type FaultId } from '@escalier/core/records';
import { computed } from 'vue';

/** What to work on: short words to tick, with the remedy for those that are ticked. */
const ticked = defineModel<FaultId[]>({ required: true });
const remedies = computed(() => FAULTS.filter((fault) => ticked.value.includes(fault.id)));
</script>

<template>
  <fieldset>
    <legend>To work on</legend>
    <div class="chips">
      <label v-for="fault in FAULTS" :key="fault.id" :class="{ on: ticked.includes(fault.id) }">
        <input v-model="ticked" class="visually-hidden" type="checkbox" :value="fault.id" />
        <span aria-hidden="true">{{ ticked.includes(fault.id) ? '✓' : '+' }}</span> {{ fault.words }}
      </label>
    </div>
    <ul aria-live="polite">
      <li v-for="fault in remedies" :key="fault.id">
        <strong>{{ fault.words }}:</strong> {{ fault.remedy }}
      </li>
    </ul>
  </fieldset>
</template>

<style scoped lang="scss">
fieldset {
  min-height: 170px;
}

legend {
  margin-bottom: 6px;
  font-family: var(--heading);
  font-size: 1.1rem;
  font-weight: 700;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

label {
  position: relative;
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 44px;
  padding: 0 14px;
  border: 1.5px solid var(--line-strong);
  border-radius: 22px;
  background: var(--card);
  cursor: pointer;
}

label.on {
  border-color: var(--ink);
  background: var(--ink);
  color: #fff;
}

label:focus-within {
  outline: 3px solid var(--spruce);
  outline-offset: 2px;
}

ul {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
</style>
