<script setup lang="ts">
import { t } from './messages.ts';

/** What goes on with a lesson: always at the same place, on a small screen at the thumb. */
defineProps<{
  /** What comes next; null for the end of the lesson. */
  next: string | null;
}>();
defineEmits<{ next: []; again: []; skip: []; back: [] }>();
</script>

<template>
  <p class="soft">
    {{ t('one-key.next') }} <strong>{{ next ?? t('one-key.the-end') }}</strong>
  </p>
  <div class="line one-key">
    <BButton variant="primary" size="lg" class="grow" @click="$emit('next')"
      >{{ next === null ? t('one-key.end-the-lesson') : t('one-key.next-2') }}
      <span class="key" aria-hidden="true">→</span></BButton
    >
    <BButton size="lg" @click="$emit('again')"
      >{{ t('one-key.again') }} <span class="key" aria-hidden="true">R</span></BButton
    >
    <BButton size="lg" @click="$emit('skip')"
      >{{ t('one-key.skip') }} <span class="key" aria-hidden="true">S</span></BButton
    >
    <BButton size="lg" @click="$emit('back')"
      >{{ t('one-key.back') }} <span class="key" aria-hidden="true">←</span></BButton
    >
  </div>
</template>

<style scoped lang="scss">
@media (max-width: 900px) {
  .one-key {
    position: fixed;
    z-index: 20;
    right: 0;
    bottom: 0;
    left: 0;
    flex-wrap: nowrap;
    gap: 8px;
    padding: 10px 12px;
    border-top: 2px solid var(--ink);
    background: var(--paper);
  }

  .one-key :deep(.btn-lg) {
    flex-basis: auto;
    min-width: 0;
    padding-inline: 10px;
  }

  .key {
    display: none;
  }
}
</style>
