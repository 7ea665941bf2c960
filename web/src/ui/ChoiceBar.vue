<script setup lang="ts" generic="Value extends string">
/** One of a few: a row of joined buttons, one pressed. */
defineProps<{ label: string; choices: readonly { readonly value: Value; readonly label: string }[] }>();
const chosen = defineModel<Value>({ required: true });
</script>

<template>
  <div class="bar" role="radiogroup" :aria-label="label">
    <label v-for="choice in choices" :key="choice.value" :class="{ on: chosen === choice.value }">
      <input v-model="chosen" class="visually-hidden" type="radio" :name="label" :value="choice.value" />
      {{ choice.label }}
    </label>
  </div>
</template>

<style scoped lang="scss">
.bar {
  display: inline-flex;
  border: 1.5px solid var(--ink);
  border-radius: 11px;
  background: var(--card);
  overflow: clip;
}

label {
  position: relative;
  display: grid;
  place-items: center;
  min-height: 38px;
  padding: 0 11px;
  font-weight: 650;
  cursor: pointer;
}

label.on {
  background: var(--ink);
  color: #fff;
}

label:focus-within {
  outline: 3px solid var(--spruce);
  outline-offset: -4px;
}

label.on:focus-within {
  outline-color: #e3b866;
}

@media (pointer: coarse) {
  label {
    min-height: 44px;
  }
}
</style>
