<script setup lang="ts">
import { computed } from 'vue';
import { useFaults } from '../schools/index.ts';

/** What to work on: short words to tick, with the remedy for those that are ticked. */
defineProps<{ small?: boolean }>();
const ticked = defineModel<string[]>({ required: true });
const faults = useFaults();
const remedies = computed(() => faults.all.filter((fault) => ticked.value.includes(fault.id)));
</script>

<template>
  <fieldset :class="{ small }">
    <legend>To work on</legend>
    <div class="chips">
      <label v-for="fault in faults.all" :key="fault.id" :class="{ on: ticked.includes(fault.id) }">
        <input v-model="ticked" class="visually-hidden" type="checkbox" :value="fault.id" />
        <span aria-hidden="true">{{ ticked.includes(fault.id) ? '✓' : '+' }}</span> {{ fault.words }}
      </label>
    </div>
    <ul v-if="!small" aria-live="polite">
      <li v-for="fault in remedies" :key="fault.id">
        <strong>{{ fault.words }}:</strong> {{ fault.remedy }}
      </li>
    </ul>
  </fieldset>
</template>

<style scoped lang="scss">
fieldset:not(.small) {
  min-height: 170px;
}

.small .chips {
  gap: 5px;
}

.small label {
  padding: 0 9px;
  font-size: 14px;
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
