<script setup lang="ts">
import type { BreathPlace } from '@escalier/contract/class-pages';
import type { Breath } from '@escalier/core/reading';
import { breathWords } from '@escalier/core/words';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import TextField from '../../ui/TextField.vue';
import type { TuneInfo } from '../../workers/index.ts';
import { breathPlaces } from './layers.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

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
      {{ counted('breaths', { n: count })
      }}{{ own !== null ? t('breath-card.your-own') : atTempo !== null ? t('breath-card.at-this-tempo') : '' }}
    </h2>
    <TextField
      :label="t('breath-card.seconds-one-breath-lasts')"
      type="number"
      :min="2"
      :max="20"
      :model-value="seconds"
      @update:model-value="setSeconds"
    />
    <div class="line">
      <BButton :pressed="editing" @click="emit('edit', !editing)">{{
        editing ? t('breath-card.done') : t('breath-card.change-on-the-sheet')
      }}</BButton>
      <BButton v-if="own !== null" @click="emit('save', seconds, null)">{{ t('breath-card.propose-again') }}</BButton>
    </div>
    <p v-if="editing" class="soft">{{ t('breath-card.press-the-note-the-class-breathes') }}</p>
    <HowComputed>
      <ul class="bullets">
        <li v-for="breath in atTempo ?? info.reading.breaths" :key="`${breath.barIndex}.${breath.eventIndex}`">
          {{
            t('breath-card.after-bar-after-bar-beat-after', {
              afterBar: breath.afterBar,
              afterBeat: breath.afterBeat,
              breath: breathWords(breath),
              shortened: breath.kind === 'small' ? t('breath-card.shorten-the-note-before-it') : '',
            })
          }}
        </li>
      </ul>
    </HowComputed>
  </section>
</template>
