<script setup lang="ts">
import type { Family } from '@escalier/core/instruments';
import type { Pitch } from '@escalier/core/music';
import { computed, ref, watch } from 'vue';
import { useSeenTimer } from '../../ui/use-seen-timer.ts';
import { clickSchedule, notesSchedule, useSound } from '../../sound/index.ts';
import { tappedTempo } from './tapped-tempo.ts';
import { t } from './messages.ts';

/** A start note, the beat at the pass tempo, a stop-watch, and the tempo that is reached, by tapping along. */
const props = defineProps<{
  family: Family;
  soundsAbove: number;
  firstNote: Pitch | null;
  passTempo: number;
  /** In a bar. */
  beats: number;
  /** Of one playing at the pass tempo. */
  seconds: number;
}>();
const tempo = defineModel<number | null>('tempo', { required: true });
const sound = useSound();
const clicking = ref(false);

const voices = computed(() => ({ family: props.family, melody: true, click: true, drone: false }));

function playNote(): void {
  if (props.firstNote === null) return;
  clicking.value = false;
  void sound.start(notesSchedule([props.firstNote], props.soundsAbove), voices.value);
}

function toggleClick(): void {
  clicking.value = !clicking.value;
  if (clicking.value) void sound.start(clickSchedule(props.passTempo, props.beats), voices.value, true);
  else sound.stop();
}

const startedAt = ref<number | null>(null);
const elapsed = ref(0);
const watchTimer = useSeenTimer(
  () => (elapsed.value = startedAt.value === null ? elapsed.value : (performance.now() - startedAt.value) / 1000),
  250,
  false,
);

function toggleWatch(): void {
  if (startedAt.value === null) {
    elapsed.value = 0;
    startedAt.value = performance.now();
    watchTimer.start();
  } else {
    startedAt.value = null;
    watchTimer.stop();
  }
}

const taps = ref<number[]>([]);
function tap(): void {
  taps.value = [...taps.value.slice(-12), performance.now()];
  tempo.value = tappedTempo(taps.value) ?? tempo.value;
}
watch(tempo, (reached) => {
  if (reached === null) taps.value = [];
});

function clock(seconds: number): string {
  const whole = Math.floor(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
</script>

<template>
  <div class="line tools" role="group" :aria-label="t('turn-tools.for-hearing')">
    <BButton :disabled="firstNote === null" @click="playNote">{{ t('turn-tools.starting-note') }}</BButton>
    <BButton :pressed="clicking" @click="toggleClick">
      {{ t('turn-tools.beat') }} <strong>{{ passTempo }}</strong>
    </BButton>
    <BButton :pressed="startedAt !== null" @click="toggleWatch">
      {{ t('turn-tools.stopwatch') }} <strong>{{ clock(elapsed) }}</strong>
      {{ t('turn-tools.of-clock', { clock: clock(seconds) }) }}
    </BButton>
    <BButton @click="tap">
      {{ t('turn-tools.tap-the-beat') }} <strong>{{ tempo === null ? '–' : tempo }}</strong>
    </BButton>
    <BButton v-if="tempo !== null" @click="tempo = null">{{ t('turn-tools.clear-tempo') }}</BButton>
    <p v-if="sound.error.value !== null" class="soft">{{ sound.error.value }}</p>
  </div>
</template>

<style scoped>
.tools {
  gap: 6px;
}

.tools .btn {
  font-weight: 400;
}
</style>
