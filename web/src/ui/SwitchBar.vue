<script setup lang="ts" generic="Value extends string">
/** Any of a few: a row of joined buttons, each pressed or not. */
defineProps<{ label: string; choices: readonly { readonly id: Value; readonly label: string }[] }>();
const chosen = defineModel<ReadonlySet<Value>>({ required: true });

function toggle(value: Value): void {
  const next = new Set(chosen.value);
  if (!next.delete(value)) next.add(value);
  chosen.value = next;
}
</script>

<template>
  <div class="bar" role="group" :aria-label="label">
    <button
      v-for="choice in choices"
      :key="choice.id"
      type="button"
      :class="{ on: chosen.has(choice.id) }"
      :aria-pressed="chosen.has(choice.id)"
      @click="toggle(choice.id)"
    >
      {{ choice.label }}
    </button>
  </div>
</template>

<style scoped lang="scss">
.bar {
  display: inline-flex;
  flex-wrap: wrap;
  border: 1.5px solid var(--ink);
  border-radius: 11px;
  background: var(--card);
  overflow: clip;
}

button {
  min-height: 38px;
  padding: 0 10px;
  border: 0;
  background: none;
  color: var(--ink);
  font-weight: 650;
}

button.on {
  background: var(--ink);
  color: #fff;
}

button:focus-visible {
  outline-offset: -4px;
}

button.on:focus-visible {
  outline-color: #e3b866;
}

@media (pointer: coarse) {
  button {
    min-height: 44px;
  }
}
</style>
