<script setup lang="ts">
import { ladder, REPEAT_CHOICES, type RepeatWay, type RungId } from '@escalier/core/practice';
import { computed } from 'vue';
import type { TuneInfo } from '../../workers/index.ts';
import { barsWords } from './words.ts';
import { t } from './messages.ts';

/** The class's practice ladder for this tune: each rung with what it means here. */
const props = defineProps<{ info: TuneInfo; rungs: readonly RungId[]; repeats: RepeatWay }>();
const emit = defineEmits<{ run: [id: RungId] }>();
const hasRepeats = computed(() => props.info.reading.signs.all.some(({ id }) => id === 'repeat'));
const repeatWords = computed(() => REPEAT_CHOICES.find(({ value }) => value === props.repeats)?.label.toLowerCase());
const steps = computed(() => ladder(props.rungs));
const spot = computed(() => props.info.reading.hardSpots[0] ?? null);

function detail(id: RungId): string {
  const tempo = props.info.reading.tempo.perMinute;
  switch (id) {
    case 'slow':
      return spot.value === null
        ? ''
        : t('ladder-card.at-ladder-of-tempo', { ladder: spot.value.drill.ladder[0]!, tempo });
    case 'spot':
      return spot.value === null ? t('ladder-card.none-here') : barsOf(spot.value.bars);
    case 'join':
      return barsWords(props.info.reading.form.learnBars);
    case 'whole':
    case 'alone':
      return t('ladder-card.at-tempo', { tempo });
    case 'say':
    case 'clap':
    case 'finger':
    case 'backing':
      return '';
  }
}

function barsOf([first, last]: readonly [number, number]): string {
  return barsWords(Array.from({ length: last - first + 1 }, (_, index) => first + index));
}
</script>

<template>
  <section class="card-paper">
    <h2>{{ t('ladder-card.practice-ladder') }}</h2>
    <ol class="bullets">
      <li v-for="rung in steps" :key="rung.id">
        <BButton variant="link" class="how-toggle" @click="emit('run', rung.id)">{{ rung.words }}</BButton><span
          v-if="detail(rung.id) !== ''"
          class="soft"
          >, {{ detail(rung.id) }}</span
        >
      </li>
    </ol>
    <p v-if="hasRepeats" class="soft mb-0">{{ t('ladder-card.repeats-repeat', { repeat: repeatWords ?? '' }) }}</p>
  </section>
</template>
