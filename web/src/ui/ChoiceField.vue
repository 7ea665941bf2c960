<script setup lang="ts" generic="Value extends string | null">
import { computed } from 'vue';
import type { StyleChoice } from '@escalier/core/practice';
import FormField from './FormField.vue';

/** One of several ways, with what speaks for the chosen one. */
const props = defineProps<{ label: string; choices: readonly StyleChoice<Value>[]; error?: string | undefined }>();
const chosen = defineModel<Value>({ required: true });

const index = computed(() => props.choices.findIndex((choice) => choice.value === chosen.value));

function choose(event: Event): void {
  chosen.value = props.choices[Number((event.target as HTMLSelectElement).value)]!.value;
}
</script>

<template>
  <FormField v-slot="{ id, describedby }" :label="label" :hint="choices[index]?.speaksFor ?? ''" :error="error">
    <select :id="id" class="form-select" :value="index" :aria-describedby="describedby" @change="choose">
      <option v-for="(choice, at) in choices" :key="choice.label" :value="at">{{ choice.label }}</option>
    </select>
  </FormField>
</template>
