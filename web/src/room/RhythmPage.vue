<script setup lang="ts">
import { barId } from '@escalier/core/formats';
import { computed, ref, watch } from 'vue';
import type { ScoreMark } from '../score/index.ts';
import { plural } from '../ui/plural.ts';
import RoomSheet from './RoomSheet.vue';
import { useRoom } from './use-room.ts';
import { useSheetPlayer } from './use-sheet-player.ts';
import { useTapping, type TapWay } from './use-tapping.ts';

/** Four bars of the pupil's tune, tapped along the click: early and late are seen on the notes. */
const { own } = useRoom();
const { info, shown, on } = useSheetPlayer(
  computed(() => own.value?.abc ?? ''),
  ref(null),
);
const { taps, result, ids, now, isHearing, playing, error, start, tap, stop } = useTapping(
  info,
  () => on.value?.family ?? 'recorder',
);
const way = ref<TapWay>('along');
const WAYS = [
  { value: 'along', text: 'Tap along' },
  { value: 'back', text: 'Hear it, clap it back' },
];
const BARS = 4;
/** Slower than the tune: the hands come before the fingers. */
const SHARE = 0.75;
const first = ref(0);
const bars = computed((): readonly [number, number] => {
  const last = (info.value?.barNumbers.length ?? BARS) - 1;
  return [first.value, Math.min(first.value + BARS - 1, last)];
});
watch(own, () => (first.value = 0));

/** Shades do not cover the names of the line above. */
const shaded = computed(() =>
  (info.value?.barNumbers ?? []).flatMap((_, index): ScoreMark[] =>
    index < bars.value[0] || index > bars.value[1] ? [] : [{ kind: 'shade', id: barId(index), group: 0 }],
  ),
);
const marks = computed((): readonly ScoreMark[] => [
  ...shaded.value,
  ...(now.value === null ? [] : [{ kind: 'now' as const, id: now.value }]),
  ...(result.value?.notes ?? []).flatMap(({ kind }, index): ScoreMark[] =>
    kind === 'together' ? [] : [{ kind: 'fault', id: ids.value[index]!, words: kind === 'missed' ? 'No tap' : kind }],
  ),
]);
const count = (kind: string): number => (result.value?.notes ?? []).filter((note) => note.kind === kind).length;
const said = computed(() => {
  if (result.value === null) return '';
  if (taps.value.length === 0) return 'No tap came. Tap the big button with the notes.';
  const [early, late, missed] = [count('early'), count('late'), count('missed')];
  if (early + late + missed + result.value.extra === 0) return 'All together with the notes. Lovely!';
  const words = [
    ...(early > 0 ? [`${early} early`] : []),
    ...(late > 0 ? [`${late} late`] : []),
    ...(missed > 0 ? [`${missed} without a tap`] : []),
    ...(result.value.extra > 0 ? [plural(result.value.extra, 'tap too many', 'taps too many')] : []),
  ];
  return `${count('together')} together; ${words.join(', ')}.`;
});

function next(): void {
  result.value = null;
  const length = info.value?.barNumbers.length ?? 0;
  first.value = first.value + BARS >= length ? 0 : first.value + BARS;
}

function toggle(): void {
  if (playing.value !== null) stop();
  else void start(bars.value, Math.round((info.value?.playback.perMinute ?? 80) * SHARE), way.value);
}
</script>

<template>
  <section v-if="own !== null" class="stack">
    <h1>Tap the rhythm</h1>
    <BFormRadioGroup v-model="way" :options="WAYS" buttons :disabled="playing !== null" aria-label="How" />
    <p>
      {{
        way === 'along'
          ? 'Wait for the clicks of the count-in. Then tap once for every note.'
          : 'Listen to the bars once. Then tap them back, once for every note.'
      }}
    </p>
    <RoomSheet :abc="shown" :title="own.title" :marks="marks" />
    <BAlert :model-value="error !== null" variant="warning">{{ error }}</BAlert>
    <BButton
      v-if="playing !== null"
      class="pad"
      variant="primary"
      @pointerdown="tap($event.timeStamp)"
      @keydown.space.prevent="tap($event.timeStamp)"
      >{{ isHearing(way) ? 'Listen' : 'Tap here' }}</BButton
    >
    <p class="said" role="status">{{ said }}</p>
    <div class="keys">
      <BButton
        size="lg"
        :variant="playing === null ? 'primary' : 'outline-dark'"
        :disabled="info === null"
        @click="toggle"
        >{{ playing === null ? (result === null ? 'Begin' : 'Again') : 'Stop' }}</BButton
      >
      <BButton size="lg" :disabled="playing !== null" @click="next">Other bars</BButton>
    </div>
  </section>
</template>

<style scoped>
.pad {
  position: sticky;
  bottom: 76px;
  z-index: 2;
  width: 100%;
  min-height: 150px;
  font-size: 1.6rem;
  touch-action: manipulation;
}

.keys {
  display: flex;
  gap: 0.8rem;
}

.keys .btn {
  flex: 1;
  min-height: 56px;
}

.said {
  min-height: 2rem;
  font: 700 1.2rem var(--heading);
}
</style>
