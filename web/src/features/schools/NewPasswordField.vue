<script setup lang="ts">
import TextField from '../../ui/TextField.vue';

/** A password that somebody chooses. */
defineProps<{ label: string; error?: string | undefined }>();
const password = defineModel<string>({ required: true });
</script>

<template>
  <TextField
    v-model="password"
    :label="label"
    hint="At least 12 characters. A few words in a row are easy to remember."
    :error="error"
    type="password"
    autocomplete="new-password"
  />
</template>
