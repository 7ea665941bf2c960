<script setup lang="ts">
import { computed, ref, toRef } from 'vue';
import type { HomePartView } from '../workers/index.ts';
import PlayButton from '../ui/PlayButton.vue';
import RoomSheet from './RoomSheet.vue';
import { useSheetPlayer } from './use-sheet-player.ts';

/** One part of the ten minutes: what to do, its music, and on. */
const props = defineProps<{ part: HomePartView; number: number; of: number }>();
defineEmits<{ next: [more: boolean] }>();
const { info, shown, player, sounding, pointing } = useSheetPlayer(
  toRef(() => props.part.abc),
  toRef(() => props.part.turns),
);
const hasPlayed = ref(false);
const marks = computed(() => pointing(props.part.bars));
const isMine = computed(() => player.turn.value?.who === 'class');

async function toggle(): Promise<void> {
  if (player.playing.value !== null) return player.stop();
  player.perMinute.value = props.part.tempo;
  player.loopBars.value = props.part.bars;
  hasPlayed.value = true;
  await player.start();
}
</script>

<template>
  <section class="stack" :aria-label="part.title">
    <BProgress :value="number" :max="of" :aria-label="`Part ${number} of ${of}`" />
    <h1>{{ part.title }}</h1>
    <p>{{ part.say }}</p>
    <RoomSheet :abc="shown" :title="part.title" :marks="marks" />
    <p class="turn" role="status">
      <template v-if="player.playing.value === null">{{ part.tempo }} beats a minute</template>
      <template v-else-if="isMine">Your turn</template>
      <template v-else-if="part.turns !== null">Listen</template>
      <template v-else>{{ sounding === null ? 'Get ready' : 'Play along' }}</template>
    </p>
    <BAlert :model-value="player.error.value !== null" variant="warning">{{ player.error.value }}</BAlert>
    <div class="keys">
      <PlayButton :playing="player.playing.value !== null" :disabled="info === null" @toggle="toggle" />
      <BButton size="lg" @click="$emit('next', false)">{{ hasPlayed ? 'Again tomorrow' : 'Skip' }}</BButton>
      <BButton size="lg" variant="primary" @click="$emit('next', true)">I have it: on</BButton>
    </div>
  </section>
</template>

<style scoped>
.turn {
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
</style>
