<script setup lang="ts">
import { moveOf, type Fingering, type Instrument } from '@escalier/core/instruments';
import { bridgeBetween } from '@escalier/core/practice';
import { bridgeWords, describeMove } from '@escalier/core/words';
import { computed, ref } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { costSum, noteLabel } from './chart.ts';
import PipePicture from './PipePicture.vue';
import { PIPE_VIEWS, type PipeView } from './pipe-shape.ts';
import { t } from './messages.ts';

/** What the fingers do between two notes that were picked. */
const props = defineProps<{ on: Instrument; from: Fingering; to: Fingering }>();
defineEmits<{ turn: [] }>();

const view = ref<PipeView>('pupil');
const move = computed(() => moveOf(props.on, props.from, props.to));
const bridge = computed(() => bridgeBetween(props.on, props.from.pitch, props.to.pitch));
</script>

<template>
  <section class="card-paper stack-close" :aria-label="t('move-card.the-move')">
    <h2>
      {{
        t('move-card.note-label-to-note-label2', { noteLabel: noteLabel(from.pitch), noteLabel2: noteLabel(to.pitch) })
      }}
    </h2>
    <p>
      <strong>{{ bridge === null ? '' : bridgeWords(bridge) }}.</strong> {{ describeMove(move) }}.
    </p>
    <p>
      {{ t('move-card.cost') }} <strong>{{ move.cost.toFixed(1) }}</strong>
    </p>
    <HowComputed :label="t('move-card.how-is-difficulty-worked-out')">
      {{ t('move-card.cost-cost-sum-b-to-a', { cost: move.cost, costSum: costSum(on, move) }) }}
    </HowComputed>
    <div class="line">
      <BFormRadioGroup v-model="view" buttons :options="PIPE_VIEWS" :aria-label="t('move-card.point-of-view')" />
      <BButton @click="$emit('turn')">{{ t('move-card.the-way-back') }}</BButton>
    </div>
    <div class="picture">
      <PipePicture :on="on" :fingering="to" :from="from" :view="view" :label="noteLabel(to.pitch)" />
    </div>
  </section>
</template>

<style scoped>
.picture {
  height: 400px;
}
</style>
