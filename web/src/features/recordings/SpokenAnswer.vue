<script setup lang="ts">
import type { RecordingDto } from '@escalier/contract/recordings';
import { onBeforeUnmount, toRef } from 'vue';
import { useAnswer } from './use-answer.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** A few words to the pupil, spoken: said, heard once more, kept with the recording. */
const props = defineProps<{
  recording: RecordingDto;
  /** Told what is kept now, also when one has gone on to the next recording. */
  change: (id: string, changed: Partial<RecordingDto>) => void;
}>();
const emit = defineEmits<{ /** Somebody else has answered meanwhile. */ stale: [] }>();
const { spoken, seconds, busy, isPlaying, isOn, error, start, stop, erase, toggle, isUnsent, sendAgain } = useAnswer(
  toRef(props, 'recording'),
  (id, changed) => props.change(id, changed),
  () => emit('stale'),
);
// Who goes on while speaking keeps what was said.
onBeforeUnmount(stop);
</script>

<template>
  <div class="stack-close" role="group" :aria-label="t('spoken-answer.spoken-answer')">
    <div class="line">
      <template v-if="isOn">
        <BButton variant="primary" @click="stop">{{ t('spoken-answer.stop-and-keep') }}</BButton>
        <span class="soft" role="status">{{ t('spoken-answer.speak-now-seconds-s', { seconds }) }}</span>
      </template>
      <template v-else>
        <BButton :disabled="busy" @click="start">{{
          spoken === null ? t('spoken-answer.speak-an-answer') : t('spoken-answer.speak-it-again')
        }}</BButton>
        <template v-if="spoken !== null">
          <BButton :pressed="isPlaying" :disabled="busy" @click="toggle">
            {{
              isPlaying
                ? t('spoken-answer.stop')
                : t('spoken-answer.hear-it-seconds', { seconds: counted('seconds', { n: Math.round(spoken) }) })
            }}
          </BButton>
          <BButton :disabled="busy" @click="erase">{{ t('spoken-answer.erase-it') }}</BButton>
        </template>
      </template>
      <BSpinner v-if="busy" small :label="t('spoken-answer.one-moment')" />
    </div>
    <BAlert v-if="isUnsent" variant="warning" :model-value="true">
      {{ t('spoken-answer.your-answer-hasnt-been-sent-yet') }}
      <BButton @click="sendAgain">{{
        spoken === null ? t('spoken-answer.send-it-again') : t('spoken-answer.send-it-instead-of-theirs')
      }}</BButton>
    </BAlert>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <p class="soft">{{ t('spoken-answer.up-to-a-minute-it-is') }}</p>
  </div>
</template>
