<script setup lang="ts">
import { tuneTempi } from '@escalier/core/lesson';
import { pitch } from '@escalier/core/music';
import { computed, ref, shallowRef } from 'vue';
import FingerDots from '../score/FingerDots.vue';
import { heardMarks } from '../score/heard-marks.ts';
import type { ScoreMark } from '../score/index.ts';
import PlayButton from '../ui/PlayButton.vue';
import type { ListenedView } from '../workers/listening.ts';
import OwnRecording from './OwnRecording.vue';
import RoomSheet from './RoomSheet.vue';
import { useRoom } from './use-room.ts';
import { useSheetPlayer } from './use-sheet-player.ts';
import { t } from './messages.ts';

/** One tune: seen large, heard slowly, looped bar by bar, and played to the device. */
const props = defineProps<{ number: string }>();
const { facts, nameOf } = useRoom();
const tune = computed(() => facts.value?.tunes.find(({ position }) => position === Number(props.number)) ?? null);
const { info, shown, on, player, sounding, pointing, withBacking } = useSheetPlayer(
  computed(() => tune.value?.abc ?? ''),
  ref(null),
);
const heard = shallowRef<ListenedView | null>(null);
const withWords = ref(false);
const tempi = computed(() =>
  (info.value === null ? [] : tuneTempi(info.value.reading, false)).map((tempo) => ({
    value: tempo,
    text: String(tempo),
  })),
);
const counting = computed(() => facts.value?.style.counting ?? null);
const withCounting = ref(false);

/** The first touch begins a loop, the second ends it, the third takes it away. */
function touch(bar: string): void {
  const index = Number(bar.slice(1));
  const now = player.loopBars.value;
  if (now !== null && now[0] === now[1] && index !== now[0])
    player.loop([Math.min(now[0], index), Math.max(now[0], index)]);
  else player.loop(now === null ? [index, index] : null);
}

/** The same without touching the sheet. */
const barOptions = computed(() =>
  (info.value?.barNumbers ?? []).map((number, index) => ({
    value: index,
    text: number === 0 ? 'pickup' : `${number}`,
  })),
);
const firstOptions = computed(() => [{ value: -1, text: t('tune-page.all-of-it') }, ...barOptions.value]);
const first = computed({
  get: () => player.loopBars.value?.[0] ?? -1,
  set: (index: number) => player.loop(index < 0 ? null : [index, Math.max(index, last.value)]),
});
const last = computed({
  get: () => player.loopBars.value?.[1] ?? -1,
  set: (index: number) => player.loop([Math.min(index, first.value), index]),
});

const marks = computed((): readonly ScoreMark[] => {
  const bars = player.loopBars.value;
  return [
    ...(heard.value === null || heard.value.unclear !== null ? [] : heardMarks(heard.value, null)),
    ...pointing(bars),
  ];
});
const parts = computed(() => new Set(info.value?.playback.notes.map(({ part }) => part)).size);
</script>

<template>
  <section v-if="tune !== null" class="stack">
    <h1>{{ tune.title }}</h1>
    <div class="keys">
      <PlayButton
        :playing="player.playing.value !== null"
        @toggle="player.playing.value === null ? player.start() : player.stop()"
      />
      <BFormRadioGroup
        :model-value="player.perMinute.value"
        :options="tempi"
        buttons
        :aria-label="t('tune-page.beats-a-minute')"
        @update:model-value="(tempo) => player.setTempo(Number(tempo))"
      />
    </div>
    <div class="switches">
      <BFormCheckbox :model-value="player.melody.value" switch @update:model-value="player.switchVoice('melody')">{{
        t('tune-page.melody')
      }}</BFormCheckbox>
      <BFormCheckbox :model-value="player.countIn.value" switch @update:model-value="player.switchVoice('countIn')">{{
        t('tune-page.count-in')
      }}</BFormCheckbox>
      <BFormCheckbox :model-value="player.along.value" switch @update:model-value="withBacking">{{
        t('tune-page.backing')
      }}</BFormCheckbox>
      <BFormCheckbox
        v-if="parts > 1"
        :model-value="player.silentPart.value !== 1"
        switch
        @update:model-value="player.silence(player.silentPart.value === 1 ? null : 1)"
        >{{ t('tune-page.second-part') }}</BFormCheckbox
      >
      <BFormCheckbox v-if="info?.hasWords" v-model="withWords" switch>{{ t('tune-page.words') }}</BFormCheckbox>
      <BFormCheckbox v-if="counting !== null" v-model="withCounting" switch>{{
        t('tune-page.counting')
      }}</BFormCheckbox>
    </div>
    <BAlert :model-value="player.error.value !== null" variant="warning">{{ player.error.value }}</BAlert>
    <div class="music">
      <RoomSheet
        :abc="shown"
        :title="tune.title"
        :marks="marks"
        :words="withWords"
        :counting="withCounting"
        pickable
        @pick="touch"
      />
      <p v-if="sounding !== null && on !== null" class="finger">
        <FingerDots :on="on" :pitch="pitch(sounding)" /><strong>{{ nameOf(sounding) }}</strong>
      </p>
    </div>
    <div class="keys">
      <span>{{ first < 0 ? t('tune-page.play') : t('tune-page.bars') }}</span>
      <BFormSelect v-model="first" class="auto" :options="firstOptions" :aria-label="t('tune-page.from-bar')" />
      <template v-if="first >= 0"
        >{{ ' ' }}{{ t('tune-page.to') }}
        <BFormSelect v-model="last" class="auto" :options="barOptions" :aria-label="t('tune-page.to-bar')" />
        <span>{{ t('tune-page.over-and-over') }}</span>
      </template>
      <span class="small">{{ t('tune-page.or-touch-a-bar-on-the') }}</span>
    </div>
    <OwnRecording :tune="{ ...tune, abc: shown }" @heard="(view) => (heard = view)" @started="player.stop()" />
  </section>
  <p v-else>
    {{ t('tune-page.this-tune-isnt-in-your-room') }}
    <RouterLink to="/tunes">{{ t('tune-page.all-your-tunes') }}</RouterLink>
  </p>
</template>

<style scoped lang="scss">
.keys,
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  margin-bottom: 0.6rem;
}

.switches :deep(.form-check) {
  min-height: 44px;
  padding-block: 8px;
}

.music {
  position: relative;
}

.finger {
  position: sticky;
  bottom: 76px;
  display: flex;
  gap: 0.6rem;
  align-items: center;
  width: max-content;
  margin: 0 0 0 auto;
  padding: 6px 14px;
  border: 2px solid var(--ink);
  border-radius: 14px;
  background: var(--card);
  font-size: 1.6rem;
}
</style>
