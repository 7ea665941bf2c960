<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import { onKeyStroke } from '@vueuse/core';
import { computed, onMounted, ref, toRef } from 'vue';
import AfterPaint from '../../ui/AfterPaint.vue';
import { isTyping } from '../../ui/keys.ts';
import type { ClassView, PupilView } from '../classes/index.ts';
import { useRemarks } from '../schools/index.ts';
import HearingTune from './HearingTune.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import PupilHead from './PupilHead.vue';
import RemarkChips from './RemarkChips.vue';
import { useHearing } from './store.ts';
import { useResult } from './use-result.ts';
import { useTurn } from './use-turn.ts';
import { t } from './messages.ts';

/** Hearing within a lesson: whoever is planned, one tap each, and then whoever waits. */
const props = defineProps<{
  page: ClassView;
  /** Who is to be heard in this lesson, in their order. */
  planned: readonly string[];
  /** When the lesson began, in milliseconds: who was heard since is done. */
  since: number;
  /** Everything works, and nothing is recorded. */
  isRehearsal: boolean;
  /** The page has the keys just now, and no dialog. */
  hasKeys: boolean;
}>();
const hearing = useHearing();
onMounted(useRemarks().load);

/** Chosen by a tap on the name; undefined for whoever is next. */
const chosen = ref<string>();
/** Judged on this page, before the records say so; in a rehearsal they never do. */
const judged = ref<readonly string[]>([]);
/** Put off to the end. */
const later = ref<readonly string[]>([]);
const { queue, why } = useTurn(toRef(props, 'page'), ref(undefined), ref(1), () => null);

const pupilOf = (id: string): PupilView | null => props.page.pupils.find((pupil) => pupil.id === id) ?? null;
function isDone({ id, away, standing }: PupilView): boolean {
  const heard = standing?.lastHeardAt ?? null;
  return judged.value.includes(id) || away || (heard !== null && Date.parse(heard) >= props.since);
}
const plannedPupils = computed(() => props.planned.flatMap((id) => pupilOf(id) ?? []));
const toHear = computed(() => {
  const others = queue.value.filter(({ id }) => !props.planned.includes(id));
  return [...plannedPupils.value, ...others]
    .filter((pupil) => pupil.standing !== null && !isDone(pupil))
    .toSorted((a, b) => later.value.indexOf(a.id) - later.value.indexOf(b.id));
});
const pupil = computed(() => (chosen.value === undefined ? null : pupilOf(chosen.value)) ?? toHear.value[0] ?? null);
const step = computed(() => props.page.steps[pupil.value?.standing?.stepIndex ?? -1] ?? null);
const left = computed(() => plannedPupils.value.filter((each) => !isDone(each)).length);
const { remarks, faults, openRemark, mark, drop, extent, tempo, tuneId, draft } = useResult(
  () => pupil.value?.id,
  step,
);

/**
 * The next name is there at once; what cannot be kept brings its pupil back.
 * @param record keeps it; not called in a rehearsal. Gives whether it is kept.
 */
async function settle(who: PupilView, record: () => Promise<boolean>): Promise<void> {
  judged.value = [...judged.value, who.id];
  chosen.value = undefined;
  if (!props.isRehearsal && !(await record())) bringBack(who.id);
}

async function judge(outcome: Outcome): Promise<void> {
  const [who, now] = [pupil.value, step.value];
  if (who === null || now === null) return;
  const result = draft(who.id, now, outcome);
  await settle(who, () => hearing.hear(props.page.id, result, who.name, now.position));
}

async function noteAway(): Promise<void> {
  const who = pupil.value;
  if (who === null) return;
  const about = { classId: props.page.id, pupilId: who.id, pupilName: who.name };
  await settle(who, () => hearing.noteAway(about, props.page.today));
}

function putOff(who: PupilView): void {
  later.value = [...later.value.filter((id) => id !== who.id), who.id];
  chosen.value = undefined;
}

/** Takes the last result back; in a rehearsal only its own, never one that is recorded. */
async function undo(): Promise<void> {
  const undone = props.isRehearsal ? judged.value.at(-1) : (await hearing.undo())?.pupilId;
  if (undone !== undefined) bringBack(undone);
}

function bringBack(id: string): void {
  judged.value = judged.value.filter((each) => each !== id);
  chosen.value = id;
}

const KEYS: Readonly<Record<string, () => unknown>> = {
  '1': () => judge('passed'),
  '2': () => judge('nearly'),
  '3': () => judge('not-yet'),
  a: noteAway,
  u: undo,
};
onKeyStroke(Object.keys(KEYS), (event) => {
  if (!props.hasKeys || isTyping(event) || event.repeat) return;
  event.preventDefault();
  void KEYS[event.key]?.();
});
</script>

<template>
  <div class="stack-close">
    <ol class="plain names" :aria-label="t('lesson-turn.to-hear-in-this-lesson')">
      <li v-for="each in plannedPupils" :key="each.id">
        <BButton size="sm" :pressed="each.id === pupil?.id" @click="chosen = each.id"
          ><span v-if="isDone(each)" aria-hidden="true">✓ </span>{{ each.name
          }}<span v-if="isDone(each)" class="visually-hidden">{{ t('lesson-turn.done') }}</span></BButton
        >
      </li>
    </ol>
    <p class="soft" role="status">
      {{ left > 0 ? t('lesson-turn.n-still-to-hear', { n: left }) : t('lesson-turn.all-planned-were-heard') }}
    </p>
    <template v-if="pupil !== null">
      <PupilHead :pupil="pupil" :step="step" :why="why(pupil.id)" :time-zone="page.timeZone" />
      <template v-if="step !== null">
        <OutcomeButtons keys class="outcomes" :pupil-name="pupil.name" @judge="judge" />
        <div class="line">
          <BButton @click="noteAway"
            >{{ t('lesson-turn.away-today') }} <span class="key" aria-hidden="true">A</span></BButton
          >
          <BButton @click="putOff(pupil)">{{ t('lesson-turn.later') }}</BButton>
        </div>
        <AfterPaint>
          <RemarkChips v-model="remarks" small />
          <p v-if="openRemark !== null" class="soft" role="status">{{ t('hearing-page.to-show-where-press-a-bar') }}</p>
          <HearingTune
            v-model:tune-id="tuneId"
            v-model:tempo="tempo"
            v-model:extent="extent"
            :class-id="page.id"
            :step="step"
            :faults="faults"
            :breath-seconds="pupil.breathSeconds"
            @mark="mark"
            @unmark="drop"
          />
        </AfterPaint>
      </template>
    </template>
    <BButton v-if="isRehearsal" :disabled="judged.length === 0" @click="undo"
      >{{ t('lesson-turn.undo') }} <span class="key" aria-hidden="true">U</span></BButton
    >
    <LastRecordStrip v-else :last="hearing.last" :at-school="hearing.atSchool" :error="hearing.error" @undo="undo" />
  </div>
</template>

<style scoped lang="scss">
.names {
  display: flex;
  gap: 8px;
  overflow-x: auto;
  white-space: nowrap;
}

.outcomes :deep(button) {
  min-height: 88px;
}

.stack-close :deep(.who) {
  font-size: var(--title);
}

// Side by side, so that all three are over the key that goes on.
@media (max-width: 500px) {
  .outcomes {
    gap: 6px;
  }

  .outcomes :deep(button) {
    font-size: var(--text-large);
  }
}
</style>
