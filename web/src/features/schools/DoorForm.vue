<script setup lang="ts">
import SaveBar from '../../ui/SaveBar.vue';
import { t } from './messages.ts';

/** A form in front of the school: at the first start, and for whoever comes by a link. */
defineProps<{ title: string; lead: string; busy: boolean; error: string | null; label: string }>();
defineEmits<{ submit: [] }>();
</script>

<template>
  <div class="door stack">
    <p class="brand-name">{{ t('door-form.escalier') }}</p>
    <h1>{{ title }}</h1>
    <p>{{ lead }}</p>
    <BForm class="stack" novalidate @submit.prevent="$emit('submit')">
      <slot />
      <SaveBar :busy="busy" :error="error" :label="label" />
    </BForm>
  </div>
</template>

<style scoped>
.door {
  max-width: 560px;
  margin: 0 auto;
  padding: 8vh 24px 24px;
}
</style>
