<script setup lang="ts">
import type { Instrument } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import type { MixUp } from '@escalier/core/reading';
import { mixUpWords } from '@escalier/core/words';
import { FingeringChart } from '../notes/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import { barsWords } from './words.ts';
import { t } from './messages.ts';

/** Pairs of notes that a class takes for each other, their fingerings side by side. */
defineProps<{ mixUps: readonly MixUp[]; on: Instrument }>();
const emit = defineEmits<{ point: [bars: readonly number[]] }>();
const MOST_SHOWN = 4;
const pairWords = ({ pair: [low, high] }: MixUp): string => `${noteWords(low)}–${noteWords(high)}`;
</script>

<template>
  <section class="card-paper stack-close">
    <h2>{{ t('mix-up-card.easily-mixed-up') }}</h2>
    <div
      v-for="mixUp in mixUps.slice(0, MOST_SHOWN)"
      :key="mixUp.pair.join()"
      class="d-flex gap-2 align-items-center"
      tabindex="0"
      @mouseenter="emit('point', mixUp.bars)"
      @focus="emit('point', mixUp.bars)"
      @blur="emit('point', [])"
    >
      <FingeringChart
        v-for="name in mixUp.pair"
        :key="name"
        :is-new="false"
        :on="on"
        :pitch="pitch(name)"
        :label="noteWords(name)"
      />
      <p class="mb-0">{{ mixUpWords(mixUp, noteWords) }} ({{ barsWords(mixUp.bars) }})</p>
    </div>
    <p v-if="mixUps.length > MOST_SHOWN" class="mb-0">
      {{ t('mix-up-card.more-pairs', { n: mixUps.length - MOST_SHOWN }) }}
      {{ mixUps.slice(MOST_SHOWN).map(pairWords).join(', ') }}
    </p>
  </section>
</template>
