<script setup lang="ts">
import { barId } from '@escalier/core/formats';
import { computed, ref, watch } from 'vue';
import type { ScoreMark } from '../score/index.ts';
import RoomSheet from './RoomSheet.vue';
import { useRoom } from './use-room.ts';
import { useSheetPlayer } from './use-sheet-player.ts';
import { useTapping, type TapWay } from './use-tapping.ts';
import { counted } from '../ui/count-messages.ts';
import { t } from './messages.ts';

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
  { value: 'along', text: t('rhythm-page.tap-along') },
  { value: 'back', text: t('rhythm-page.hear-it-clap-it-back') },
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
    kind === 'together'
      ? []
      : [{ kind: 'fault', id: ids.value[index]!, words: kind === 'missed' ? t('rhythm-page.no-tap') : kind }],
  ),
]);
const count = (kind: string): number => (result.value?.notes ?? []).filter((note) => note.kind === kind).length;
const said = computed(() => {
  if (result.value === null) return '';
  if (taps.value.length === 0) return t('rhythm-page.no-taps-tap-the-big-button');
  const [early, late, missed] = [count('early'), count('late'), count('missed')];
  if (early + late + missed + result.value.extra === 0) return t('rhythm-page.all-together-with-the-notes-lovely');
  const words = [
    ...(early > 0 ? [t('rhythm-page.early-early', { early })] : []),
    ...(late > 0 ? [t('rhythm-page.late-late', { late })] : []),
    ...(missed > 0 ? [t('rhythm-page.missed-missed', { missed })] : []),
    ...(result.value.extra > 0 ? [counted('taps-too-many', { n: result.value.extra })] : []),
  ];
  return t('rhythm-page.count-together-list', { count: count('together'), list: words.join(', ') });
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
    <h1>{{ t('rhythm-page.tap-the-rhythm') }}</h1>
    <BFormRadioGroup
      v-model="way"
      :options="WAYS"
      buttons
      :disabled="playing !== null"
      :aria-label="t('rhythm-page.how')"
    />
    <p>
      {{
        way === 'along' ? t('rhythm-page.wait-for-the-count-in-then') : t('rhythm-page.listen-once-then-tap-it-back')
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
      >{{ isHearing(way) ? t('rhythm-page.listen') : t('rhythm-page.tap-here') }}</BButton
    >
    <p class="said" role="status">{{ said }}</p>
    <div class="keys">
      <BButton
        size="lg"
        :variant="playing === null ? 'primary' : 'outline-dark'"
        :disabled="info === null"
        @click="toggle"
        >{{
          playing === null ? (result === null ? t('rhythm-page.begin') : t('rhythm-page.again')) : t('rhythm-page.stop')
        }}</BButton
      >
      <BButton size="lg" :disabled="playing !== null" @click="next">{{ t('rhythm-page.other-bars') }}</BButton>
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
