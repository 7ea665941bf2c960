<script setup lang="ts">
import type { StepDto } from '@escalier/contract/class-pages';
import { PASS_CHOICES } from '@escalier/core/practice';
import type { Outcome } from '@escalier/core/records';
import { onKeyStroke } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import AfterPaint from '../../ui/AfterPaint.vue';
import { isTyping } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead, useClasses, useLiveClass, warmUp, type PupilView } from '../classes/index.ts';
import { TakeCare, useRemarks } from '../schools/index.ts';
import { HeardLive, listeningRule, SoundCheckButton } from '../listening/index.ts';
import RemarkChips from './RemarkChips.vue';
import GroupColumns from './GroupColumns.vue';
import HearingTune from './HearingTune.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import PupilHead from './PupilHead.vue';
import QueueCard from './QueueCard.vue';
import { useHearing } from './store.ts';
import { useResult } from './use-result.ts';
import { useTurn } from './use-turn.ts';
import { t } from './messages.ts';

const props = defineProps<{ classId: string; pupilId?: string }>();
const classes = useClasses();
const hearing = useHearing();
const router = useRouter();
useLiveClass(toRef(props, 'classId'));
onMounted(useRemarks().load);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const SIZES = [1, 2, 3, 4, 5].map((value) => ({ value, text: value === 1 ? t('hearing-page.one') : String(value) }));
const size = ref(1);
const {
  queue,
  pupil,
  step: ownStep,
  group,
  next,
  why,
  skip,
} = useTurn(page, toRef(props, 'pupilId'), size, () => kept.value?.pupils ?? null);
watch(
  () => page.value?.id,
  () => page.value !== null && void warmUp(page.value),
  { immediate: true },
);

/** A row that is being judged: it stays, with its step, until all of it are, whatever the queue does meanwhile. */
const kept = shallowRef<{ readonly pupils: readonly PupilView[]; readonly step: StepDto } | null>(null);
const done = ref<ReadonlyMap<string, Outcome>>(new Map());
const row = computed(() => kept.value?.pupils ?? group.value);
const step = computed(() => kept.value?.step ?? ownStep.value);
const isRow = computed(() => row.value.length > 1);

const { remarks, faults, openRemark, mark, drop, extent, tempo, tuneId, heardAlong, draft } = useResult(
  () => pupil.value?.id,
  step,
  () => kept.value !== null,
);
const passing = computed(() => PASS_CHOICES.find((choice) => choice.value === page.value?.style.passRule));

async function goTo(other: PupilView | null): Promise<void> {
  if (other !== null) await router.replace({ name: 'hear', params: { classId: props.classId, pupilId: other.id } });
}

/** Recorded here at once, and on with the next; what cannot be kept brings its pupil back. */
async function record(who: PupilView, outcome: Outcome, about: readonly string[], following: PupilView | null) {
  if (step.value === null) return;
  const result = draft(who.id, step.value, outcome, { about, isRow: isRow.value });
  const recorded = hearing.hear(props.classId, result, who.name, step.value.position);
  await goTo(following);
  if (!(await recorded)) await goTo(who);
}

async function judge(outcome: Outcome): Promise<void> {
  if (pupil.value === null || isRow.value) return;
  await record(pupil.value, outcome, remarks.value, next.value);
}

async function judgeInRow(who: PupilView, outcome: Outcome, about: readonly string[]): Promise<void> {
  if (step.value === null) return;
  kept.value ??= { pupils: group.value, step: step.value };
  const following = next.value;
  done.value = new Map([...done.value, [who.id, outcome]]);
  const last = row.value.every((each) => done.value.has(each.id));
  await record(who, outcome, about, null);
  if (last) await leaveRow(following);
}

async function leaveRow(following: PupilView | null): Promise<void> {
  kept.value = null;
  done.value = new Map();
  await goTo(following);
}

async function skipTurn(): Promise<void> {
  const following = next.value;
  skip(row.value);
  await leaveRow(following);
}

async function away(): Promise<void> {
  const [who, following] = [pupil.value, next.value];
  const date = page.value?.today;
  if (who === null || date === undefined || isRow.value) return;
  const noted = hearing.noteAway({ classId: props.classId, pupilId: who.id, pupilName: who.name }, date);
  await goTo(following);
  if (!(await noted)) await goTo(who);
}

