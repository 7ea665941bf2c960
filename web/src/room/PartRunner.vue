<script setup lang="ts">
import { computed, ref, toRef } from 'vue';
import type { HomePartView } from '../workers/index.ts';
import PlayButton from '../ui/PlayButton.vue';
import RoomSheet from './RoomSheet.vue';
import { usePartListening } from './use-part-listening.ts';
import { useSheetPlayer } from './use-sheet-player.ts';
import { t } from './messages.ts';

/** One part of the ten minutes: what to do, its music, what was heard, and on. */
const props = defineProps<{ part: HomePartView; number: number; of: number }>();
defineEmits<{ next: [more: boolean] }>();
const { info, shown, player, sounding, pointing } = useSheetPlayer(
  toRef(() => props.part.abc),
  toRef(() => props.part.turns),
);
const {
  listens,
  kindly,
  marks: heard,
  isAlone,
  isThinking,
  error,
  play,
  stop,
  playAlone,
  done,
} = usePartListening(
  toRef(() => props.part),
  shown,
  player,
);
const hasPlayed = ref(false);
const marks = computed(() => [...heard.value, ...pointing(props.part.bars)]);
/** What comes next is the pupil's own word; what was heard only says which of the two first. */
const isToAgain = computed(() => (kindly.value?.next.length ?? 0) > 0);

const turn = computed((): string => {
  if (isThinking.value) return t('part-runner.let-me-think');
  if (isAlone.value) return t('part-runner.now-you-alone-im-listening');
  if (player.playing.value === null)
    return kindly.value?.good ?? t('part-runner.tempo-beats-a-minute', { tempo: props.part.tempo });
  if (player.turn.value?.who === 'class') return t('part-runner.your-turn');
  if (props.part.turns?.some(({ who }) => who === 'teacher') === true) return t('part-runner.listen');
  return sounding.value === null ? t('part-runner.get-ready') : t('part-runner.play-along');
});

async function toggle(): Promise<void> {
  if (player.playing.value !== null) return stop();
  player.perMinute.value = props.part.tempo;
  player.loopBars.value = props.part.bars;
  hasPlayed.value = true;
  await play();
}
</script>

<template>
  <section class="stack" :aria-label="part.title">
    <BProgress :value="number" :max="of" :aria-label="t('part-runner.part-number-of-of', { number, of })" />
    <h1>{{ part.title }}</h1>
    <p>{{ part.say }}</p>
    <RoomSheet :abc="shown" :title="part.title" :marks="marks" />
    <div role="status">
      <p class="turn">{{ turn }}</p>
      <ul v-if="kindly !== null && !isAlone && player.playing.value === null">
        <li v-for="line in kindly.next" :key="line">{{ line }}</li>
      </ul>
    </div>
    <BAlert :model-value="(player.error.value ?? error) !== null" variant="warning">{{
      player.error.value ?? error
    }}</BAlert>
    <div class="keys">
      <PlayButton :playing="player.playing.value !== null" :disabled="info === null || isAlone" @toggle="toggle" />
      <template v-if="listens">
        <BButton v-if="isAlone" size="lg" variant="danger" @click="done">{{ t('part-runner.im-done') }}</BButton>
        <BButton v-else size="lg" :disabled="info === null || isThinking" @click="playAlone">{{
          t('part-runner.play-it-alone')
        }}</BButton>
      </template>
    </div>
    <div class="keys">
      <BButton :variant="isToAgain ? 'primary' : 'outline-dark'" @click="$emit('next', false)">{{
        hasPlayed || kindly !== null ? t('part-runner.more-practice-tomorrow') : t('part-runner.skip')
      }}</BButton>
      <BButton :variant="isToAgain ? 'outline-dark' : 'primary'" @click="$emit('next', true)">{{
        t('part-runner.got-it-next')
      }}</BButton>
    </div>
    <BFormCheckbox v-model="listens" switch class="listens">
      {{ t('part-runner.listen-to-me') }}
      <span class="small d-block">{{ t('part-runner.what-it-hears-stays-on-this') }}</span>
    </BFormCheckbox>
  </section>
</template>

<style scoped>
.turn {
  margin: 0;
  font: 700 1.4rem var(--heading);
  text-align: center;
}

.keys {
  display: flex;
  gap: 0.8rem;
  align-items: center;
}

.keys .btn {
  flex: 1;
  min-height: 52px;
}

.listens {
  padding-block: 8px;
}
</style>
