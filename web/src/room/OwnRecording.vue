<script setup lang="ts">
import type { RoomTune } from '@escalier/contract/practice-rooms';
import { ref, watch } from 'vue';
import type { ListenedView } from '../workers/listening.ts';
import { useHandIns } from './hand-ins.ts';
import { useOwnRecording } from './use-own-recording.ts';
import { useRoom } from './use-room.ts';
import { t } from './messages.ts';

/** Play it to the device: hear it again, see what to do next, and send it where the family agrees. */
const props = defineProps<{ tune: RoomTune }>();
const emit = defineEmits<{ started: []; heard: [view: ListenedView | null] }>();
const { facts, door } = useRoom();
const { waiting, refused, handIn } = useHandIns();
const { isOn, seconds, isThinking, error, view, sound, isPlaying, start, finish, hear, forget } = useOwnRecording();
const isSent = ref(false);
/** Sent only after it was heard once more. */
const wasHeard = ref(false);
watch(view, (heard) => emit('heard', heard));
watch(isPlaying, (playing) => (wasHeard.value ||= playing));

async function begin(): Promise<void> {
  emit('started');
  [isSent.value, wasHeard.value] = [false, false];
  const { instrumentId, style } = facts.value!;
  await start({ abc: props.tune.abc, instrumentId, naming: style.naming });
}

async function send(): Promise<void> {
  if (sound.value === null || door.value === null) return;
  isSent.value = true;
  await handIn(door.value, { tuneId: props.tune.id, sound: sound.value });
}
</script>

<template>
  <section class="own" aria-labelledby="own-head">
    <h2 id="own-head">{{ t('own-recording.listen-to-myself') }}</h2>
    <BAlert :model-value="error !== null" variant="warning">{{ error }}</BAlert>
    <div class="keys">
      <BButton v-if="!isOn" size="lg" :disabled="isThinking" @click="begin">{{
        view === null ? t('own-recording.record') : t('own-recording.record-again')
      }}</BButton>
      <BButton v-else size="lg" variant="danger" @click="finish">{{
        t('own-recording.done-seconds-seconds', { seconds })
      }}</BButton>
      <BButton v-if="sound !== null" size="lg" @click="hear">{{
        isPlaying ? t('own-recording.stop') : t('own-recording.hear-it')
      }}</BButton>
    </div>
    <p role="status">
      <template v-if="isThinking"><BSpinner small /> {{ t('own-recording.listening') }}</template>
    </p>
    <div v-if="view !== null" class="said" aria-live="polite">
      <p class="good">{{ view.kindly.good }}</p>
      <ul v-if="view.kindly.next.length > 0">
        <li v-for="line in view.kindly.next" :key="line">{{ line }}</li>
      </ul>
      <template v-if="facts?.mayHandIn === true && !isSent">
        <BButton variant="primary" size="lg" :disabled="!wasHeard" @click="send">{{
          t('own-recording.send-to-my-teacher')
        }}</BButton>
        <p v-if="!wasHeard" class="small">{{ t('own-recording.listen-once-more-then-you-can') }}</p>
      </template>
      <BButton variant="link" @click="forget">{{ t('own-recording.delete-it') }}</BButton>
    </div>
    <p v-if="isSent && refused === null" role="status">
      {{ waiting === 0 ? t('own-recording.your-teacher-has-it') : t('own-recording.saved-here-it-will-be-sent') }}
    </p>
    <BAlert :model-value="refused !== null" variant="warning">{{ refused }}</BAlert>
    <p class="small">{{ t('own-recording.it-stays-on-this-device-until') }}</p>
  </section>
</template>

<style scoped>
.own {
  margin-top: 1.2rem;
  padding: 1rem;
  border: 2px solid var(--ink);
  border-radius: 14px;
  background: var(--card);
}

.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
}

.good {
  margin: 0.4rem 0;
  font: 700 1.3rem var(--heading);
}

.said li {
  font-size: 1.1rem;
}
</style>
