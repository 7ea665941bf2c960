<script setup lang="ts">
import { RUNG_RUNS } from '@escalier/core/lesson';
import { blockLines, blockTitle, rungRunWords, rungWords } from '@escalier/core/words';
import { useWakeLock } from '@vueuse/core';
import { computed, onUnmounted, ref, toRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import LoadState from '../../ui/LoadState.vue';
import { LessonTurn } from '../hearing/index.ts';
import { TakeCare } from '../schools/index.ts';
import { useStageSender } from './channel.ts';
import ComingParts from './ComingParts.vue';
import KeysDialog from './KeysDialog.vue';
import LessonStairs from './LessonStairs.vue';
import LessonOver from './LessonOver.vue';
import LessonReady from './LessonReady.vue';
import LessonTools from './LessonTools.vue';
import SceneView from './scenes/SceneView.vue';
import OneKey from './OneKey.vue';
import StageControls from './StageControls.vue';
import type { Happening } from './store.ts';
import { useClock } from './use-clock.ts';
import { usePlan } from './use-plan.ts';
import { useRunnerKeys } from './use-runner-keys.ts';
import { useStage } from './use-stage.ts';
import { clockWords, paceWords } from './words.ts';
import { t } from './messages.ts';

/** The teacher's side of a lesson: what now, what next, how much time, and one key to go on. */
const props = defineProps<{ classId: string }>();
/** The lesson that is run stays it, also when it has ended. */
const route = useRoute();
const pinned = ref<string | null>(typeof route.query.date === 'string' ? route.query.date : null);
const planning = usePlan(toRef(props, 'classId'), pinned);
const { page, lesson, run, plan, speech, lessons } = planning;
/** Tried out beforehand: all works, and nothing of it is kept. */
const isRehearsal = computed(() => route.query.rehearse !== undefined);
watch(isRehearsal, (on) => lessons.rehearse(on), { immediate: true });
onUnmounted(() => lessons.rehearse(false));
const stage = useStage(planning, note);
const { isSeen } = useStageSender(props.classId, stage.stage);
const clock = useClock(run);
const wake = useWakeLock();

const isStarted = computed(() => run.value !== null && run.value.startedAt !== null);
const hasEnded = computed(() => run.value !== null && run.value.endedAt !== null);
/** Opened without a day, a lesson that is still to come is not begun by mistake. */
const isEarly = computed(() => {
  const [coming, open] = [lesson.value, page.value];
  return !isRehearsal.value && pinned.value === null && coming !== null && open !== null && coming.date > open.today;
});
const block = computed(() => (isStarted.value ? stage.block.value : null));
const next = computed(() => (run.value === null ? null : (run.value.plan?.blocks[run.value.index + 1] ?? null)));
const coming = computed(() =>
  isStarted.value && !hasEnded.value
    ? (run.value?.plan?.blocks.slice(run.value.index + 1) ?? [])
    : isStarted.value
      ? []
      : (plan.value?.blocks ?? []),
);
const rungs = computed(() => (block.value?.kind === 'tune' ? (block.value.rungs ?? []) : []));
const nextRung = computed(() => {
  const at = rungs.value.findIndex((rung) => rung === run.value?.rung);
  return at < 0 ? null : (rungs.value[at + 1] ?? null);
});
const keysOpen = ref(false);
/** One window for all: what the class sees is large, the teacher's strip is under it. */
const isLarge = ref(false);

watch(
  isStarted,
  (started) => void (started && wake.isSupported.value && wake.request('screen').catch(() => undefined)),
  {
    immediate: true,
  },
);

function note(happening: Happening): void {
  if (lesson.value !== null) lessons.note(lesson.value.date, happening);
}

function start(): void {
  if (plan.value === null || lesson.value === null) return;
  pinned.value = lesson.value.date;
  note({ kind: 'started', plan: plan.value, step: planning.step.value?.position ?? null });
}

/** One key: to the next rung, the next part, and out. */
function goOn(): void {
  if (hasEnded.value) return;
  if (!isStarted.value) return isEarly.value ? undefined : start();
  if (nextRung.value !== null) note({ kind: 'rung', rung: nextRung.value });
  else if (next.value !== null) note({ kind: 'block', block: next.value.id });
  else note({ kind: 'ended' });
}

function goBack(): void {
  if (hasEnded.value) return note({ kind: 'reopened' });
  const before = run.value?.plan?.blocks[run.value.index - 1];
  const at = rungs.value.findIndex((rung) => rung === run.value?.rung);
  if (at > 0) note({ kind: 'rung', rung: rungs.value[at - 1]! });
  else if (before !== undefined) note({ kind: 'block', block: before.id });
}

function skip(): void {
  if (block.value === null) return;
  note({ kind: 'skipped', block: block.value.id });
  note(next.value === null ? { kind: 'ended' } : { kind: 'block', block: next.value.id });
}

function again(): void {
  note({ kind: 'again' });
  stage.stop();
  stage.toggle();
}

useRunnerKeys({ stage, rungs, note, goOn, goBack, skip, again, keysOpen, isLarge });

function openProjector(): void {
  window.open(
    `/classes/${props.classId}/projector`,
    `escalier-projector-${props.classId}`,
    'popup,width=1280,height=800',
  );
}
</script>

<template>
  <LoadState
    v-if="page === null || run === null"
    :error="lessons.error"
    :what="t('runner-page.the-lesson')"
    @again="lessons.open(classId)"
  />
  <div v-else class="runner">
    <header class="line head">
      <RouterLink :to="{ name: 'today', params: { classId } }">{{ page.name }}</RouterLink>
      <h1 class="grow">
        {{ lesson === null ? t('runner-page.lesson') : t('runner-page.lesson-number', { number: lesson.number }) }}
      </h1>
      <p v-if="clock !== null" class="time" role="timer" :aria-label="t('runner-page.minutes-used-and-left')">
        <strong>{{ clockWords(clock.elapsed) }}</strong> {{ t('runner-page.used') }}
        <strong>{{ clockWords(clock.left) }}</strong> {{ t('runner-page.left') }}
      </p>
      <p v-if="clock !== null" class="pace" :class="{ late: clock.behind > 90 }">{{ paceWords(clock, speech) }}</p>
      <BButton @click="openProjector">{{
        isSeen ? t('runner-page.projector-on') : t('runner-page.open-the-projector-window')
      }}</BButton>
      <BButton :pressed="isLarge" @click="isLarge = !isLarge"
        >{{ t('runner-page.large') }} <span class="key" aria-hidden="true">G</span></BButton
      >
      <BButton @click="keysOpen = true">{{ t('runner-page.keys') }}</BButton>
    </header>
    <p v-if="isRehearsal" class="rehearsal" role="status">
      {{ t('runner-page.rehearsal-nothing-is-kept') }}
      <RouterLink :to="{ name: 'today', params: { classId } }">{{ t('runner-page.end-the-rehearsal') }}</RouterLink>
    </p>
    <LessonStairs
      v-if="plan !== null"
      :blocks="plan.blocks"
      :at="isStarted ? run.index : null"
      :elapsed="clock === null ? null : clock.elapsed / 60"
    />
    <div class="work" :class="{ large: isLarge }">
      <div class="stack">
        <section class="card-paper stack-close now" :aria-label="t('runner-page.now')">
          <template v-if="hasEnded">
            <LessonOver :run="run" :speech="speech" :class-id="classId" :is-rehearsal="isRehearsal" @note="note" />
          </template>
          <LessonReady
            v-else-if="block === null"
            :class-id="classId"
            :date="lesson?.date ?? null"
            :is-early="isEarly"
            :is-rehearsal="isRehearsal"
            :can-start="plan !== null"
            @start="start"
          />
          <template v-else>
            <p v-if="clock !== null" class="soft">
              {{
                t('runner-page.now-value', {
                  time:
                    clock.blockLeft >= 0
                      ? t('runner-page.clock-left', { clock: clockWords(clock.blockLeft) })
                      : t('runner-page.clock-over', { clock: clockWords(-clock.blockLeft) }),
                })
              }}
              <template v-if="run.again > 0"
                >{{ ' ' }}{{ t('runner-page.again-again', { again: run.again }) }}</template
              >
            </p>
            <h2 class="title">{{ blockTitle(block, speech) }}</h2>
            <template v-if="rungs.length > 0">
              <ol class="plain line">
                <li v-for="(rung, index) in rungs" :key="rung">
                  <BButton :pressed="rung === run.rung" @click="note({ kind: 'rung', rung })"
                    ><span class="key" aria-hidden="true">{{ index + 1 }}</span> {{ rungWords(rung) }}</BButton
                  >
                </li>
              </ol>
              <p v-if="run.rung !== null">{{ rungRunWords(RUNG_RUNS[run.rung]) }}</p>
            </template>
            <LessonTurn
              v-else-if="block.kind === 'hearing'"
              :page="page"
              :planned="(block.slots ?? []).map(({ pupilId }) => pupilId)"
              :since="run.startedAt ?? 0"
              :is-rehearsal="isRehearsal"
              :has-keys="!keysOpen"
            />
            <ul v-else class="plain">
              <li v-for="line in blockLines(block, speech)" :key="line">{{ line }}</li>
            </ul>
            <StageControls :stage="stage" />
          </template>
        </section>
        <TakeCare v-if="!isStarted || block?.kind === 'together'" place="lesson" />
        <ComingParts v-if="coming.length > 0" class="coming" :blocks="coming" :speech="speech" />
      </div>
      <div class="side">
        <template v-if="isStarted && !hasEnded">
          <OneKey
            :next="nextRung !== null ? rungWords(nextRung) : next === null ? null : blockTitle(next, speech)"
            @next="goOn"
            @again="again"
            @skip="skip"
            @back="goBack"
          />
          <LessonTools :page="page" :run="run" :is-rehearsal="isRehearsal" @note="note" />
          <p v-if="lessons.waiting > 0" class="soft" role="status">
            {{ t('runner-page.saved-on-this-device-sending-n', { n: lessons.waiting }) }}
          </p>
          <BAlert v-if="lessons.refused !== null" variant="danger" :model-value="true">{{
            t('runner-page.part-of-this-lesson-couldnt-be', { refused: lessons.refused })
          }}</BAlert>
        </template>
        <div class="preview"><SceneView :stage="stage.stage.value" /></div>
      </div>
    </div>
    <KeysDialog v-model="keysOpen" />
  </div>
</template>

<style scoped lang="scss">
.runner {
  display: grid;
  grid-template-rows: repeat(v-bind('isRehearsal ? 3 : 2'), auto) minmax(0, 1fr);
  gap: 10px;
  min-height: 100vh;
  padding: 12px 18px;
}

.head h1 {
  font-size: var(--title);
}

.time {
  font-size: var(--text-large);
}

.pace {
  padding: 4px 12px;
  border-radius: var(--round);
  background: var(--spruce-soft);
  font-weight: 700;
}

.rehearsal {
  padding: 6px 12px;
  border: 2px dashed var(--ink);
  border-radius: var(--radius);
  background: var(--brass-soft);
  font-weight: 700;
}

.late {
  background: var(--brick-soft);
}

.work {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}

.title {
  font-size: var(--headline);
  line-height: 1.1;
}

.now {
  font-size: var(--text-large);
}

.side {
  display: grid;
  gap: 10px;
}

.preview {
  aspect-ratio: 16 / 10;
  overflow: hidden;
  border: 3px solid var(--ink);
  border-radius: var(--radius);
}

// The class's picture first, as high as the screen leaves it.
.large {
  grid-template-columns: minmax(0, 1fr);
}

.large .side {
  order: -1;
}

.large .preview {
  height: calc(100vh - 190px);
  aspect-ratio: auto;
}

@media (max-width: 900px) {
  .work {
    grid-template-columns: minmax(0, 1fr);
  }

  .runner {
    padding-bottom: 92px;
  }

  // What comes next stands on the stairs already.
  .coming {
    display: none;
  }
}
</style>
