<script setup lang="ts">
import { computed, onMounted, ref, toRef, watch } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import HowComputed from '../../ui/HowComputed.vue';
import FormField from '../../ui/FormField.vue';
import LoadState from '../../ui/LoadState.vue';
import { longDate, shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';
import { ClassHead, useClasses, useForecasts, useLiveClass, queueWords, stuckWords } from '../classes/index.ts';
import { useRemarks, useSession } from '../schools/index.ts';
import HearingLine from './HearingLine.vue';
import { hearingsOf } from './history.ts';
import { familyNote, outlookOf, outlookRequests, practiceOf, remarksOverTime } from './pupil.ts';

const props = defineProps<{ classId: string; pupilId: string }>();
const classes = useClasses();
const session = useSession();
const remarkWords = useRemarks();
useLiveClass(toRef(props, 'classId'));
onMounted(remarkWords.load);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const pupil = computed(() => page.value?.pupils.find((each) => each.id === props.pupilId) ?? null);
const step = computed(() => page.value?.steps[pupil.value?.standing?.stepIndex ?? -1] ?? null);
const heard = computed(() => hearingsOf(classes.events, props.pupilId));
const { forecasts } = useForecasts(() => (page.value === null ? [] : outlookRequests(page.value, classes.events)));
const outlook = computed(() =>
  page.value === null || forecasts.value === null || forecasts.value.length === 0
    ? null
    : outlookOf(page.value, classes.events, props.pupilId, forecasts.value),
);
const place = computed(() => page.value?.queue.find((each) => each.pupilId === props.pupilId) ?? null);
const stuck = computed(() => page.value?.stuck.find((each) => each.pupilId === props.pupilId) ?? null);
const remarks = computed(() => remarksOverTime(heard.value, page.value?.timeZone ?? 'UTC'));
const onStep = computed(() => pupil.value?.standing?.steps.find((each) => each.stepId === step.value?.id) ?? null);
const lastOnStep = computed(() => heard.value.findLast((event) => event.stepId === step.value?.id));
const practice = computed(() =>
  step.value === null
    ? []
    : practiceOf(step.value, onStep.value?.remarks ?? [], remarkWords.all, lastOnStep.value?.faults ?? []),
);
/** The latest step first. */
const bySteps = computed(() =>
  (page.value?.steps ?? [])
    .map((each) => ({ step: each, heard: heard.value.filter((event) => event.stepId === each.id) }))
    .filter((each) => each.heard.length > 0)
    .toReversed(),
);

const note = ref('');
function writeNote(): void {
  if (page.value !== null && pupil.value?.standing) note.value = familyNote(page.value, pupil.value, practice.value);
}
watch([() => pupil.value?.id, () => remarkWords.all], writeNote, { immediate: true });
const copied = ref(false);
/** Browsers copy only on a safe connection. */
const mayCopy = 'clipboard' in navigator;
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(note.value);
  copied.value = true;
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}

function printNote(): void {
  window.print();
}
</script>

