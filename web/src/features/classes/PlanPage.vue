<script setup lang="ts">
import { ClassCalendar } from '@escalier/contract/terms';
import type { LocalDate } from '@escalier/core/calendar';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { shortDate } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import TextField from '../../ui/TextField.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from '../schools/index.ts';
import { changeStaircase, setLessons } from '../staircase/index.ts';
import ClassHead from './ClassHead.vue';
import PlanFit from './PlanFit.vue';
import PlanGroups from './PlanGroups.vue';
import PlanLessons from './PlanLessons.vue';
import type { StepView } from './project.ts';
import { useClasses } from './store.ts';
import { besideOf, lessonsUntil, unitPlan } from '@escalier/core/classes';
import { shiftWords } from './unit-words.ts';
import { useLiveClass } from './use-live.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The calendar of the unit: what each lesson of the term holds, when each step ends, and whether it fits. */
const props = defineProps<{ classId: string }>();
const classes = useClasses();
const session = useSession();
const notices = useNotices();
useLiveClass(toRef(props, 'classId'));
const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const plan = computed(() => (page.value === null ? null : unitPlan(page.value)));

/** Parallel groups and lost lessons; the plan stands without them. */
const calendar = shallowRef<ClassCalendar | null>(null);
const { load } = useLoad(async () => {
  calendar.value = session.mayTeach
    ? await ask(api.calendar[':id'].$get({ param: { id: props.classId } }), ClassCalendar)
    : null;
});
onMounted(load);
watch(() => props.classId, load);
const beside = computed(() =>
  page.value === null || calendar.value === null ? [] : besideOf(page.value, calendar.value),
);

/** The lesson that is to be given up, while it is asked why. */
const losing = ref<LocalDate | null>(null);
const why = ref('');
const { busy, error, reason, save } = useSave(null);

/** Says what it costs: which step ends later, or falls out of the term. */
async function lose(date: LocalDate, isLost: boolean): Promise<void> {
  const before = plan.value!;
  const json = { date, reason: why.value, isLost };
  const done = await save(() => ask(api.calendar[':id'].lost.$put({ param: { id: props.classId }, json })));
  if (!done) return;
  losing.value = null;
  why.value = '';
  await Promise.all([classes.open(props.classId), load()]);
  notices.say(
    `${isLost ? t('plan-page.lesson-cancelled') : t('plan-page.lesson-restored')}. ${shiftWords(before, plan.value!)}`,
  );
}

/** Lets a step end with another lesson; the steps after it follow. */
async function endStep(step: StepView, lesson: number): Promise<void> {
  const before = plan.value!;
  const lessons = lessonsUntil(before.lessons, step, lesson);
  if (lessons === step.lessons) return;
  const { staircaseId } = page.value!;
  const done = await save(() =>
    changeStaircase(staircaseId, (draft) =>
      setLessons(
        draft,
        draft.steps.findIndex(({ id }) => id === step.id),
        lessons,
      ),
    ),
  );
  if (!done) {
    if (error.value !== null) notices.fail(error.value);
    return;
  }
  await classes.open(props.classId);
  const given = t('plan-page.step-position-has-lessons', {
    position: step.position,
    lessons: counted('lessons', { n: lessons }),
  });
  notices.say(`${given}. ${shiftWords(before, plan.value!)}`);
}
const print = (): void => window.print();
</script>

<template>
  <LoadState
    v-if="page === null || plan === null"
    :error="classes.error"
    :what="t('plan-page.the-plan')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <BButton
        v-if="session.mayTeach"
        role="link"
        :to="{ name: 'staircase', params: { staircaseId: page.staircaseId }, query: { class: classId } }"
        >{{ t('plan-page.change-the-stairs') }}</BButton
      >
      <BButton @click="print">{{ t('plan-page.print') }}</BButton>
    </ClassHead>
    <h1 class="print-only">{{ t('plan-page.name-unit-plan', { name: page.name }) }}</h1>
    <div class="columns columns-work">
      <PlanLessons
        :page="page"
        :lessons="plan.lessons"
        :beside="beside"
        @lose="(date) => (losing = date)"
        @end="endStep"
      />
      <div class="stack">
        <PlanFit :page="page" :plan="plan" />
        <PlanGroups v-if="calendar !== null" :page="page" :plan="plan" :calendar="calendar" />
        <section v-if="calendar !== null && calendar.lostHere.length > 0" class="card-paper stack-close no-print">
          <h2>
            {{
              t('plan-page.lessons-lost-for-this-class-only', {
                lessons: counted('lessons', { n: calendar.lostHere.length }),
              })
            }}
          </h2>
          <ul class="plain ruled">
            <li v-for="lost in calendar.lostHere" :key="lost.date" class="d-flex gap-3 align-items-center">
              <span class="grow">{{ shortDate(lost.date) }} {{ lost.reason }}</span>
              <BButton
                size="sm"
                :disabled="busy"
                :aria-label="t('plan-page.restore-date', { date: shortDate(lost.date) })"
                @click="lose(lost.date, false)"
                >{{ t('plan-page.restore') }}</BButton
              >
            </li>
          </ul>
        </section>
      </div>
    </div>
    <BModal
      :model-value="losing !== null"
      :title="losing === null ? '' : t('plan-page.no-lesson-on-date', { date: shortDate(losing) })"
      no-footer
      @update:model-value="(open: boolean) => open || (losing = null)"
    >
      <BForm class="stack" @submit.prevent="losing !== null && lose(losing, true)">
        <p>{{ t('plan-page.only-this-class-is-affected-later') }}</p>
        <TextField
          v-model="why"
          :label="t('plan-page.reason-for-you')"
          :hint="t('plan-page.for-example-trip-assembly')"
        />
        <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ reason ?? error }}</BAlert>
        <BButton type="submit" variant="primary" :disabled="busy">{{ t('plan-page.cancel-lesson') }}</BButton>
      </BForm>
    </BModal>
  </div>
</template>

<style scoped lang="scss">
// The whole term on one page.
@media print {
  .columns :deep(td),
  .columns :deep(th) {
    padding-block: 0;
  }

  .columns :deep(.card-paper) {
    padding: 6px 0;
    border: 0;
  }
}
</style>
