<script setup lang="ts">
import FormField from '../../ui/FormField.vue';
import { zones } from './zones.ts';

/** The time zone of a school. */
defineProps<{ error?: string | undefined }>();
const zone = defineModel<string>({ required: true });
const all = zones();
</script>

<template>
  <FormField
    v-slot="{ id, describedby }"
    label="Time zone"
    hint="By it lessons become moments, over changes of the clock too."
    :error="error"
  >
    <select :id="id" v-model="zone" class="form-select" :aria-describedby="describedby">
      <option v-for="each in all" :key="each">{{ each }}</option>
    </select>
  </FormField>
</template>
