<script setup lang="ts">
import { pointsOf } from '@escalier/core/records';
import { writeCsv } from '@escalier/core/formats';
import { computed, onMounted, toRef } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { saveFile } from '../../ui/save-file.ts';
import { shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';
import { ClassHead, useClasses, useForecasts, useLiveClass } from '../classes/index.ts';
import { useRemarks } from '../schools/index.ts';
import AgreementCard from './AgreementCard.vue';
import { ClimbChart, WeeksChart } from './charts.ts';
import { againstFan, fanRequests, trendsOf } from './trends.ts';

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
  { key: 'week', label: 'Week of', isRowHeader: true },
  { key: 'heard', label: 'Heard' },
  { key: 'passed', label: 'Passed' },
];
const STEP_FIELDS = [
  { key: 'title', label: 'Step', isRowHeader: true, sortable: true },
  { key: 'lessons', label: 'Lessons', sortable: true },
  { key: 'tries', label: 'Tries per pass', sortable: true },
  { key: 'remarks', label: 'Remarks' },
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
  const columns = ['Name', 'Steps passed', 'Of', 'Points', 'How'];
  saveFile(`${open.name} points.csv`, 'text/csv;charset=utf-8', `\uFEFF${writeCsv({ columns, rows })}`);
}
</script>

<template>
  <LoadState
    v-if="page === null || trends === null"
    :error="classes.error ?? error"
    what="the trends"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" />
    <div class="columns">
      <section class="card-paper stack-close wide">
        <h2>
          {{ (trends.came.at(-1) ?? 0).toFixed(1) }} steps passed on average; about
          {{ (trends.now.middle.at(-1) ?? 0).toFixed(1) }} expected by the end of term
        </h2>
        <p v-if="comparison !== null">{{ comparison }}</p>
        <ClimbChart :trends="trends" :steps="page.steps.length" />
        <HowComputed>
          The line is the average number of steps passed after each lesson. The range comes from 10,000 possible courses
          of the lessons still to come: in each, pupils are heard as often as in the {{ trends.lessonsHad }} lessons
          taught so far, and pass as often as their own hearings and those of the class make likely. Eight of ten
          courses lie inside the range, which ends between {{ (trends.now.low.at(-1) ?? 0).toFixed(1) }} and
          {{ (trends.now.high.at(-1) ?? 0).toFixed(1) }}.
        </HowComputed>
      </section>
      <section class="card-paper stack-close">
        <h2>Passes week by week</h2>
        <p v-if="trends.weeks.length === 0" class="soft">Nobody has been heard yet.</p>
        <template v-else>
          <WeeksChart :weeks="trends.weeks" />
          <HowComputed label="Show as a table">
            <BTable small :items="trends.weeks" :fields="WEEK_FIELDS">
              <template #cell(week)="{ item }">{{ shortDate(item.week) }}</template>
            </BTable>
          </HowComputed>
        </template>
      </section>
      <section class="card-paper stack-close">
        <h2 v-if="trends.bottleneck !== null">Step {{ trends.bottleneck.stepIndex + 1 }} holds the class up</h2>
        <h2 v-else>No step holds the class up</h2>
        <p v-if="trends.bottleneck !== null">
          “{{ page.steps[trends.bottleneck.stepIndex]!.title }}” takes
          {{ plural(trends.bottleneck.lessons, 'lesson', 'lessons') }}; the others usually take
          {{ trends.bottleneck.usual }}.
        </p>
        <BTable small stacked="md" :items="stepRows" :fields="STEP_FIELDS">
          <template #cell(lessons)="{ item }">
            <BProgress class="bar" :value="item.lessons ?? 0" :max="longest" aria-hidden="true" />
            {{ item.lessons ?? '–' }}
          </template>
          <template #cell(tries)="{ item }">{{ item.tries === null ? '–' : item.tries.toFixed(1) }}</template>
        </BTable>
        <HowComputed>
          Lessons are the middle value for pupils who passed the step, from reaching it to passing it. A step holds the
          class up if it takes half as long again as the others usually do, and at least three pupils have passed it.
        </HowComputed>
      </section>
      <AgreementCard :events="classes.events" />
      <section class="card-paper stack-close stack-start">
        <h2>Points</h2>
        <template v-if="counts">
          <p>By the class’s rule, as a table for your own marks. Points are never a mark by themselves.</p>
          <BButton @click="exportPoints">Export points as CSV</BButton>
        </template>
        <p v-else class="soft">Passes do not count towards marks in this class. You can set a rule under Settings.</p>
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
