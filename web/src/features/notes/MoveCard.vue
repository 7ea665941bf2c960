<script setup lang="ts">
import { costParts, describeMove, moveOf, type Fingering, type Instrument } from '@escalier/core/instruments';
import { bridgeBetween } from '@escalier/core/practice';
import { computed, ref } from 'vue';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import HowComputed from '../../ui/HowComputed.vue';
import { noteLabel } from './desk.ts';
import PipePicture from './PipePicture.vue';
import type { PipeView } from './pipe-shape.ts';

/** What the fingers do between two notes that were picked. */
const props = defineProps<{ on: Instrument; from: Fingering; to: Fingering }>();
defineEmits<{ turn: [] }>();

const view = ref<PipeView>('pupil');
const move = computed(() => moveOf(props.on, props.from, props.to));
const bridge = computed(() => bridgeBetween(props.on, props.from.pitch, props.to.pitch));
</script>

<template>
  <section class="card-paper" aria-label="The move">
    <h2>{{ noteLabel(from.pitch) }} to {{ noteLabel(to.pitch) }}</h2>
    <p>
      <strong>{{ bridge?.words }}.</strong> {{ describeMove(move) }}.
    </p>
    <p>
      Cost <strong>{{ move.cost.toFixed(1) }}</strong>
    </p>
    <HowComputed label="How the cost comes about">
      {{ move.cost }} =
      {{
        costParts(on, move)
          .map((part) => `${part.points.toFixed(2)} ${part.words}`)
          .join(' + ')
      }}. B to A and back, the easiest, cost about 1.
    </HowComputed>
    <div class="tools">
      <ChoiceBar
        v-model="view"
        label="From where you look"
        :choices="[
          { value: 'pupil', label: 'Pupil’s view' },
          { value: 'facing', label: 'Facing you' },
        ]"
      />
      <BButton size="sm" variant="outline-dark" @click="$emit('turn')">The way back</BButton>
    </div>
    <div class="picture">
      <PipePicture :on="on" :fingering="to" :from="from" :view="view" :label="noteLabel(to.pitch)" />
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.picture {
  height: 400px;
}
</style>
