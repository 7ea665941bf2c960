<script setup lang="ts">
import { OUTCOMES, type Outcome } from '@escalier/core/records';
import { computed } from 'vue';
import { useClasses, type ClassView } from '../classes/index.ts';
import { OUTCOME_WORDS } from '../hearing/index.ts';
import type { BoardCell, BoardRow } from './board.ts';
import { hearingsOf, takenBackOf } from './history.ts';
import HearingLine from './HearingLine.vue';
import TakenBackList from './TakenBackList.vue';
import { t } from './messages.ts';

/** One pupil on one step: what was heard, each to be corrected, and one more. */
const props = defineProps<{ classId: string; page: ClassView; row: BoardRow; cell: BoardCell }>();
defineEmits<{ close: []; record: [outcome: Outcome] }>();

const classes = useClasses();
const step = computed(() => props.page.steps[props.cell.stepIndex]!);
const heard = computed(() =>
  hearingsOf(classes.events, props.row.pupil.id).filter((event) => event.stepId === step.value.id),
);
const taken = computed(() => takenBackOf(classes.events, props.row.pupil.id, step.value.id));
</script>

<template>
  <section class="card-paper stack-close" :aria-label="cell.words">
    <div class="line">
      <h2 class="grow">{{ row.pupil.name }}</h2>
      <BCloseButton :aria-label="t('cell-card.close')" @click="$emit('close')" />
    </div>
    <p>
      {{ t('cell-card.step-position', { position: step.position }) }}
      <RouterLink :to="{ name: 'step', params: { classId, position: step.position } }">{{ step.title }}</RouterLink>
    </p>
    <p v-if="heard.length === 0" class="soft">{{ t('cell-card.not-heard-on-this-step-yet') }}</p>
    <ol class="plain stack">
      <HearingLine v-for="event in heard" :key="event.id" :event="event" :page="page" :pupil-name="row.pupil.name" />
    </ol>
    <TakenBackList :taken="taken" :page="page" />
    <strong>{{ t('cell-card.heard-today') }}</strong>
    <div class="line">
      <BButton
        v-for="outcome in OUTCOMES"
        :key="outcome"
        :variant="outcome === 'passed' ? 'primary' : 'outline-dark'"
        @click="$emit('record', outcome)"
      >
        {{ OUTCOME_WORDS[outcome] }}
      </BButton>
    </div>
  </section>
</template>
