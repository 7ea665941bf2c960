<script setup lang="ts">
import FormField from './FormField.vue';

/** A labelled line of text, a date, a number or a password. */
defineProps<{
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  type?: 'text' | 'date' | 'email' | 'password' | 'number';
  autocomplete?: string;
  min?: number;
  max?: number;
}>();
const [value, modifiers] = defineModel<string | number | null>({ required: true });

function typed(event: Event): void {
  const text = (event.target as HTMLInputElement).value;
  value.value = 'number' in modifiers ? Number(text) : text;
}
</script>

<template>
  <FormField v-slot="{ id, describedby }" :label="label" :hint="hint" :error="error">
    <input
      :id="id"
      class="form-control"
      :type="type ?? 'text'"
      :value="value"
      :autocomplete="autocomplete"
      :min="min"
      :max="max"
      :aria-describedby="describedby"
      @input="typed"
    />
  </FormField>
</template>
