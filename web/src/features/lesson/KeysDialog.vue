<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { ref } from 'vue';
import { keyWords, KEY_ACTIONS, useActionKeys, type KeyAction } from '../../ui/action-keys.ts';

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
    title="Keys of the lesson"
    title-tag="h2"
    no-footer
    size="lg"
    :no-close-on-esc="waiting !== null"
  >
    <div class="stack">
      <p>
        Numbers go to the rungs of the practice ladder. Press “Change”, then the key or the foot switch. Kept on this
        device.
      </p>
      <ul class="plain ruled">
        <li v-for="action in KEY_ACTIONS" :key="action.id" class="d-flex gap-3 align-items-center">
          <span class="grow">{{ action.label }}</span>
          <span class="key">{{ keyWords(keys.get(action.id)!) }}</span>
          <BButton size="sm" :aria-label="`Change the key for ${action.label}`" @click="waiting = action.id">{{
            waiting === action.id ? 'Press a key …' : 'Change'
          }}</BButton>
        </li>
      </ul>
      <BButton v-if="isChanged" @click="reset">As they were at first</BButton>
    </div>
  </BModal>
</template>
