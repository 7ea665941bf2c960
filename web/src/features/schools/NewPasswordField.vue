<script setup lang="ts">
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** A password that somebody chooses. */
defineProps<{ label: string; error?: string | undefined }>();
const password = defineModel<string>({ required: true });
</script>

<template>
  <TextField
    v-model="password"
    :label="label"
    :hint="t('new-password-field.at-least-12-characters-a-few')"
    :error="error"
    type="password"
    autocomplete="new-password"
  />
</template>