<template>
  <LoadState v-if="page === null" :error="classes.error" what="the pupil" @again="classes.open(classId)" />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" :trail="pupil?.name ?? 'Pupil'" />
    <p v-if="pupil === null" class="card-paper">This pupil is not in the class.</p>
    <template v-else>
      <div class="line no-print">
        <div class="grow">
          <h2 class="who">{{ pupil.name }}</h2>
          <p v-if="pupil.leftOn !== null" class="soft">Left the class on {{ longDate(pupil.leftOn) }}.</p>
          <p v-else-if="step === null"><strong>Has passed every step.</strong></p>
          <p v-else class="line">
            <span class="belt-chip"><BeltBand :belt-id="step.belt" /></span>
            step {{ step.position }} of {{ page.steps.length }}, <strong>{{ step.title }}</strong>
          </p>
          <p class="soft">
            {{ plural(pupil.standing?.passedSteps ?? 0, 'step', 'steps') }} passed ·
            {{ plural(heard.length, 'hearing', 'hearings') }}
            <template v-if="place !== null"> · {{ queueWords(place) }}</template>
            <template v-if="stuck !== null"> · stuck: {{ stuckWords(stuck) }}</template>
          </p>
        </div>
        <BButton
          v-if="session.mayTeach"
          role="link"
          :to="{ name: 'handouts', params: { classId }, query: { kind: 'certificate', pupil: pupil.id } }"
          >Certificate</BButton
        >
        <BButton
          v-if="step !== null"
          role="link"
          variant="primary"
          :to="{ name: 'hear', params: { classId, pupilId: pupil.id } }"
          >Hear {{ pupil.name }}</BButton
        >
      </div>
      <div class="columns">
        <section class="card-paper no-print stack">
          <h2>Hearings</h2>
          <p v-if="heard.length === 0" class="soft">None yet.</p>
          <template v-for="each in bySteps" :key="each.step.id">
            <h3 class="line">
              <span class="belt-chip"><BeltBand :belt-id="each.step.belt" decorative /></span> {{ each.step.position }}
              {{ each.step.title }}
            </h3>
            <ol class="plain stack">
              <HearingLine
                v-for="event in each.heard.toReversed()"
                :key="event.id"
                :event="event"
                :page="page"
                :pupil-name="pupil.name"
              />
            </ol>
          </template>
        </section>
        <div class="stack">
          <section v-if="outlook !== null && step !== null" class="card-paper stack-close no-print">
            <h2>{{ percent(outlook.chanceSoon) }} likely to pass in {{ plural(outlook.soon, 'lesson', 'lessons') }}</h2>
            <p>
              {{ percent(outlook.chance) }} by the end of term; expected then:
              {{
                outlook.likelySteps >= page.steps.length ? 'every step passed' : `step ${outlook.likelySteps} passed`
              }}.
            </p>
            <HowComputed>
              From 10,000 possible courses of the lessons to come. {{ pupil.name }} passed {{ outlook.passed }} of
              {{ plural(outlook.heard, 'hearing', 'hearings') }}; with few hearings the class’s own rate counts for
              more. In each lesson as many are heard as so far.
            </HowComputed>
          </section>
          <section v-if="practice.length > 0" class="card-paper stack-close no-print">
            <h2>To practise</h2>
            <ul class="bullets">
              <li v-for="line in practice" :key="line">{{ line }}</li>
            </ul>
            <RouterLink v-if="step !== null" :to="{ name: 'step', params: { classId, position: step.position } }"
              >Drill for the hard spot</RouterLink
            >
          </section>
          <section v-if="remarks.length > 0" class="card-paper stack-close no-print">
            <h2>Remarks over time</h2>
            <dl class="days">
              <template v-for="each in remarks" :key="each.remark">
                <dt>
                  {{ remarkWords.wordsOf(each.remark) }} <strong>{{ each.days.length }}×</strong>
                </dt>
                <dd class="soft">{{ each.days.map(shortDate).join(', ') }}</dd>
              </template>
            </dl>
          </section>
          <section v-if="pupil.standing !== null" class="card-paper stack note">
            <FormField v-slot="{ id }" class="no-print" label="Note to the family">
              <BFormTextarea :id="id" v-model="note" rows="12" maxlength="3000" />
            </FormField>
            <pre class="print-only">{{ note }}</pre>
            <div class="line no-print">
              <BButton @click="printNote">Print</BButton>
              <BButton v-if="mayCopy" @click="copy">{{ copied ? 'Copied' : 'Copy' }}</BButton>
              <BButton @click="writeNote">Rewrite</BButton>
            </div>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.who {
  font-size: var(--headline);
}

.days {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 0;
}

.days dt {
  font-weight: 400;
}

.days dd {
  margin: 0;
}

@media print {
  pre {
    font: 14pt/1.5 var(--reading);
    white-space: pre-wrap;
  }

  .note {
    border: 0;
  }
}
</style>
