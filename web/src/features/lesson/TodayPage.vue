<script setup lang="ts">
import { listWords } from '@escalier/messages';
import { BLOCK_KINDS } from '@escalier/core/lesson';
import { BLOCK_NAMES, goOnWords, leftBehindWords } from '@escalier/core/words';
import { computed, toRef } from 'vue';
import { longDate, shortDate, timeOfDay } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { useSave } from '../../ui/use-save.ts';
import { ClassHead, useClassSettings } from '../classes/index.ts';
import LessonStairs from './LessonStairs.vue';
import PlanBlocks from './PlanBlocks.vue';
import PrepareCard from './PrepareCard.vue';
import { lastLessonWords, partsTaught } from './words.ts';
import { usePlan } from './use-plan.ts';
import { usePlanChanges } from './use-plan-changes.ts';
import { t } from './messages.ts';

/** The next lesson of a class, planned to the minute and ready to start. */
const props = defineProps<{ classId: string }>();
const planning = usePlan(toRef(props, 'classId'));
const { page, lesson, plan, reach, run, speech, goOn, history, proposed } = planning;
const changes = usePlanChanges(planning);

const isToday = computed(() => lesson.value !== null && lesson.value.date === page.value?.today);
const isRunning = computed(() => run.value !== null && run.value.startedAt !== null);
const behind = computed(() => {
  const before = goOn.value?.before ?? null;
  return before === null ? null : leftBehindWords(before, speech.value.nameOf);
});
const holding = computed(() => (goOn.value?.here.holding ?? []).map(speech.value.nameOf));
/** Where the teacher says so. */
const { draft, load, saveClass } = useClassSettings(() => props.classId);
const { busy: going, save } = useSave(t('today-page.the-class-carries-on-from-there'));
async function goTo(ownStep: number): Promise<void> {
  await save(async () => {
    await load();
    if (draft.value === null) return;
    const { style } = draft.value;
    draft.value = { ...draft.value, style: { ...style, teaching: { ...style.teaching, ownStep } } };
    await saveClass();
    await planning.reload();
  });
}
const runner = computed(() => ({
  name: 'lesson',
  params: { classId: props.classId },
  query: { date: lesson.value?.date },
}));
const rehearsal = computed(() => ({ ...runner.value, query: { ...runner.value.query, rehearse: '1' } }));
</script>

