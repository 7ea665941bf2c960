<script setup lang="ts">
import { pointsOf } from '@escalier/core/records';
import { writeCsv } from '@escalier/core/formats';
import { computed, onMounted, toRef } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { saveFile } from '../../ui/save-file.ts';
import { ClassTabs, plural, shortDate, useClasses, useLiveClass } from '../classes/index.ts';
import { useFaults } from '../schools/index.ts';
import { ClimbChart, WeeksChart } from './charts.ts';
import { againstFan, trendsOf } from './trends.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const faults = useFaults();
useLiveClass(toRef(props, 'classId'));
onMounted(faults.load);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const trends = computed(() => (page.value === null ? null : trendsOf(page.value, classes.events)));
const comparison = computed(() => (trends.value === null ? null : againstFan(trends.value)));
const longest = computed(() => Math.max(1, ...(trends.value?.steps.map((step) => step.lessons ?? 0) ?? [])));
const counts = computed(() => page.value?.style.points.kind !== 'none');

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
    :error="classes.error"
    what="the trends"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassTabs :class-id="classId" :name="page.name" />
    <div class="grid">
      <section class="card-paper wide">
        <h2>
          {{ (trends.came.at(-1) ?? 0).toFixed(1) }} steps climbed on the average, about
          {{ (trends.now.middle.at(-1) ?? 0).toFixed(1) }} by the end
        </h2>
        <p v-if="comparison !== null">{{ comparison }}</p>
        <ClimbChart :trends="trends" :steps="page.steps.length" />
        <HowComputed>
          The line is the mean of the steps passed by the pupils after each lesson. The fan takes 400 courses: each
          draws for every lesson to come the climb of one of the {{ trends.lessonsHad }} lessons that have been. Eight
          of ten courses lie inside, between {{ (trends.now.low.at(-1) ?? 0).toFixed(1) }} and
          {{ (trends.now.high.at(-1) ?? 0).toFixed(1) }} at the end.
        </HowComputed>
      </section>
      <section class="card-paper">
        <h2>Passes week by week</h2>
        <p v-if="trends.weeks.length === 0" class="soft">Nobody has been heard yet.</p>
        <template v-else>
          <WeeksChart :weeks="trends.weeks" />
          <details>
            <summary>As a table</summary>
            <table class="table table-sm">
              <thead>
                <tr>
                  <th scope="col">Week of</th>
                  <th scope="col">Heard</th>
                  <th scope="col">Passed</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="week in trends.weeks" :key="week.week">
                  <th scope="row">{{ shortDate(week.week) }}</th>
                  <td>{{ week.heard }}</td>
                  <td>{{ week.passed }}</td>
                </tr>
              </tbody>
            </table>
          </details>
        </template>
      </section>
      <section class="card-paper">
        <h2 v-if="trends.bottleneck !== null">Step {{ trends.bottleneck.stepIndex + 1 }} holds the class up</h2>
        <h2 v-else>No step holds the class up</h2>
        <p v-if="trends.bottleneck !== null">
          “{{ page.steps[trends.bottleneck.stepIndex]!.title }}” takes
          {{ plural(trends.bottleneck.lessons, 'lesson', 'lessons') }}, the others usually
          {{ trends.bottleneck.usual }}.
        </p>
        <table class="steps">
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col">Lessons</th>
              <th scope="col">Tries a pass</th>
              <th scope="col">Remarks</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in trends.steps" :key="step.stepIndex">
              <th scope="row">{{ step.stepIndex + 1 }} {{ page.steps[step.stepIndex]!.title }}</th>
              <td>
                <span class="bar" :style="{ width: `${(60 * (step.lessons ?? 0)) / longest}px` }" aria-hidden="true" />
                {{ step.lessons ?? '–' }}
              </td>
              <td>{{ step.triesPerPass === null ? '–' : step.triesPerPass.toFixed(1) }}</td>
              <td>
                {{
                  step.remarks
                    .slice(0, 3)
                    .map((each) => `${faults.wordsOf(each.remark)} ${each.count}`)
                    .join(', ') || '–'
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <HowComputed>
          Lessons are those from coming to the step to passing it, the middle of all who have passed. A step holds up
          when it takes half as much again as the others usually do, and three have passed it.
        </HowComputed>
      </section>
      <section class="card-paper">
        <h2>Points</h2>
        <template v-if="counts">
          <p>By the rule of the class, as a table for your own marks. It is never a mark by itself.</p>
          <BButton variant="outline-dark" @click="exportPoints">Points as CSV</BButton>
        </template>
        <p v-else class="soft">Passes do not count towards marks in this class. A rule can be set in its settings.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 12px;
  align-items: start;
}

.wide {
  grid-column: 1 / -1;
}

.steps {
  width: 100%;
  margin-top: 8px;
  font-size: 14px;
}

.steps th,
.steps td {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
  vertical-align: top;
}

.steps thead th {
  font-weight: 650;
}

.bar {
  display: inline-block;
  height: 11px;
  margin-right: 4px;
  background: var(--spruce);
  border-radius: 0 4px 4px 0;
}

@media (max-width: 900px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
