<script setup lang="ts">
import { queueWords, stuckWords } from '@escalier/core/records';
import { computed, onMounted, ref, toRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import BeltBand from '../../ui/BeltBand.vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { ClassTabs, longDate, plural, shortDate, useClasses, useLiveClass } from '../classes/index.ts';
import { useFaults } from '../schools/index.ts';
import HearingLine from './HearingLine.vue';
import { hearingsOf } from './history.ts';
import { familyNote, outlookOf, practiceOf, remarksOverTime } from './pupil.ts';

const props = defineProps<{ classId: string; pupilId: string }>();
const classes = useClasses();
const faults = useFaults();
useLiveClass(toRef(props, 'classId'));
onMounted(faults.load);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const pupil = computed(() => page.value?.pupils.find((each) => each.id === props.pupilId) ?? null);
const step = computed(() => page.value?.steps[pupil.value?.standing?.stepIndex ?? -1] ?? null);
const heard = computed(() => hearingsOf(classes.events, props.pupilId));
const outlook = computed(() => (page.value === null ? null : outlookOf(page.value, props.pupilId)));
const place = computed(() => page.value?.queue.find((each) => each.pupilId === props.pupilId) ?? null);
const stuck = computed(() => page.value?.stuck.find((each) => each.pupilId === props.pupilId) ?? null);
const remarks = computed(() => remarksOverTime(heard.value, page.value?.timeZone ?? 'UTC'));
const onStep = computed(() => pupil.value?.standing?.steps.find((each) => each.stepId === step.value?.id) ?? null);
const practice = computed(() =>
  step.value === null ? [] : practiceOf(step.value, onStep.value?.remarks ?? [], faults.all),
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
watch([() => pupil.value?.id, () => faults.all], writeNote, { immediate: true });
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
    <ClassTabs class="no-print" :class-id="classId" :name="page.name" />
    <p v-if="pupil === null" class="card-paper">This pupil is not in the class.</p>
    <template v-else>
      <header class="no-print">
        <div>
          <h2>{{ pupil.name }}</h2>
          <p v-if="pupil.standing === null" class="soft">Left the class on {{ longDate(pupil.leftOn ?? '') }}.</p>
          <p v-else-if="step === null"><strong>Has passed every step.</strong></p>
          <p v-else class="step">
            <span class="belt"><BeltBand :belt-id="step.belt" /></span>
            step {{ step.position }} of {{ page.steps.length }}, <strong>{{ step.title }}</strong>
          </p>
          <p class="soft">
            {{ plural(pupil.standing?.passedSteps ?? 0, 'step', 'steps') }} passed ·
            {{ plural(heard.length, 'hearing', 'hearings') }}
            <template v-if="place !== null"> · {{ queueWords(place) }}</template>
            <template v-if="stuck !== null"> · stuck: {{ stuckWords(stuck) }}</template>
          </p>
        </div>
        <RouterLink
          v-if="step !== null"
          class="btn btn-primary"
          :to="{ name: 'hear', params: { classId, pupilId: pupil.id } }"
          >Hear {{ pupil.name }}</RouterLink
        >
      </header>
      <div class="columns">
        <section class="card-paper no-print history">
          <h2>What was heard</h2>
          <p v-if="heard.length === 0" class="soft">Nothing yet.</p>
          <template v-for="each in bySteps" :key="each.step.id">
            <h3>
              <span class="belt"><BeltBand :belt-id="each.step.belt" decorative /></span> {{ each.step.position }}
              {{ each.step.title }}
            </h3>
            <ol>
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
        <div class="side">
          <section v-if="outlook !== null && step !== null" class="card-paper no-print">
            <h2>{{ percent(outlook.chanceSoon) }} to pass it in {{ plural(outlook.soon, 'lesson', 'lessons') }}</h2>
            <p>
              {{ percent(outlook.chance) }} by the end of the term, on
              {{
                Math.round(outlook.atEnd) >= page.steps.length
                  ? 'top of the stairs'
                  : `about step ${Math.round(outlook.atEnd) + 1}`
              }}
              then.
            </p>
            <HowComputed>
              {{ outlook.climb.stepIndex - outlook.climb.startStepIndex }} steps in
              {{ outlook.climb.lessonsHad }} lessons, drawn towards the pace of the class:
              {{ outlook.pace.toFixed(2) }} steps a lesson. One step in n lessons: 1 − e<sup
                >−{{ outlook.pace.toFixed(2) }} × n</sup
              >.
            </HowComputed>
          </section>
          <section v-if="practice.length > 0" class="card-paper no-print">
            <h2>To practise</h2>
            <ul>
              <li v-for="line in practice" :key="line">{{ line }}</li>
            </ul>
            <RouterLink v-if="step !== null" :to="{ name: 'step', params: { classId, position: step.position } }"
              >The drill of the hard spot</RouterLink
            >
          </section>
          <section v-if="remarks.length > 0" class="card-paper no-print">
            <h2>Remarks over time</h2>
            <dl>
              <template v-for="each in remarks" :key="each.remark">
                <dt>
                  {{ faults.wordsOf(each.remark) }} <strong>{{ each.days.length }}×</strong>
                </dt>
                <dd>{{ each.days.map(shortDate).join(', ') }}</dd>
              </template>
            </dl>
          </section>
          <section v-if="pupil.standing !== null" class="card-paper note">
            <label class="no-print" for="family">To the family</label>
            <textarea id="family" v-model="note" class="form-control no-print" rows="12" maxlength="3000" />
            <pre class="print-only">{{ note }}</pre>
            <div class="buttons no-print">
              <BButton variant="outline-dark" @click="printNote">Print</BButton>
              <BButton v-if="mayCopy" variant="outline-dark" @click="copy">{{ copied ? 'Copied' : 'Copy' }}</BButton>
              <BButton variant="outline-dark" @click="writeNote">Write anew</BButton>
            </div>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  gap: 16px;
  align-items: center;
}

header > :first-child {
  flex: 1;
}

header h2 {
  font-size: 2rem;
  overflow-wrap: anywhere;
}

.step {
  display: flex;
  gap: 8px;
  align-items: center;
}

.belt {
  display: inline-block;
  width: 48px;
  overflow: hidden;
  border-radius: 3px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 14px;
  align-items: start;
}

.side {
  display: grid;
  gap: 14px;
}

h3 {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 14px 0 6px;
  font-size: 1rem;
}

ol {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}

ul {
  margin: 6px 0;
  padding-left: 1.2em;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 6px 0 0;
}

dd {
  margin: 0;
  color: var(--ink-soft);
}

.note label {
  font-family: var(--heading);
  font-weight: 700;
}

.buttons {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}

.print-only {
  display: none;
}

@media print {
  .print-only {
    display: block;
    font: 14pt/1.5 var(--reading);
    white-space: pre-wrap;
  }

  .columns {
    display: block;
  }

  .note {
    border: 0;
  }
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
