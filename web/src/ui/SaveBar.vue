<script setup lang="ts">
import { t } from './messages.ts';
/** The button that saves a form, and why it could not be saved. */
defineProps<{ busy: boolean; error: string | null; label?: string; disabled?: boolean }>();
</script>

<template>
  <div class="line">
    <BButton variant="primary" type="submit" :disabled="busy || disabled">
      <BSpinner v-if="busy" small aria-hidden="true" />{{ label ?? t('save-bar.save') }}
    </BButton>
    <slot />
    <BAlert v-if="error !== null" class="grow" variant="danger" :model-value="true">{{ error }}</BAlert>
  </div>
</template>
