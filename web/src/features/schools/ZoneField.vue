<script setup lang="ts">
import SelectField from '../../ui/SelectField.vue';
import { zones } from './zones.ts';
import { t } from './messages.ts';

/** The time zone of a school. */
defineProps<{ error?: string | undefined }>();
const zone = defineModel<string>({ required: true });
const options = zones().map((value) => ({ value, text: value }));
</script>

<template>
  <SelectField
    v-model="zone"
    :label="t('zone-field.time-zone')"
    :hint="t('zone-field.used-for-lesson-times')"
    :options="options"
    :error="error"
  />
</template>
