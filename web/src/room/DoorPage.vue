<script setup lang="ts">
import { ref } from 'vue';
import { useRoom } from './use-room.ts';
import { t } from './messages.ts';

/** For who comes without the link: the three words of the slip. */
const { enter, error } = useRoom();
const words = ref('');
const busy = ref(false);

async function open(): Promise<void> {
  busy.value = true;
  await enter(words.value);
  busy.value = false;
}
</script>

<template>
  <BForm class="door" @submit.prevent="open">
    <h1>{{ t('door-page.open') }}</h1>
    <p>{{ t('door-page.scan-the-code-on-your-slip') }}</p>
    <div>
      <label class="form-label" for="words">{{ t('door-page.three-words') }}</label>
      <BFormInput
        id="words"
        v-model="words"
        :state="error === null ? null : false"
        aria-describedby="wrong-words"
        :placeholder="t('door-page.three-small-words')"
        autocapitalize="none"
        autocomplete="off"
        spellcheck="false"
        required
      />
      <BFormInvalidFeedback id="wrong-words" :state="error === null ? null : false">{{ error }}</BFormInvalidFeedback>
    </div>
    <BButton type="submit" variant="primary" size="lg" :disabled="busy">{{ t('door-page.open-the-room') }}</BButton>
    <p class="small">
      {{ t('door-page.no-name-no-account') }}
      <RouterLink to="/families">{{ t('door-page.for-families-what-is-kept-and') }}</RouterLink>
    </p>
  </BForm>
</template>

<style scoped>
.door {
  display: grid;
  gap: 1rem;
  max-width: 26rem;
}
</style>
