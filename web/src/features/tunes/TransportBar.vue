<script setup lang="ts">
import { computed, watch } from 'vue';
import { tuneTempi, type FeelId } from '@escalier/core/lesson';
import { FEEL_NAMES } from '@escalier/core/words';
import { onActionKey, useTaps } from '../../ui/action-keys.ts';
import PlayButton from '../../ui/PlayButton.vue';
import type { usePlayer } from '../../sound/index.ts';
import type { TuneInfo } from '../../workers/index.ts';
import { t } from './messages.ts';

/** Plays the tune: at any tempo, with or without the melody, all of it or a stretch in a loop. */
const props = defineProps<{
  info: TuneInfo;
  player: ReturnType<typeof usePlayer>;
  /** The ladder goes on above the tune's own tempo. */
  challenge: boolean;
  /** Feels that the tune can have; none where nothing plays along. */
  feels?: readonly FeelId[];
}>();
/** How the backing moves; null for what fits best. */
const feel = defineModel<FeelId | null>('feel', { default: null });
const feelOptions = computed(() => (props.feels ?? []).map((value) => ({ value, text: FEEL_NAMES[value] })));

const pass = computed(() => props.info.reading.tempo.perMinute);
const ladder = computed(() => tuneTempi(props.info.reading, props.challenge));
watch(pass, props.player.setTempo, { immediate: true });

const loops = computed(() => {
  const { hardSpots, form } = props.info.reading;
  const indexOf = (number: number): number => props.info.barNumbers.indexOf(number);
  const spots = hardSpots.map((spot) => ({ bars: spot.bars, what: t('transport-bar.hard-spot') }));
  const lines = form.lines.map((line) => ({
    bars: line.bars,
    what: t('transport-bar.line-letter', { letter: line.letter }),
  }));
  return [...spots, ...lines].map(({ bars, what }) => ({
    key: `${what} ${bars.join('-')}`,
    label: `${what}, ${bars[0] === bars[1] ? t('bar.one', { bar: bars[0] }) : t('transport-bar.bars-bars-to-bars2', { bars: bars[0], bars2: bars[1] })}`,
    value: [indexOf(bars[0]), props.info.barNumbers.lastIndexOf(bars[1])] as const,
  }));
});
const loopOptions = computed(() => [
  { value: '', text: t('transport-bar.all-once') },
  ...loops.value.map(({ key, label }) => ({ value: key, text: label })),
]);
const chosen = computed({
  get: () => loops.value.find((loop) => loop.value.join() === props.player.loopBars.value?.join())?.key ?? '',
  set: (key: string) => {
    props.player.loop(loops.value.find((loop) => loop.key === key)?.value ?? null);
  },
});

function toggle(): void {
  if (props.player.playing.value === null) void props.player.start();
  else props.player.stop();
}

const VOICES = [
  { value: 'melody', text: t('transport-bar.melody') },
  { value: 'click', text: t('transport-bar.click') },
  { value: 'drone', text: t('transport-bar.drone') },
  { value: 'along', text: t('transport-bar.backing') },
  { value: 'countIn', text: 'Count-in' },
] as const;
type VoiceId = (typeof VOICES)[number]['value'];

const rung = computed({
  get: () => props.player.perMinute.value,
  set: (tempo) => props.player.setTempo(tempo),
});
const sounding = computed({
  get: (): VoiceId[] => VOICES.map((voice) => voice.value).filter((id) => props.player[id].value),
  set: (wanted) => {
    for (const { value: id } of VOICES)
      if (wanted.includes(id) !== props.player[id].value) props.player.switchVoice(id);
  },
});

const TEMPO_STEP = 4;
const tap = useTaps();
function tapTempo(): void {
  const perMinute = tap(performance.now());
  if (perMinute !== null) props.player.setTempo(perMinute);
}
/** The hard spot, round and round; again for the whole tune. */
function switchLoop(): void {
  props.player.loop(props.player.loopBars.value === null ? (loops.value[0]?.value ?? null) : null);
}
onActionKey({
  play: toggle,
  faster: () => props.player.setTempo(props.player.perMinute.value + TEMPO_STEP),
  slower: () => props.player.setTempo(props.player.perMinute.value - TEMPO_STEP),
  tap: tapTempo,
  loop: switchLoop,
  melody: () => props.player.switchVoice('melody'),
  backing: () => props.player.switchVoice('along'),
  click: () => props.player.switchVoice('click'),
});
</script>

<template>
  <section class="card-paper line transport no-print" :aria-label="t('transport-bar.play')">
    <PlayButton :playing="player.playing.value !== null" @toggle="toggle" />
    <BFormInput
      class="tempo"
      type="number"
      lazy
      min="20"
      max="240"
      :model-value="rung"
      :aria-label="t('transport-bar.tempo-in-beats-a-minute')"
      @update:model-value="player.setTempo(Number($event))"
    />
    <BFormRadioGroup v-model="rung" buttons :options="ladder" :aria-label="t('transport-bar.tempo-ladder')" />
    <BFormCheckboxGroup v-model="sounding" buttons :options="VOICES" :aria-label="t('transport-bar.what-sounds')" />
    <BFormSelect
      v-if="player.along.value && feelOptions.length > 0"
      class="auto"
      :model-value="feel ?? feels?.[0] ?? null"
      :options="feelOptions"
      :aria-label="t('transport-bar.feel-of-the-backing')"
      @update:model-value="feel = $event as FeelId"
    />
    <BFormSelect v-model="chosen" class="auto loop" :options="loopOptions" :aria-label="t('transport-bar.loop')" />
    <BAlert v-if="player.error.value !== null" variant="danger" :model-value="true">{{ player.error.value }}</BAlert>
  </section>
</template>

<style scoped lang="scss">
.transport {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 10px 16px;
  box-shadow: 0 2px 14px var(--shadow);
}

.transport :deep(.btn-group > .btn) {
  padding-inline: 8px;
}

.tempo {
  width: 74px;
  font-weight: 700;
}

.loop {
  max-width: 132px;
}

@media (max-width: 600px) {
  .transport {
    position: static;
  }
}
</style>
