<script setup lang="ts" generic="Value extends string | number | boolean | null">
import FormField from './FormField.vue';

/** A labelled choice of one. */
defineProps<{
  label: string;
  options: readonly { readonly value: Value; readonly text: string }[];
  hint?: string | undefined;
  error?: string | undefined;
  disabled?: boolean;
}>();
const chosen = defineModel<Value>({ required: true });
</script>

<template>
  <FormField v-slot="{ id, describedby, state }" :label="label" :hint="hint" :error="error">
    <BFormSelect
      :id="id"
      v-model="chosen"
      :options="options"
      :disabled="disabled"
      :state="state"
      :aria-describedby="describedby"
    />
  </FormField>
</template>
