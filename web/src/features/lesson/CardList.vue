<script setup lang="ts">
import { ScoreSheet } from '../../score/index.ts';
import type { ClassView } from '../classes/index.ts';
import type { StageCard } from './cards.ts';
import { t } from './messages.ts';

/** Rhythm cards beside each other, drawn to one scale; printed to be cut out. */
defineProps<{
  cards: readonly StageCard[];
  noun: 'card' | 'proposal';
  /** What can be done with one beside listening. */
  action: string;
  page: ClassView;
}>();
defineEmits<{ listen: [index: number]; act: [index: number] }>();
const NOTES_ON_CARD = 7;
</script>

<template>
  <ul class="plain cards">
    <li v-for="(card, index) in cards" :key="`${index}${card.abc}`" class="card-paper">
      <ScoreSheet
        :abc="card.abc"
        :title="t('card-list.the-noun-index', { noun, index: index + 1 })"
        :instrument-id="page.instrumentId"
        :rows="page.style.counting === null ? [] : [{ kind: 'counting', fill: 'full' }]"
        :counting="page.style.counting"
        :notes-on-line="NOTES_ON_CARD"
        :marks="[]"
      />
      <div class="line no-print">
        <BButton
          size="sm"
          :aria-label="t('card-list.listen-to-noun-index', { noun, index: index + 1 })"
          @click="$emit('listen', index)"
          >{{ t('card-list.listen') }}</BButton
        >
        <BButton size="sm" :aria-label="`${action} ${noun} ${index + 1}`" @click="$emit('act', index)">{{
          action
        }}</BButton>
      </div>
    </li>
  </ul>
</template>

<style scoped lang="scss">
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--gap);
}

@media print {
  .cards {
    grid-template-columns: 1fr 1fr;
  }

  .cards li {
    break-inside: avoid;
    border: 2px dashed var(--line-strong);
  }
}
</style>
