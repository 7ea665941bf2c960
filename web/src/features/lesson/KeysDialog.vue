<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { ref } from 'vue';
import { keyWords, KEY_ACTIONS, useActionKeys, type KeyAction } from '../../ui/action-keys.ts';
import { t } from './messages.ts';

/** The keys of a lesson, and changing them: a foot switch or a presenter is a keyboard with few keys. */
const open = defineModel<boolean>({ required: true });
const { keys, set, reset, isChanged } = useActionKeys();
const waiting = ref<KeyAction | null>(null);

onKeyStroke(
  true,
  (event) => {
    if (waiting.value === null || !open.value || event.key === 'Tab') return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key !== 'Escape') set(waiting.value, event.key.length === 1 ? event.key.toLowerCase() : event.key);
    waiting.value = null;
  },
  { eventName: 'keydown' },
);
</script>

<template>
  <BModal
    v-model="open"
    :title="t('keys-dialog.title')"
    title-tag="h2"
    no-footer
    size="lg"
    :no-close-on-esc="waiting !== null"
  >
    <div class="stack">
      <p>
        {{ t('keys-dialog.numbers-go-to-the-rungs-of') }}
      </p>
      <ul class="plain ruled">
        <li v-for="action in KEY_ACTIONS" :key="action.id" class="d-flex gap-3 align-items-center">
          <span class="grow">{{ action.label }}</span>
          <span class="key">{{ keyWords(keys.get(action.id)!) }}</span>
          <BButton
            size="sm"
            :aria-label="t('keys-dialog.change-the-key-for-label', { label: action.label })"
            @click="waiting = action.id"
            >{{ waiting === action.id ? t('keys-dialog.press-a-key') : t('keys-dialog.change') }}</BButton
          >
        </li>
      </ul>
      <BButton v-if="isChanged" @click="reset">{{ t('keys-dialog.reset-keys') }}</BButton>
    </div>
  </BModal>
</template>
