<script setup lang="ts">
import { shortDate } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import type { ClassView } from './project.ts';
import type { PlanStep, UnitPlan } from '@escalier/core/classes';
import { wayWords } from './unit-words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Whether the stairs fit into the term, when each step ends, and what would save lessons. */
defineProps<{ page: ClassView; plan: UnitPlan }>();

const FIELDS = [
  { key: 'step', label: t('plan-fit.step'), isRowHeader: true },
  { key: 'until', label: t('plan-fit.until') },
  { key: 'given', label: t('plan-fit.has') },
  { key: 'needed', label: t('plan-fit.takes') },
];
const until = ({ to, missing }: PlanStep): string =>
  to === null ? t('plan-fit.after-the-term') : missing > 0 ? t('plan-fit.wont-be-finished') : shortDate(to);
const given = (page: ClassView): number => page.steps.reduce((sum, step) => sum + step.lessons, 0);
</script>

<template>
  <section class="card-paper stack-close">
    <h2 v-if="page.lessons.total === 0">{{ t('plan-fit.the-term-has-no-lessons') }}</h2>
    <h2 v-else-if="plan.missing === 0">{{ t('plan-fit.the-stairs-fit-the-term') }}</h2>
    <h2 v-else>{{ t('plan-fit.you-are-n-lessons-short', { n: plan.missing }) }}</h2>
    <p v-if="page.lessons.total === 0">
      {{ t('plan-fit.go-to') }}
      <RouterLink :to="{ name: 'class-settings', params: { classId: page.id } }">{{
        t('plan-fit.settings')
      }}</RouterLink>
      {{ t('plan-fit.to-say-when-the-class-meets') }}
    </p>
    <p>
      {{
        t('plan-fit.these-steps-are-set-for-lessons', {
          lessons: counted('lessons', { n: given(page) }),
          needed: plan.needed,
          total: page.lessons.total,
          lost: page.lessons.lost,
        })
      }}
    </p>
    <BTable small responsive :items="plan.steps" :fields="FIELDS">
      <template #cell(step)="{ item }">{{ item.step.position }} {{ item.step.title }}</template>
      <template #cell(until)="{ item }">{{ until(item) }}</template>
      <template #cell(given)="{ item }">{{ item.step.lessons }}</template>
    </BTable>
    <HowComputed class="no-print">
      {{
        t('plan-fit.a-step-takes-one-lesson-for', { goOnShare: page.style.goOnShare, perLesson: page.pace.perLesson })
      }}
    </HowComputed>
  </section>
  <section v-if="plan.ways.length > 0" class="card-paper stack-close no-print">
    <h2>{{ t('plan-fit.ways-to-save-lessons') }}</h2>
    <ul class="plain ruled">
      <li v-for="way in plan.ways" :key="`${way.kind}${way.step}`" class="d-flex gap-3 align-items-center">
        <span class="grow">{{ wayWords(way, page.steps) }}</span>
        <strong>{{ counted('lessons', { n: way.gain }) }}</strong>
      </li>
    </ul>
  </section>
</template>
