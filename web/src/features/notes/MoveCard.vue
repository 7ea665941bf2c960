<script setup lang="ts">
import { moveOf, type Fingering, type Instrument } from '@escalier/core/instruments';
import { bridgeBetween } from '@escalier/core/practice';
import { bridgeWords, describeMove } from '@escalier/core/words';
import { computed, ref } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { costSum, noteLabel } from './chart.ts';
import PipePicture from './PipePicture.vue';
import { PIPE_VIEWS, type PipeView } from './pipe-shape.ts';

/** What the fingers do between two notes that were picked. */
const props = defineProps<{ on: Instrument; from: Fingering; to: Fingering }>();
defineEmits<{ turn: [] }>();

const view = ref<PipeView>('pupil');
const move = computed(() => moveOf(props.on, props.from, props.to));
const bridge = computed(() => bridgeBetween(props.on, props.from.pitch, props.to.pitch));
</script>

<template>
  <section class="card-paper stack-close" aria-label="The move">
    <h2>{{ noteLabel(from.pitch) }} to {{ noteLabel(to.pitch) }}</h2>
    <p>
      <strong>{{ bridge === null ? '' : bridgeWords(bridge) }}.</strong> {{ describeMove(move) }}.
    </p>
    <p>
      Cost <strong>{{ move.cost.toFixed(1) }}</strong>
    </p>
    <HowComputed label="How is the cost worked out?">
      {{ move.cost }} = {{ costSum(on, move) }}. B to A and back, the easiest, costs about 1.
    </HowComputed>
    <div class="line">
      <BFormRadioGroup v-model="view" buttons :options="PIPE_VIEWS" aria-label="Point of view" />
      <BButton @click="$emit('turn')">The way back</BButton>
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
