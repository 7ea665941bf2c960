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
      <p class="mb-0">
        <strong>{{ mixUp.pair.map(noteWords).join(' and ') }}</strong>, {{ barsWords(mixUp.bars) }}.
        {{ mixUpWords(mixUp) }}
      </p>
    </div>
  </section>
</template>
