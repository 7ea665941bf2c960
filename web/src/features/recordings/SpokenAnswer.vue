<script setup lang="ts">
import type { RecordingDto } from '@escalier/contract/recordings';
import { onBeforeUnmount, toRef } from 'vue';
import { plural } from '../../ui/plural.ts';
import { useAnswer } from './use-answer.ts';

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
  <div class="stack-close" role="group" aria-label="Spoken answer">
    <div class="line">
      <template v-if="isOn">
        <BButton variant="primary" @click="stop">Stop and keep</BButton>
        <span class="soft" role="status">Speak now, {{ seconds }} s</span>
      </template>
      <template v-else>
        <BButton :disabled="busy" @click="start">{{ spoken === null ? 'Speak an answer' : 'Speak it again' }}</BButton>
        <template v-if="spoken !== null">
          <BButton :pressed="isPlaying" :disabled="busy" @click="toggle">
            {{ isPlaying ? 'Stop' : `Hear it, ${plural(Math.round(spoken), 'second', 'seconds')}` }}
          </BButton>
          <BButton :disabled="busy" @click="erase">Erase it</BButton>
        </template>
      </template>
      <BSpinner v-if="busy" small label="One moment" />
    </div>
    <BAlert v-if="isUnsent" variant="warning" :model-value="true">
      What you said is not at the school yet.
      <BButton @click="sendAgain">{{ spoken === null ? 'Send it again' : 'Send it instead of theirs' }}</BButton>
    </BAlert>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <p class="soft">At most a minute. It is kept with the recording, and erased with it.</p>
  </div>
</template>
