<script setup lang="ts">
import { listWords } from '@escalier/messages';
import type { RoomAnswer } from '@escalier/contract/practice-rooms';
import type { Outcome } from '@escalier/core/records';
import { computed, ref } from 'vue';
import { moment } from '../ui/dates.ts';
import { PlainError } from '../refusals/index.ts';
import { useHandIns } from './hand-ins.ts';
import { spokenAnswer } from './room-api.ts';
import { useRoom } from './use-room.ts';
import { useSoundFile } from './use-sound-file.ts';
import { t } from './messages.ts';

/** What came back to what was handed in. */
const { facts, token } = useRoom();
const { waiting, refused } = useHandIns();
const sound = useSoundFile();
const playing = ref<string | null>(null);
const problem = ref<string | null>(null);

const OUTCOMES: Readonly<Record<Outcome, string>> = {
  passed: t('answers-page.passed'),
  nearly: t('answers-page.nearly-once-more'),
  'not-yet': t('answers-page.keep-practising'),
};
const titleOf = (id: string): string =>
  facts.value?.tunes.find((tune) => tune.id === id)?.title ?? t('answers-page.a-tune-from-before');
const barsOf = ({ bars }: RoomAnswer): string =>
  t('answers-page.look-at-value-list', {
    bars: bars.length === 1 ? t('bar.bar') : t('bar.bars'),
    list: listWords(bars.map(String)),
  });
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
    <h1>{{ t('answers-page.from-my-teacher') }}</h1>
    <p v-if="facts?.task">
      {{ t('answers-page.this-week') }} <strong>{{ facts.task.words || t('answers-page.see-today') }}</strong>
    </p>
    <p v-if="waiting > 0" role="status">{{ t('answers-page.waiting-waiting-on-this-device-for', { waiting }) }}</p>
    <BAlert :model-value="(refused ?? problem ?? sound.error.value) !== null" variant="warning">{{
      refused ?? problem ?? sound.error.value
    }}</BAlert>
    <BCard v-for="answer in answers" :key="answer.id" class="mb-3">
      <h2>{{ titleOf(answer.tuneId) }}</h2>
      <p class="small">{{ t('answers-page.sent-moment', { moment: moment(answer.handedInAt) }) }}</p>
      <p v-if="answer.outcome !== null" class="outcome">{{ OUTCOMES[answer.outcome] }}</p>
      <p v-if="answer.words !== ''">{{ answer.words }}</p>
      <p v-if="answer.bars.length > 0">{{ barsOf(answer) }}</p>
      <BButton v-if="answer.spokenSeconds !== null" @click="hear(answer)">{{
        sound.isPlaying.value && playing === answer.id ? t('answers-page.stop') : t('answers-page.hear-your-teacher')
      }}</BButton>
      <p v-if="answer.outcome === null && answer.words === '' && answer.spokenSeconds === null">
        {{ t('answers-page.your-teacher-has-it') }}
      </p>
    </BCard>
    <template v-if="answers.length === 0">
      <p v-if="facts?.mayHandIn">{{ t('answers-page.nothing-yet-record-yourself-on-a') }}</p>
      <p v-else>{{ t('answers-page.you-can-send-recordings-once-your') }}</p>
    </template>
  </section>
</template>

<style scoped>
.outcome {
  font: 700 1.3rem var(--heading);
}
</style>
