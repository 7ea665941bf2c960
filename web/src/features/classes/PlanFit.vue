<script setup lang="ts">
import { shortDate } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { plural } from '../../ui/plural.ts';
import type { ClassView } from './project.ts';
import type { PlanStep, UnitPlan } from '@escalier/core/classes';
import { wayWords } from './unit-words.ts';

/** Whether the stairs fit into the term, when each step ends, and what would save lessons. */
defineProps<{ page: ClassView; plan: UnitPlan }>();

const FIELDS = [
  { key: 'step', label: 'Step', isRowHeader: true },
  { key: 'until', label: 'Until' },
  { key: 'given', label: 'Has' },
  { key: 'needed', label: 'Takes' },
];
const until = ({ to, missing }: PlanStep): string =>
  to === null ? 'after the term' : missing > 0 ? 'not to its end' : shortDate(to);
const given = (page: ClassView): number => page.steps.reduce((sum, step) => sum + step.lessons, 0);
</script>

<template>
  <section class="card-paper stack-close">
    <h2 v-if="page.lessons.total === 0">The term has no lessons</h2>
    <h2 v-else-if="plan.missing === 0">The stairs fit into the term</h2>
    <h2 v-else>{{ plural(plan.missing, 'lesson is', 'lessons are') }} missing</h2>
    <p v-if="page.lessons.total === 0">
      Say under
      <RouterLink :to="{ name: 'class-settings', params: { classId: page.id } }">Settings</RouterLink> when the class
      meets and in which term; the plan follows.
    </p>
    <p>
      The steps have {{ plural(given(page), 'lesson', 'lessons') }}; what they bring and who has to be heard takes about
      {{ plan.needed }}. The term has {{ page.lessons.total }}, {{ page.lessons.lost }} are lost.
    </p>
    <BTable small responsive :items="plan.steps" :fields="FIELDS">
      <template #cell(step)="{ item }">{{ item.step.position }} {{ item.step.title }}</template>
      <template #cell(until)="{ item }">{{ until(item) }}</template>
      <template #cell(given)="{ item }">{{ item.step.lessons }}</template>
    </BTable>
    <HowComputed class="no-print">
      A step takes one lesson for each 2.5 points of its rise and one to go over it, or as many as it takes to hear
      enough: {{ page.style.goOnShare }} % of the class, three tries for two passes, {{ page.pace.perLesson }} in a
      lesson. A lesson after more than two weeks without one is for review.
    </HowComputed>
  </section>
  <section v-if="plan.ways.length > 0" class="card-paper stack-close no-print">
    <h2>What would save lessons</h2>
    <ul class="plain ruled">
      <li v-for="way in plan.ways" :key="`${way.kind}${way.step}`" class="d-flex gap-3 align-items-center">
        <span class="grow">{{ wayWords(way, page.steps) }}</span>
        <strong>{{ plural(way.gain, 'lesson', 'lessons') }}</strong>
      </li>
    </ul>
  </section>
</template>
