<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import { computed, ref, toRef } from 'vue';
import { api, ask } from '../../api.ts';
import BeltBand from '../../ui/BeltBand.vue';
import { shortDate } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { plural } from '../../ui/plural.ts';
import TextField from '../../ui/TextField.vue';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from '../schools/index.ts';
import ClassHead from './ClassHead.vue';
import { useClasses } from './store.ts';
import { PART_WORDS, unitPlan, wayWords, type PlanLesson } from './unit.ts';
import { useLiveClass } from './use-live.ts';
import { newThings } from './words.ts';

/** The calendar of the unit: what each lesson of the term holds, when each step ends, and whether it fits. */
const props = defineProps<{ classId: string }>();
const classes = useClasses();
const session = useSession();
const notices = useNotices();
useLiveClass(toRef(props, 'classId'));
const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const plan = computed(() => (page.value === null ? null : unitPlan(page.value)));

const LESSON_FIELDS = [
  { key: 'number', label: 'Lesson', isRowHeader: true },
  { key: 'date', label: 'Date', tdClass: 'text-nowrap' },
  { key: 'step', label: 'Step' },
  { key: 'part', label: 'Holds' },
  ...(session.mayTeach ? [{ key: 'lose', label: 'Change' }] : []),
];
const STEP_FIELDS = [
  { key: 'step', label: 'Step', isRowHeader: true },
  { key: 'until', label: 'Until' },
  { key: 'given', label: 'Has' },
  { key: 'needed', label: 'Takes' },
];
const rowClass = (item: PlanLesson | null): string => (item?.isPast === true ? 'past' : '');
const holds = ({ step, part }: PlanLesson): string => {
  if (step === null) return PART_WORDS[part];
  const news = part === 'first' ? newThings(step, page.value!.style.lengthWords).slice(0, 3).join(', ') : '';
  return news === '' ? PART_WORDS[part] : `${PART_WORDS[part]}: ${news}`;
};

const print = (): void => window.print();

/** The lesson that is to be given up, while it is asked why. */
const losing = ref<LocalDate | null>(null);
const reason = ref('');
const { busy, error, reason: refusal, save } = useSave(null);

/** Says what it costs: which step ends later, or falls out of the term. */
async function lose(date: LocalDate, isLost: boolean): Promise<void> {
  const before = plan.value!;
  const done = await save(() =>
    ask(api.calendar[':id'].lost.$put({ param: { id: props.classId }, json: { date, reason: reason.value, isLost } })),
  );
  if (!done) return;
  losing.value = null;
  reason.value = '';
  await classes.open(props.classId);
  const after = plan.value!;
  const shifted = after.steps.filter((step, index) => step.to !== before.steps[index]!.to);
  const last = shifted.at(-1);
  const cost = after.missing - before.missing;
  notices.say(
    `${isLost ? 'Lesson lost' : 'Lesson held after all'}. ${
      last === undefined
        ? 'No step moves.'
        : `${plural(shifted.length, 'step moves', 'steps move')}; step ${last.step.position} now ends ${last.to === null ? 'after the term' : shortDate(last.to)}.`
    }${cost > 0 ? ` ${plural(cost, 'lesson does', 'lessons do')} not fit any more.` : ''}`,
  );
}
</script>

<template>
  <LoadState
    v-if="page === null || plan === null"
    :error="classes.error"
    what="the plan"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <BButton
        v-if="session.mayTeach"
        role="link"
        :to="{ name: 'staircase', params: { staircaseId: page.staircaseId }, query: { class: classId } }"
        >Change the stairs</BButton
      >
      <BButton @click="print">Print</BButton>
    </ClassHead>
    <h1 class="print-only">{{ page.name }}: plan of the unit</h1>
    <div class="columns columns-work">
      <section class="card-paper" aria-label="Lessons">
        <BTable :items="plan.lessons" :fields="LESSON_FIELDS" :tbody-tr-class="rowClass" stacked="md">
          <template #cell(date)="{ item }">{{ shortDate(item.date) }}</template>
          <template #cell(step)="{ item }">
            <span v-if="item.step !== null" class="d-flex gap-2 align-items-center">
              <span class="belt-chip"><BeltBand :belt-id="item.step.belt" decorative /></span>
              {{ item.step.position }} {{ item.step.title }}
            </span>
          </template>
          <template #cell(part)="{ item }">{{ holds(item) }}</template>
          <template #cell(lose)="{ item }">
            <BButton
              size="sm"
              class="no-print"
              :aria-label="`Lesson ${item.number} is lost`"
              @click="losing = item.date"
              >Lost</BButton
            >
          </template>
        </BTable>
      </section>
      <div class="stack">
        <section class="card-paper stack-close">
          <h2 v-if="plan.missing === 0">The stairs fit into the term</h2>
          <h2 v-else>{{ plural(plan.missing, 'lesson is', 'lessons are') }} missing</h2>
          <p>
            The steps have
            {{
              plural(
                page.steps.reduce((sum, step) => sum + step.lessons, 0),
                'lesson',
                'lessons',
              )
            }}; what they bring and who has to be heard takes about {{ plan.needed }}. The term has
            {{ page.lessons.total }}, {{ page.lessons.lost }} are lost.
          </p>
          <BTable small responsive :items="plan.steps" :fields="STEP_FIELDS">
            <template #cell(step)="{ item }">{{ item.step.position }} {{ item.step.title }}</template>
            <template #cell(until)="{ item }">{{
              item.to === null ? 'after the term' : item.missing > 0 ? 'not to its end' : shortDate(item.to)
            }}</template>
            <template #cell(given)="{ item }">{{ item.step.lessons }}</template>
            <template #cell(needed)="{ item }">{{ item.needed }}</template>
          </BTable>
          <HowComputed>
            A step takes one lesson for each 2.5 points of its rise and one to go over it, or as many as it takes to
            hear enough: {{ page.style.goOnShare }} % of the class, three tries for two passes,
            {{ page.pace.perLesson }} in a lesson. A lesson after more than two weeks without one is for review.
          </HowComputed>
        </section>
        <section v-if="plan.ways.length > 0" class="card-paper stack-close">
          <h2>What would save lessons</h2>
          <ul class="plain ruled">
            <li v-for="way in plan.ways" :key="`${way.kind}${way.step}`" class="d-flex gap-3 align-items-center">
              <span class="grow">{{ wayWords(way, page.steps) }}</span>
              <strong>{{ plural(way.gain, 'lesson', 'lessons') }}</strong>
            </li>
          </ul>
        </section>
      </div>
    </div>
    <BModal
      :model-value="losing !== null"
      :title="losing === null ? '' : `No lesson on ${shortDate(losing)}?`"
      no-footer
      @update:model-value="(open: boolean) => open || (losing = null)"
    >
      <BForm class="stack" @submit.prevent="losing !== null && lose(losing, true)">
        <p>It is lost for this class alone. The steps after it move on; results stay where they are.</p>
        <TextField v-model="reason" label="Why (for yourself)" hint="Such as trip, assembly" />
        <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ refusal ?? error }}</BAlert>
        <BButton type="submit" variant="primary" :disabled="busy">The lesson is lost</BButton>
      </BForm>
    </BModal>
  </div>
</template>

<style scoped lang="scss">
:deep(td),
:deep(tbody th) {
  vertical-align: middle;
}

:deep(.past) {
  opacity: 0.72;
}

@media print {
  :deep(.past) {
    opacity: 1;
  }
}
</style>
