<script setup lang="ts">
import { computed, onMounted, ref, toRef, watch } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import HowComputed from '../../ui/HowComputed.vue';
import FormField from '../../ui/FormField.vue';
import LoadState from '../../ui/LoadState.vue';
import { longDate, shortDate } from '../../ui/dates.ts';
import { ClassHead, useClasses, useForecasts, useLiveClass, queueWords, stuckWords } from '../classes/index.ts';
import { useRemarks, useSession } from '../schools/index.ts';
import HearingLine from './HearingLine.vue';
import { hearingsOf, takenBackOf } from './history.ts';
import TakenBackList from './TakenBackList.vue';
import { familyNote, outlookOf, outlookRequests, practiceOf, remarksOverTime } from './pupil.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

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
const taken = computed(() => takenBackOf(classes.events, props.pupilId));
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
  <LoadState
    v-if="page === null"
    :error="classes.error"
    :what="t('pupil-page.the-pupil')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" :trail="pupil?.name ?? t('pupil-page.pupil')" />
    <p v-if="pupil === null" class="card-paper">{{ t('pupil-page.this-pupil-is-not-in-the') }}</p>
    <template v-else>
      <div class="line no-print">
        <div class="grow">
          <h2 class="who">{{ pupil.name }}</h2>
          <p v-if="pupil.leftOn !== null" class="soft">
            {{ t('pupil-page.left-the-class-on-date', { date: longDate(pupil.leftOn) }) }}
          </p>
          <p v-else-if="step === null">
            <strong>{{ t('pupil-page.has-passed-every-step') }}</strong>
          </p>
          <p v-else class="line">
            <span class="belt-chip"><BeltBand :belt-id="step.belt" /></span>
            {{
              t('pupil-page.step-position-of-steps-count', { position: step.position, stepsCount: page.steps.length })
            }}
            <strong>{{ step.title }}</strong>
          </p>
          <p class="soft">
            {{
              t('pupil-page.steps-passed-hearings', {
                steps: counted('steps', { n: pupil.standing?.passedSteps ?? 0 }),
                hearings: counted('hearings', { n: heard.length }),
              })
            }}
            <template v-if="place !== null"> · {{ queueWords(place) }}</template>
            <template v-if="stuck !== null"
              >{{ ' ' }}{{ t('pupil-page.stuck-stuck', { stuck: stuckWords(stuck) }) }}</template
            >
          </p>
        </div>
        <BButton
          v-if="session.mayTeach"
          role="link"
          :to="{ name: 'handouts', params: { classId }, query: { kind: 'certificate', pupil: pupil.id } }"
          >{{ t('pupil-page.certificate') }}</BButton
        >
        <BButton
          v-if="step !== null"
          role="link"
          variant="primary"
          :to="{ name: 'hear', params: { classId, pupilId: pupil.id } }"
          >{{ t('pupil-page.hear-name', { name: pupil.name }) }}</BButton
        >
      </div>
      <div class="columns">
        <section class="card-paper no-print stack">
          <h2>{{ t('pupil-page.hearings') }}</h2>
          <p v-if="heard.length === 0" class="soft">{{ t('pupil-page.none-yet') }}</p>
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
          <TakenBackList :taken="taken" :page="page" />
        </section>
        <div class="stack">
          <section v-if="outlook !== null && step !== null" class="card-paper stack-close no-print">
            <h2>
              {{
                t('pupil-page.percent-likely-to-pass-in-lessons', {
                  percent: percent(outlook.chanceSoon),
                  lessons: counted('lessons', { n: outlook.soon }),
                })
              }}
            </h2>
            <p>
              {{
                t('pupil-page.percent-by-the-end-of-term', {
                  percent: percent(outlook.chance),
                  step:
                    outlook.likelySteps >= page.steps.length
                      ? t('pupil-page.every-step-passed')
                      : t('pupil-page.step-likely-steps-passed', { likelySteps: outlook.likelySteps }),
                })
              }}
            </p>
            <HowComputed>
              {{
                t('pupil-page.from-10-000-simulated-terms-name', {
                  name: pupil.name,
                  passed: outlook.passed,
                  hearings: counted('hearings', { n: outlook.heard }),
                })
              }}
            </HowComputed>
          </section>
          <section v-if="practice.length > 0" class="card-paper stack-close no-print">
            <h2>{{ t('pupil-page.to-practise') }}</h2>
            <ul class="bullets">
              <li v-for="line in practice" :key="line">{{ line }}</li>
            </ul>
            <RouterLink v-if="step !== null" :to="{ name: 'step', params: { classId, position: step.position } }">{{
              t('pupil-page.drill-for-the-hard-spot')
            }}</RouterLink>
          </section>
          <section v-if="remarks.length > 0" class="card-paper stack-close no-print">
            <h2>{{ t('pupil-page.remarks-over-time') }}</h2>
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
            <FormField v-slot="{ id }" class="no-print" :label="t('pupil-page.note-to-the-family')">
              <BFormTextarea :id="id" v-model="note" rows="12" maxlength="3000" />
            </FormField>
            <pre class="print-only">{{ note }}</pre>
            <div class="line no-print">
              <BButton @click="printNote">{{ t('pupil-page.print') }}</BButton>
              <BButton v-if="mayCopy" @click="copy">{{
                copied ? t('pupil-page.copied') : t('pupil-page.copy')
              }}</BButton>
              <BButton @click="writeNote">{{ t('pupil-page.rewrite') }}</BButton>
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
