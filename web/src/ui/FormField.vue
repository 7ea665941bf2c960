<script setup lang="ts">
import { computed, useId } from 'vue';

/** A label, its control, what speaks for it, and what is wrong with it. */
const props = defineProps<{ label: string; hint?: string | undefined; error?: string | undefined }>();
const id = useId();
const describedby = computed(
  () =>
    [props.hint === undefined ? '' : `${id}-hint`, props.error === undefined ? '' : `${id}-error`]
      .filter((each) => each !== '')
      .join(' ') || undefined,
);
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <slot :id="id" :describedby="describedby" />
    <p v-if="hint !== undefined" :id="`${id}-hint`" class="soft">{{ hint }}</p>
    <p v-if="error !== undefined" :id="`${id}-error`" class="fault" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 3px;
  align-content: start;
}

label {
  font-weight: 650;
}

.soft {
  font-size: 14px;
  line-height: 1.25;
}
</style>
