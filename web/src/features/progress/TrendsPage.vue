<script setup lang="ts">
import { pointsOf } from '@escalier/core/records';
import { writeCsv } from '@escalier/core/formats';
import { computed, onMounted, toRef } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { saveFile } from '../../ui/save-file.ts';
import { shortDate } from '../../ui/dates.ts';
import { ClassHead, useClasses, useForecasts, useLiveClass } from '../classes/index.ts';
import { useRemarks } from '../schools/index.ts';
import AgreementCard from './AgreementCard.vue';
import { ClimbChart, WeeksChart } from './charts.ts';
import { againstFan, fanRequests, trendsOf } from './trends.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const remarks = useRemarks();
useLiveClass(toRef(props, 'classId'));
onMounted(remarks.load);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const { forecasts, error } = useForecasts(() => (page.value === null ? [] : fanRequests(page.value, classes.events)));
const trends = computed(() =>
  page.value === null || forecasts.value === null || forecasts.value.length === 0
    ? null
    : trendsOf(page.value, classes.events, forecasts.value),
);
const comparison = computed(() => (trends.value === null ? null : againstFan(trends.value)));
const longest = computed(() => Math.max(1, ...(trends.value?.steps.map((step) => step.lessons ?? 0) ?? [])));
const counts = computed(() => page.value?.style.points.kind !== 'none');

const WEEK_FIELDS = [
  { key: 'week', label: t('trends-page.week-of'), isRowHeader: true },
  { key: 'heard', label: t('trends-page.heard') },
  { key: 'passed', label: t('trends-page.passed') },
];
const STEP_FIELDS = [
  { key: 'title', label: t('trends-page.step'), isRowHeader: true, sortable: true },
  { key: 'lessons', label: t('trends-page.lessons'), sortable: true },
  { key: 'tries', label: t('trends-page.tries-per-pass'), sortable: true },
  { key: 'remarks', label: t('trends-page.remarks') },
];
const stepRows = computed(() =>
  (trends.value?.steps ?? []).map((step) => ({
    title: `${step.stepIndex + 1} ${page.value!.steps[step.stepIndex]!.title}`,
    lessons: step.lessons,
    tries: step.triesPerPass,
    remarks:
      step.remarks
        .slice(0, 3)
        .map((each) => `${remarks.wordsOf(each.remark)} ${each.count}`)
        .join(', ') || '–',
  })),
);

function exportPoints(): void {
  const open = page.value;
  if (open === null) return;
  const rows = open.pupils.flatMap(({ name, startStep, standing }) => {
    if (standing === null) return [];
    const { points, sum } = pointsOf(standing, startStep - 1, open.style.points);
    return [[name, standing.passedSteps, open.steps.length, points, sum]];
  });
  const columns = [
    t('trends-page.name'),
    t('trends-page.steps-passed'),
    t('trends-page.of'),
    t('trends-page.points'),
    t('trends-page.how'),
  ];
  saveFile(
    t('trends-page.name-points-csv', { name: open.name }),
    'text/csv;charset=utf-8',
    `\uFEFF${writeCsv({ columns, rows })}`,
  );
}
</script>

<template>
  <LoadState
    v-if="page === null || trends === null"
    :error="classes.error ?? error"
    :what="t('trends-page.the-trends')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" />
    <div class="columns">
      <section class="card-paper stack-close wide">
        <h2>
          {{
            t('trends-page.number-steps-passed-on-average-about', {
              number: (trends.came.at(-1) ?? 0).toFixed(1),
              number2: (trends.now.middle.at(-1) ?? 0).toFixed(1),
            })
          }}
        </h2>
        <p v-if="comparison !== null">{{ comparison }}</p>
        <ClimbChart :trends="trends" :steps="page.steps.length" />
        <HowComputed>
          {{
            t('trends-page.the-line-is-the-average-number', {
              lessonsHad: trends.lessonsHad,
              number: (trends.now.low.at(-1) ?? 0).toFixed(1),
              number2: (trends.now.high.at(-1) ?? 0).toFixed(1),
            })
          }}
        </HowComputed>
      </section>
      <section class="card-paper stack-close">
        <h2>{{ t('trends-page.passes-week-by-week') }}</h2>
        <p v-if="trends.weeks.length === 0" class="soft">{{ t('trends-page.nobody-has-been-heard-yet') }}</p>
        <template v-else>
          <WeeksChart :weeks="trends.weeks" />
          <HowComputed :label="t('trends-page.show-as-a-table')">
            <BTable small :items="trends.weeks" :fields="WEEK_FIELDS">
              <template #cell(week)="{ item }">{{ shortDate(item.week) }}</template>
            </BTable>
          </HowComputed>
        </template>
      </section>
      <section class="card-paper stack-close">
        <h2 v-if="trends.bottleneck !== null">
          {{ t('trends-page.step-step-index-is-slowing-the', { stepIndex: trends.bottleneck.stepIndex + 1 }) }}
        </h2>
        <h2 v-else>{{ t('trends-page.no-step-is-slowing-the-class') }}</h2>
        <p v-if="trends.bottleneck !== null">
          {{
            t('trends-page.title-takes-lessons-the-others-usually', {
              title: page.steps[trends.bottleneck.stepIndex]!.title,
              lessons: counted('lessons', { n: trends.bottleneck.lessons }),
              usual: trends.bottleneck.usual,
            })
          }}
        </p>
        <BTable small stacked="md" :items="stepRows" :fields="STEP_FIELDS">
          <template #cell(lessons)="{ item }">
            <BProgress class="bar" :value="item.lessons ?? 0" :max="longest" aria-hidden="true" />
            {{ item.lessons ?? '–' }}
          </template>
          <template #cell(tries)="{ item }">{{ item.tries === null ? '–' : item.tries.toFixed(1) }}</template>
        </BTable>
        <HowComputed>
          {{ t('trends-page.lessons-are-the-median-from-reaching') }}
        </HowComputed>
      </section>
      <AgreementCard :events="classes.events" />
      <section class="card-paper stack-close stack-start">
        <h2>{{ t('trends-page.points') }}</h2>
        <template v-if="counts">
          <p>{{ t('trends-page.by-the-classs-rule-as-a') }}</p>
          <BButton @click="exportPoints">{{ t('trends-page.export-points-as-csv') }}</BButton>
        </template>
        <p v-else class="soft">{{ t('trends-page.passes-dont-count-towards-marks-in') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: inline-flex;
  width: 60px;
  height: 11px;
}
</style>
