<script setup lang="ts">
import { computed } from 'vue';
import FormField from './FormField.vue';

/** A labelled line of text, a date, a time, a number or a password. */
const props = defineProps<{
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  type?: 'text' | 'date' | 'time' | 'email' | 'password' | 'number';
  autocomplete?: string | undefined;
  min?: number;
  max?: number;
}>();
const value = defineModel<string | number | null>({ required: true });
const typed = computed({
  get: () => value.value,
  set: (text) => (value.value = props.type === 'number' ? Number(text) : text),
});
</script>

<template>
  <FormField v-slot="{ id, describedby, state }" :label="label" :hint="hint" :error="error">
    <BFormInput
      :id="id"
      v-model="typed"
      :type="type ?? 'text'"
      :state="state"
      v-bind="{
        ...(autocomplete === undefined ? {} : { autocomplete }),
        ...(min === undefined ? {} : { min }),
        ...(max === undefined ? {} : { max }),
      }"
      :aria-describedby="describedby"
    />
  </FormField>
</template>
