<script setup lang="ts">
import { useId } from 'vue';

/**
 * A label, its control, a hint, and what is wrong with it, tied to each other for those who do not see them. The control
 * takes the id; a group of controls is named as a group instead.
 */
defineProps<{ label: string; hint?: string | undefined; error?: string | undefined; group?: boolean }>();
const id = useId();
</script>

<template>
  <BFormGroup
    v-slot="{ ariaDescribedby }"
    :label="label"
    :label-for="group ? '' : id"
    :description="hint ?? ''"
    :invalid-feedback="error ?? ''"
    :state="error === undefined ? null : false"
    feedback-aria-live="polite"
  >
    <slot :id="id" :describedby="ariaDescribedby ?? undefined" :state="error === undefined ? null : false" />
  </BFormGroup>
</template>
