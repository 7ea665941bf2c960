<script setup lang="ts">
import { useHandIns } from './hand-ins.ts';
import { useRoom } from './use-room.ts';
import { t } from './messages.ts';

/** What is kept where, in words for families: docs/guide/privacy.md at greater length. */
const { facts, leave } = useRoom();
const { forget } = useHandIns();

async function clear(): Promise<void> {
  await forget();
  leave();
}
</script>

<template>
  <section class="stack-close">
    <h1>{{ t('families-page.for-families') }}</h1>
    <p>
      {{ t('families-page.this-room-has-no-account-and') }}
    </p>
    <h2 class="mt-3">{{ t('families-page.on-this-device-alone') }}</h2>
    <ul>
      <li>{{ t('families-page.practice-days-favourite-tunes-and-how') }}</li>
      <li>{{ t('families-page.what-the-microphone-hears-it-is') }}</li>
      <li>{{ t('families-page.a-recording-waiting-for-a-connection') }}</li>
    </ul>
    <h2 class="mt-3">{{ t('families-page.at-the-school') }}</h2>
    <ul>
      <li>
        {{ t('families-page.a-recording-your-child-sends-if', { keptDays: facts?.keptDays ?? 'some' }) }}
      </li>
      <li>{{ t('families-page.nothing-else-no-visits-no-times') }}</li>
    </ul>
    <h2 class="mt-3">{{ t('families-page.whoever-finds-the-slip') }}</h2>
    <p>{{ t('families-page.can-practise-and-send-a-recording') }}</p>
    <h2 class="mt-3">{{ t('families-page.ears-breath-mouthpiece') }}</h2>
    <p>
      {{ t('families-page.ten-minutes-is-enough-keep-earphones') }}
    </p>
    <BButton v-if="facts !== null" variant="outline-danger" @click="clear">{{
      t('families-page.remove-the-room-from-this-device')
    }}</BButton>
  </section>
</template>
