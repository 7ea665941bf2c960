<script setup lang="ts">
import { OUTCOMES, type Outcome } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import IconClose from '~icons/bi/x-lg';
import { useClasses } from '../classes/index.ts';
import { OUTCOME_WORDS } from '../hearing/index.ts';
import type { BoardCell, BoardRow } from './board.ts';
import { hearingsOf } from './history.ts';
import HearingLine from './HearingLine.vue';

/** One pupil on one step: what was heard, each to be corrected, and one more. */
const props = defineProps<{ classId: string; page: ClassPage; row: BoardRow; cell: BoardCell }>();
defineEmits<{ close: []; record: [outcome: Outcome] }>();

const classes = useClasses();
const step = computed(() => props.page.steps[props.cell.stepIndex]!);
const heard = computed(() =>
  hearingsOf(classes.events, props.row.pupil.id).filter((event) => event.stepId === step.value.id),
);
</script>

<template>
  <section class="card-paper" :aria-label="cell.words">
    <button class="remove close" type="button" aria-label="Close" @click="$emit('close')">
      <IconClose aria-hidden="true" />
    </button>
    <h2>{{ row.pupil.name }}</h2>
    <p>
      Step {{ step.position }},
      <RouterLink :to="{ name: 'step', params: { classId, position: step.position } }">{{ step.title }}</RouterLink>
    </p>
    <p v-if="heard.length === 0" class="soft">Not heard on this step yet.</p>
    <ol>
      <HearingLine v-for="event in heard" :key="event.id" :event="event" :page="page" :pupil-name="row.pupil.name" />
    </ol>
    <p class="again">Heard today:</p>
    <div class="buttons">
      <BButton
        v-for="outcome in OUTCOMES"
        :key="outcome"
        size="sm"
        :variant="outcome === 'passed' ? 'primary' : 'outline-dark'"
        @click="$emit('record', outcome)"
      >
        {{ OUTCOME_WORDS[outcome] }}
      </BButton>
    </div>
  </section>
</template>

<style scoped>
section {
  position: relative;
}

.close {
  position: absolute;
  top: 4px;
  right: 4px;
}

ol {
  display: grid;
  gap: 8px;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}

.again {
  margin-top: 12px;
  font-weight: 650;
}

.buttons {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
</style>
