<script setup lang="ts">
import type { BreathPlace } from '@escalier/contract/class-pages';
import type { Breath } from '@escalier/core/reading';
import { breathWords } from '@escalier/core/words';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { plural } from '../../ui/plural.ts';
import TextField from '../../ui/TextField.vue';
import type { TuneInfo } from '../../workers/index.ts';
import { breathPlaces } from './layers.ts';

/** Where the class breathes: proposed, and changed by hand on the sheet. */
const props = defineProps<{
  info: TuneInfo;
  seconds: number;
  own: readonly BreathPlace[] | null;
  atTempo: readonly Breath[] | null;
  editing: boolean;
}>();
const emit = defineEmits<{ edit: [on: boolean]; save: [seconds: number, breaths: readonly BreathPlace[] | null] }>();

const count = computed(() => breathPlaces(props.info, props.own, props.atTempo).length);

function setSeconds(typed: string | number | null): void {
  const seconds = Number(typed);
  if (Number.isInteger(seconds) && seconds >= 2 && seconds <= 20) emit('save', seconds, props.own);
}
</script>

<template>
  <section class="card-paper stack-close">
    <h2>
      {{ plural(count, 'breath', 'breaths')
      }}{{ own !== null ? ', your own' : atTempo !== null ? ' at this tempo' : '' }}
    </h2>
    <TextField
      label="Seconds one breath lasts"
      type="number"
      :min="2"
      :max="20"
      :model-value="seconds"
      @update:model-value="setSeconds"
    />
    <div class="line">
      <BButton :pressed="editing" @click="emit('edit', !editing)">{{
        editing ? 'Done' : 'Change on the sheet'
      }}</BButton>
      <BButton v-if="own !== null" @click="emit('save', seconds, null)">Propose again</BButton>
    </div>
    <p v-if="editing" class="soft">Press the note after which the class breathes; press again to remove the breath.</p>
    <HowComputed>
      <ul class="bullets">
        <li v-for="breath in atTempo ?? info.reading.breaths" :key="`${breath.barIndex}.${breath.eventIndex}`">
          after bar {{ breath.afterBar }}, beat {{ breath.afterBeat }}: {{ breathWords(breath)
          }}{{ breath.kind === 'small' ? '; shorten the note before it' : '' }}
        </li>
      </ul>
    </HowComputed>
  </section>
</template>