<template>
  <LoadState
    v-if="page === null"
    :error="planning.lessons.error"
    :what="t('today-page.the-lesson')"
    @again="planning.lessons.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <BButton v-if="lesson !== null" role="link" :to="{ name: 'substitute', params: { classId } }">{{
        t('today-page.for-a-substitute')
      }}</BButton>
      <BButton role="link" :to="{ name: 'cards', params: { classId } }">{{ t('today-page.rhythm-cards') }}</BButton>
      <BButton v-if="plan !== null && !isRunning" role="link" :to="rehearsal">{{ t('today-page.rehearse') }}</BButton>
      <BButton v-if="plan !== null" role="link" variant="primary" :to="runner">{{
        isRunning ? t('today-page.back-to-the-lesson') : t('today-page.start-the-lesson')
      }}</BButton>
    </ClassHead>
    <section v-if="lesson === null" class="card-paper stack-close">
      <h2>{{ t('today-page.no-lessons-left') }}</h2>
      <p>
        {{ t('today-page.this-classs-term-is-over-or') }}
        <RouterLink :to="{ name: 'class-settings', params: { classId } }">{{ t('today-page.settings') }}</RouterLink>
        {{ t('today-page.has-its-days-and-times') }}
      </p>
    </section>
    <template v-else>
      <div>
        <h2>
          {{
            t('today-page.date-time-lesson-number-minutes-minutes', {
              date: isToday ? t('today-page.today') : longDate(lesson.date),
              time: timeOfDay(lesson.at),
              number: lesson.number,
              minutes: lesson.minutes,
            })
          }}
        </h2>
        <p class="soft">{{ lastLessonWords(history?.last ?? null) }}</p>
      </div>
      <div class="columns columns-work">
        <section class="card-paper stack-close" :aria-label="t('today-page.the-plan')">
          <p v-if="plan === null" class="soft" role="status">{{ t('today-page.planning-the-lesson') }}</p>
          <template v-else>
            <LessonStairs :blocks="plan.blocks" :at="isRunning ? run!.index : null" />
            <PlanBlocks
              :plan="plan"
              :speech="speech"
              :fixed="run?.plan !== null && run?.plan !== undefined"
              :reach="reach"
              @move="changes.move"
              @minutes="changes.minutes"
              @lock="changes.lock"
              @swap="changes.swap"
              @leave="changes.leave"
            />
            <p v-if="plan.left.length > 0" class="soft">
              {{
                t('today-page.no-room-today-for-list', {
                  list: listWords(plan.left.map((kind) => BLOCK_NAMES[kind].toLowerCase())),
                })
              }}
            </p>
            <div v-if="run?.plan === null" class="line no-print">
              <BDropdown :text="t('today-page.add-a-part')" teleport-to="body">
                <BDropdownItem v-for="kind in BLOCK_KINDS" :key="kind" @click="changes.add(kind)">{{
                  BLOCK_NAMES[kind]
                }}</BDropdownItem>
              </BDropdown>
              <BButton @click="changes.saveUsual">{{ t('today-page.save-as-usual-lesson') }}</BButton>
              <BButton v-if="history?.usual !== null" variant="link" @click="changes.forgetUsual">{{
                t('today-page.clear-usual-lesson')
              }}</BButton>
              <BButton
                v-if="run.planned !== null && proposed !== null"
                variant="link"
                @click="changes.again(proposed)"
                >{{ t('today-page.reset-plan') }}</BButton
              >
            </div>
            <HowComputed>
              {{ t('today-page.each-part-has-the-minutes-it') }}
            </HowComputed>
          </template>
        </section>
        <div class="stack">
          <section v-if="goOn !== null" class="card-paper stack-close">
            <h2>
              {{
                planning.step.value === null
                  ? t('today-page.all-steps-passed')
                  : t('today-page.step-position', { position: planning.step.value.position })
              }}
            </h2>
            <p>{{ goOnWords(goOn.here) }}</p>
            <p v-if="holding.length > 0" class="soft">
              {{ t('today-page.still-to-pass-list', { list: listWords(holding) }) }}
            </p>
            <p v-if="behind !== null">{{ behind }}</p>
            <div v-if="page.style.teaching.goOn === 'own'" class="line">
              <BButton :disabled="going || page.classStep >= page.steps.length" @click="goTo(page.classStep + 1)">{{
                t('today-page.move-on-to-step-class-step', { classStep: page.classStep + 2 })
              }}</BButton>
              <BButton variant="link" :disabled="going || page.classStep === 0" @click="goTo(page.classStep - 1)">{{
                t('today-page.back-to-step-class-step', { classStep: page.classStep })
              }}</BButton>
            </div>
          </section>
          <PrepareCard
            :page="page"
            :to-hand="planning.toHand.value"
            :to-clean="planning.cleaning.value?.instrumentIds.length ?? 0"
          />
          <section v-if="history?.last" class="card-paper stack-close">
            <h2>{{ t('today-page.last-lesson-date', { date: shortDate(history.last.date) }) }}</h2>
            <p v-if="history.open.length === 0">{{ t('today-page.you-covered-everything') }}</p>
            <p v-else>
              {{
                t('today-page.not-finished-list-its-in-this', {
                  list: listWords(history.open.map(({ kind }) => BLOCK_NAMES[kind].toLowerCase())),
                })
              }}
            </p>
            <ul v-if="history.last.run.remarks.length > 0" class="plain">
              <li v-for="remark in history.last.run.remarks" :key="remark.at">“{{ remark.text }}”</li>
            </ul>
            <p class="soft">
              {{ t('words.parts-taught', { parts: partsTaught(history.last.run) }) }}
            </p>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>
