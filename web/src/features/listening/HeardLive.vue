<script setup lang="ts">
import type { ListeningRule } from '@escalier/core/listening';
import { watch } from 'vue';
import type { ListenedView } from '../../workers/listening.ts';
import { useHeardLive } from './use-heard-live.ts';
import { t } from './messages.ts';

/** Switched on by the teacher: Escalier listens while a pupil plays, and says what it heard. */
const props = defineProps<{ turn: string; tuneId: string; instrumentId: string; rule: ListeningRule }>();
const emit = defineEmits<{ heard: [view: ListenedView] }>();
const { view, seconds, isThinking, isOn, problem, start, finish, forget } = useHeardLive(() => void done());
watch(() => props.turn, forget);

async function done(): Promise<void> {
  await finish({ instrumentId: props.instrumentId, rule: props.rule });
  if (view.value !== null) emit('heard', view.value);
}
</script>

<template>
  <section class="card-paper stack-close" :aria-label="t('heard-live.listening-along')">
    <div class="line">
      <BButton v-if="!isOn" :disabled="isThinking" @click="start(tuneId)">{{ t('heard-live.listen-along') }}</BButton>
      <BButton v-else variant="primary" @click="done">{{ t('heard-live.the-tune-has-ended') }}</BButton>
      <span v-if="isOn" class="soft" role="status">{{
        t('heard-live.listening-seconds-s-nothing-is-stored', { seconds })
      }}</span>
      <span v-else-if="isThinking" class="soft" role="status"
        ><BSpinner small aria-hidden="true" /> {{ t('heard-live.one-moment') }}</span
      >
    </div>
    <BAlert v-if="problem !== null" variant="danger" :model-value="true">{{ problem }}</BAlert>
    <p v-if="view !== null" class="said" role="status">{{ view.words }}</p>
  </section>
</template>

<style scoped>
.said {
  font-family: var(--heading);
}
</style>
