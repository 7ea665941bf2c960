<script setup lang="ts">
import { classSpots, type ClassSpot } from '@escalier/core/classes';
import { syllableAt } from '@escalier/core/reading';
import type { TroubleSpot } from '@escalier/core/records';
import { barRange, hardSpotWords } from '@escalier/core/words';
import { computed } from 'vue';
import { noteWords, withNoteNames } from '../../ui/note-words.ts';
import type { TuneInfo } from '../../workers/index.ts';
import { useRemarks } from '../schools/index.ts';
import { t } from './messages.ts';

/** Where the class stops, and where it may: with what to drill. */
const props = defineProps<{ info: TuneInfo; troubles: readonly TroubleSpot[] }>();
const emit = defineEmits<{ point: [bars: readonly number[]]; climb: [spot: ClassSpot] }>();
const remarks = useRemarks();
const spots = computed(() => classSpots(props.info.reading.hardSpots, props.troubles));

function saidOf({ remarks: ids }: ClassSpot): string {
  const words = remarks.all.filter(({ id }) => ids.includes(id)).map(({ words: said }) => said.toLowerCase());
  return words.length === 0 ? '' : `: ${words.join(', ')}`;
}

function wordOf({ foreseen }: ClassSpot): string | null {
  const { sung } = props.info.reading;
  return foreseen === null || sung === null ? null : (syllableAt(sung, foreseen.place)?.word ?? null);
}
</script>

<template>
  <section
    v-for="spot in spots"
    :key="spot.bars.join()"
    class="card-paper stack-close"
    tabindex="0"
    @mouseenter="emit('point', spot.bars)"
    @focus="emit('point', spot.bars)"
    @blur="emit('point', [])"
  >
    <h2>
      {{ spot.stopped > 0 ? t('spot-cards.they-stop-at') : t('spot-cards.they-may-stumble-at') }}
      {{ barRange(spot.bars) }}
    </h2>
    <p v-if="spot.stopped > 0">
      {{ t('spot-cards.stopped-of-of-stopped-here-said', { stopped: spot.stopped, of: spot.of, said: saidOf(spot) }) }}
      <template v-if="spot.foreseen === null">{{ t('spot-cards.the-sheet-does-not-show-it') }}</template>
    </p>
    <template v-if="spot.foreseen !== null">
      <p>
        {{ withNoteNames(hardSpotWords(spot.foreseen.hardest)) }}
        <template v-if="wordOf(spot) !== null">{{ t('spot-cards.on-word', { word: wordOf(spot)! }) }}</template>
      </p>
      <p>
        {{
          t('spot-cards.drill-list-then-list2', {
            list: spot.foreseen.drill.toggle.map(noteWords).join('–'),
            list2: spot.foreseen.drill.loop.map(noteWords).join('–'),
          })
        }}
      </p>
    </template>
    <BButton size="sm" @click="emit('climb', spot)">
      {{ spot.foreseen === null ? t('spot-cards.loop-it') : `Climb: ${spot.foreseen.drill.ladder.join(', ')}` }}
    </BButton>
  </section>
</template>
