<script setup lang="ts" generic="Value extends string | null">
import type { StyleChoice } from '@escalier/core/practice';
import SelectField from './SelectField.vue';

/** One of several ways to teach, with the case for the one that is chosen. */
defineProps<{ label: string; choices: readonly StyleChoice<Value>[]; error?: string | undefined }>();
const chosen = defineModel<Value>({ required: true });
</script>

<template>
  <SelectField
    v-model="chosen"
    :label="label"
    :hint="choices.find((choice) => choice.value === chosen)?.speaksFor"
    :error="error"
    :options="choices.map(({ value, label: text }) => ({ value, text }))"
  />
</template>