/** Back to the one whose record was taken back: the next key is about them. */
async function undo(): Promise<void> {
  const undone = await hearing.undo();
  if (undone === null || undone.classId !== props.classId) return;
  kept.value = null;
  done.value = new Map();
  size.value = 1;
  await goTo(page.value?.pupils.find(({ id }) => id === undone.pupilId) ?? null);
}

const KEYS: Readonly<Record<string, () => Promise<void>>> = {
  '1': () => judge('passed'),
  '2': () => judge('nearly'),
  '3': () => judge('not-yet'),
  s: skipTurn,
  a: away,
  u: undo,
};
onKeyStroke(Object.keys(KEYS), (event) => {
  if (isTyping(event) || event.repeat) return;
  event.preventDefault();
  void KEYS[event.key.toLowerCase()]?.();
});
</script>

<template>
  <LoadState
    v-if="page === null"
    :error="classes.error"
    :what="t('hearing-page.the-class')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" />
    <div class="line bar">
      <BFormRadioGroup v-model="size" buttons :options="SIZES" :aria-label="t('hearing-page.how-many-play-together')" />
      <LastRecordStrip
        class="grow"
        :last="hearing.last"
        :at-school="hearing.atSchool"
        :error="hearing.error"
        @undo="undo"
      />
      <SoundCheckButton :page="page" :position="step?.position ?? 1" />
    </div>
    <p v-if="pupil === null" class="card-paper">
      {{
        queue.length === 0
          ? t('hearing-page.everyone-in-this-class-has-passed')
          : t('hearing-page.this-pupil-is-not-in-the')
      }}
    </p>
    <AfterPaint v-else>
      <div class="columns hearing">
        <section class="stack">
          <template v-if="isRow && step !== null">
            <h2 class="who">
              {{
                t('hearing-page.row-count-together-step-position', { rowCount: row.length, position: step.position })
              }}
            </h2>
            <GroupColumns :group="row" :done="done" @judge="judgeInRow" />
          </template>
          <template v-else>
            <PupilHead :pupil="pupil" :step="step" :why="why(pupil.id)" :time-zone="page.timeZone" />
            <template v-if="step !== null">
              <OutcomeButtons keys :pupil-name="pupil.name" @judge="judge" />
              <AfterPaint><RemarkChips v-model="remarks" /></AfterPaint>
              <HeardLive
                :turn="pupil.id"
                :tune-id="tuneId"
                :instrument-id="pupil.playsInstead ?? page.instrumentId"
                :rule="listeningRule(page, step)"
                @heard="heardAlong"
              />
              <p v-if="openRemark !== null" class="soft" role="status">
                {{ t('hearing-page.to-show-where-press-a-bar') }}
              </p>
            </template>
            <p v-else>{{ t('hearing-page.name-has-passed-every-step', { name: pupil.name }) }}</p>
          </template>
          <AfterPaint>
            <div class="line">
              <BButton v-if="next !== null" @click="skipTurn">
                {{ t('hearing-page.skip-to-name', { name: next.name }) }} <span class="key" aria-hidden="true">S</span>
              </BButton>
              <BButton v-if="!isRow && !pupil.away" @click="away">
                {{ t('hearing-page.away-today') }} <span class="key" aria-hidden="true">A</span>
              </BButton>
            </div>
          </AfterPaint>
        </section>
        <aside class="stack">
          <AfterPaint :turns="2">
            <HearingTune
              v-if="step !== null"
              v-model:tune-id="tuneId"
              v-model:tempo="tempo"
              v-model:extent="extent"
              :class-id="classId"
              :step="step"
              :faults="isRow ? null : faults"
              :breath-seconds="pupil.breathSeconds"
              @mark="mark"
              @unmark="drop"
            />
            <QueueCard :page="page" :queue="queue.filter((each) => !row.includes(each))" :why="why" />
            <section class="card-paper stack-close">
              <h2>{{ t('hearing-page.what-counts-as-a-pass') }}</h2>
              <p>
                {{ passing?.label }}. <span class="soft">{{ passing?.speaksFor }}</span>
              </p>
            </section>
            <TakeCare place="hearing" />
          </AfterPaint>
        </aside>
      </div>
    </AfterPaint>
  </div>
</template>

<style scoped lang="scss">
.bar {
  min-height: 48px;
}

.hearing {
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 14px 24px;
}

.who {
  font-size: var(--headline);
}

@media (max-width: 900px) {
  .hearing {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
