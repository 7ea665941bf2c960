<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { computed, watch } from 'vue';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import { isTyping } from '../../ui/keys.ts';
import SwitchBar from '../../ui/SwitchBar.vue';
import type { usePlayer } from '../../sound/index.ts';
import type { TuneInfo } from '../../workers/index.ts';

/** Plays the tune: at any tempo, with or without the melody, all of it or a stretch in a loop. */
const props = defineProps<{ info: TuneInfo; player: ReturnType<typeof usePlayer> }>();

const pass = computed(() => props.info.reading.tempo.perMinute);
const ladder = computed(
  () =>
    props.info.reading.hardSpots[0]?.drill.ladder ??
    [0.6, 0.75, 0.87, 1].map((share) => Math.round(pass.value * share)),
);
watch(pass, props.player.setTempo, { immediate: true });

const loops = computed(() => {
  const { hardSpots, form } = props.info.reading;
  const indexOf = (number: number): number => props.info.barNumbers.indexOf(number);
  const spots = hardSpots.map((spot) => ({ bars: spot.bars, what: 'hard spot' }));
  const lines = form.lines.map((line) => ({ bars: line.bars, what: `line ${line.letter}` }));
  return [...spots, ...lines].map(({ bars, what }) => ({
    key: `${what} ${bars.join('-')}`,
    label: `${what}, ${bars[0] === bars[1] ? `bar ${bars[0]}` : `bars ${bars[0]} to ${bars[1]}`}`,
    value: [indexOf(bars[0]), props.info.barNumbers.lastIndexOf(bars[1])] as const,
  }));
});
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
  { id: 'melody', label: 'Melody' },
  { id: 'click', label: 'Click' },
  { id: 'drone', label: 'Drone' },
  { id: 'countIn', label: 'Count-in' },
] as const;
type VoiceId = (typeof VOICES)[number]['id'];

const rung = computed({
  get: () => String(props.player.perMinute.value),
  set: (tempo) => props.player.setTempo(Number(tempo)),
});
const sounding = computed({
  get: (): ReadonlySet<VoiceId> => new Set(VOICES.map((voice) => voice.id).filter((id) => props.player[id].value)),
  set: (wanted) => {
    for (const { id } of VOICES) if (wanted.has(id) !== props.player[id].value) props.player.switchVoice(id);
  },
});

function typedTempo(event: Event): void {
  props.player.setTempo(Number((event.target as HTMLInputElement).value));
}

onKeyStroke(' ', (event) => {
  if (isTyping(event) || event.target instanceof HTMLButtonElement || event.target instanceof HTMLInputElement) return;
  event.preventDefault();
  toggle();
});
</script>

<template>
  <section class="card-paper transport" aria-label="Play">
    <button class="play" type="button" :aria-label="player.playing.value === null ? 'Play' : 'Stop'" @click="toggle">
      <IconStop v-if="player.playing.value !== null" aria-hidden="true" />
      <IconPlay v-else aria-hidden="true" />
    </button>
    <label class="tempo">
      <span class="visually-hidden">Tempo in beats a minute</span>
      <input
        :value="player.perMinute.value"
        type="number"
        min="20"
        max="240"
        class="form-control"
        @change="typedTempo"
      />
    </label>
    <ChoiceBar
      v-model="rung"
      label="Tempo ladder"
      :choices="ladder.map((tempo) => ({ value: String(tempo), label: String(tempo) }))"
    />
    <SwitchBar v-model="sounding" label="What sounds" :choices="VOICES" />
    <label class="loop">
      <span class="visually-hidden">Loop</span>
      <select v-model="chosen" class="form-select">
        <option value="">play all, once</option>
        <option v-for="loop in loops" :key="loop.key" :value="loop.key">{{ loop.label }}</option>
      </select>
    </label>
    <p v-if="player.fault.value !== null" role="alert">{{ player.fault.value }}</p>
  </section>
</template>

<style scoped lang="scss">
.transport {
  position: sticky;
  bottom: 10px;
  z-index: 2;
  box-shadow: 0 2px 14px rgb(29 43 42 / 12%);
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 10px 16px;
}

.play {
  display: grid;
  place-items: center;
  width: 46px;
  height: 46px;
  border: 0;
  border-radius: 50%;
  background: var(--spruce);
  color: #fff;
}

.play svg {
  width: 26px;
  height: 26px;
}

.tempo,
.loop {
  display: flex;
  align-items: center;
  gap: 8px;
}

.tempo input {
  width: 78px;
  font-weight: 700;
}

.loop select {
  width: auto;
  max-width: 142px;
}
</style>
