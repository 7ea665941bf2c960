<script setup lang="ts">
import { ref } from 'vue';
import { useRoom } from './use-room.ts';

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
    <h1>Come in</h1>
    <p>Scan the code on your slip, or type its three words.</p>
    <div>
      <label class="form-label" for="words">Three words</label>
      <BFormInput
        id="words"
        v-model="words"
        :state="error === null ? null : false"
        aria-describedby="wrong-words"
        placeholder="three small words"
        autocapitalize="none"
        autocomplete="off"
        spellcheck="false"
        required
      />
      <BFormInvalidFeedback id="wrong-words" :state="error === null ? null : false">{{ error }}</BFormInvalidFeedback>
    </div>
    <BButton type="submit" variant="primary" size="lg" :disabled="busy">Open the room</BButton>
    <p class="small">
      No name, no account. <RouterLink to="/families">For families: what is kept, and where</RouterLink>
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
