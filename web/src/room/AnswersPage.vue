<script setup lang="ts">
import type { RoomAnswer } from '@escalier/contract/practice-rooms';
import type { Outcome } from '@escalier/core/records';
import { computed, ref } from 'vue';
import { listWords } from '@escalier/core/words';
import { moment } from '../ui/dates.ts';
import { PlainError } from '../refusals/index.ts';
import { useHandIns } from './hand-ins.ts';
import { spokenAnswer } from './room-api.ts';
import { useRoom } from './use-room.ts';
import { useSoundFile } from './use-sound-file.ts';

/** What came back to what was handed in. */
const { facts, token } = useRoom();
const { waiting, refused } = useHandIns();
const sound = useSoundFile();
const playing = ref<string | null>(null);
const problem = ref<string | null>(null);

const OUTCOMES: Readonly<Record<Outcome, string>> = {
  passed: 'Passed!',
  nearly: 'Nearly: once more.',
  'not-yet': 'Keep practising.',
};
const titleOf = (id: string): string =>
  facts.value?.tunes.find((tune) => tune.id === id)?.title ?? 'A tune from before';
const barsOf = ({ bars }: RoomAnswer): string =>
  `Look at ${bars.length === 1 ? 'bar' : 'bars'} ${listWords(bars.map(String))}.`;
const answers = computed(() => facts.value?.answers ?? []);

async function hear({ id }: RoomAnswer): Promise<void> {
  if (sound.isPlaying.value && playing.value === id) return sound.stop();
  problem.value = null;
  playing.value = id;
  try {
    await sound.play(await spokenAnswer(token.value!, id));
  } catch (mishap) {
    if (!(mishap instanceof PlainError)) throw mishap;
    problem.value = mishap.message;
  }
}
</script>

<template>
  <section class="stack">
    <h1>From my teacher</h1>
    <p v-if="facts?.task">
      This week: <strong>{{ facts.task.words || 'See Today.' }}</strong>
    </p>
    <p v-if="waiting > 0" role="status">{{ waiting }} waiting on this device for a connection.</p>
    <BAlert :model-value="(refused ?? problem ?? sound.error.value) !== null" variant="warning">{{
      refused ?? problem ?? sound.error.value
    }}</BAlert>
    <BCard v-for="answer in answers" :key="answer.id" class="mb-3">
      <h2>{{ titleOf(answer.tuneId) }}</h2>
      <p class="small">Sent {{ moment(answer.handedInAt) }}</p>
      <p v-if="answer.outcome !== null" class="outcome">{{ OUTCOMES[answer.outcome] }}</p>
      <p v-if="answer.words !== ''">{{ answer.words }}</p>
      <p v-if="answer.bars.length > 0">{{ barsOf(answer) }}</p>
      <BButton v-if="answer.spokenSeconds !== null" @click="hear(answer)">{{
        sound.isPlaying.value && playing === answer.id ? 'Stop' : 'Hear your teacher'
      }}</BButton>
      <p v-if="answer.outcome === null && answer.words === '' && answer.spokenSeconds === null">Your teacher has it.</p>
    </BCard>
    <template v-if="answers.length === 0">
      <p v-if="facts?.mayHandIn">Nothing yet. Record yourself under a tune and send it when you like it.</p>
      <p v-else>Recordings can be sent when your family has agreed to it. Your teacher knows how.</p>
    </template>
  </section>
</template>

<style scoped>
.outcome {
  font: 700 1.3rem var(--heading);
}
</style>
