<script setup lang="ts">
import type { Extent, Outcome } from '@escalier/core/records';
import { onKeyStroke } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
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
import { useFaults } from './use-faults.ts';
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
}>();
const hearing = useHearing();
onMounted(useRemarks().load);

/** Chosen by a tap on the name; null for whoever is next. */
const chosen = ref<string>();
/** Put aside for now, or tried out in a rehearsal. */
const aside = ref<ReadonlySet<string>>(new Set());
const { queue, why } = useTurn(toRef(props, 'page'), ref(undefined), ref(1), () => null);

const pupilOf = (id: string): PupilView | null => props.page.pupils.find((pupil) => pupil.id === id) ?? null;
function isDone(pupil: PupilView): boolean {
  const heard = pupil.standing?.lastHeardAt ?? null;
  return aside.value.has(pupil.id) || pupil.away || (heard !== null && Date.parse(heard) >= props.since);
}
const plannedPupils = computed(() => props.planned.flatMap((id) => pupilOf(id) ?? []));
const toHear = computed(() => {
  const others = queue.value.filter(({ id }) => !props.planned.includes(id));
  return [...plannedPupils.value, ...others].filter((pupil) => pupil.standing !== null && !isDone(pupil));
});
const pupil = computed(() => (chosen.value === undefined ? null : pupilOf(chosen.value)) ?? toHear.value[0] ?? null);
const step = computed(() => props.page.steps[pupil.value?.standing?.stepIndex ?? -1] ?? null);
const left = computed(() => plannedPupils.value.filter((each) => !isDone(each)).length);

const remarks = ref<string[]>([]);
const { faults, mark, drop, clear } = useFaults(remarks);
const tuneId = ref('');
const tempo = ref<number | null>(null);
const extent = shallowRef<Extent | null>(null);
watch(
  () => pupil.value?.id,
  () => {
    remarks.value = [];
    tempo.value = null;
    extent.value = null;
    clear();
  },
);
watch(
  () => step.value?.id,
  () => (tuneId.value = step.value?.tuneId ?? ''),
  { immediate: true },
);

/** The next name is there at once; what cannot be kept brings its pupil back. */
async function judge(outcome: Outcome): Promise<void> {
  const [who, now] = [pupil.value, step.value];
  if (who === null || now === null) return;
  const draft = {
    pupilId: who.id,
    stepId: now.id,
    outcome,
    remarks: [...remarks.value],
    ...(tuneId.value === now.tuneId || tuneId.value === '' ? {} : { tuneId: tuneId.value }),
    ...(tempo.value === null ? {} : { tempo: tempo.value }),
    ...(extent.value === null ? {} : { extent: extent.value }),
    ...(faults.value.length === 0 ? {} : { faults: faults.value }),
  };
  putAside(who);
  if (props.isRehearsal) return;
  if (!(await hearing.hear(props.page.id, draft, who.name, now.position))) bringBack(who.id);
}

async function noteAway(): Promise<void> {
  const who = pupil.value;
  if (who === null) return;
  putAside(who);
  if (props.isRehearsal) return;
  const about = { classId: props.page.id, pupilId: who.id, pupilName: who.name };
  if (!(await hearing.noteAway(about, props.page.today))) bringBack(who.id);
}

async function undo(): Promise<void> {
  const undone = await hearing.undo();
  if (undone?.classId === props.page.id) bringBack(undone.pupilId);
}

function putAside(who: PupilView): void {
  aside.value = new Set([...aside.value, who.id]);
  chosen.value = undefined;
}
function bringBack(id: string): void {
  aside.value = new Set([...aside.value].filter((each) => each !== id));
  chosen.value = id;
}

const OF_KEY: readonly Outcome[] = ['passed', 'nearly', 'not-yet'];
onKeyStroke(['1', '2', '3', 'a', 'u'], (event) => {
  if (isTyping(event) || event.repeat) return;
  event.preventDefault();
  const outcome = OF_KEY[Number(event.key) - 1];
  void (outcome !== undefined ? judge(outcome) : event.key === 'a' ? noteAway() : undo());
});
</script>

<template>
  <div class="stack-close">
    <ol class="plain names" tabindex="0" :aria-label="t('lesson-turn.to-hear-in-this-lesson')">
      <li v-for="each in plannedPupils" :key="each.id">
        <BButton size="sm" :pressed="each.id === pupil?.id" @click="bringBack(each.id)"
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
          <BButton @click="putAside(pupil)">{{ t('lesson-turn.later') }}</BButton>
        </div>
        <AfterPaint>
          <RemarkChips v-model="remarks" small />
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
    <LastRecordStrip :last="hearing.last" :at-school="hearing.atSchool" :error="hearing.error" @undo="undo" />
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
