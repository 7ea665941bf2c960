<script setup lang="ts">
import { PASS_CHOICES } from '@escalier/core/practice';
import type { FaultId, Outcome } from '@escalier/core/records';
import type { PupilDto } from '@escalier/server/api';
import { onKeyStroke } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { isTyping } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { useClasses } from '../classes/index.ts';
import { TakeCare } from '../schools/index.ts';
import FaultChips from './FaultChips.vue';
import HearingTune from './HearingTune.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import PupilHead from './PupilHead.vue';
import { useHearing } from './store.ts';

const props = defineProps<{ classId: string; pupilId?: string }>();
const classes = useClasses();
const hearing = useHearing();
const router = useRouter();
watch(() => props.classId, classes.open, { immediate: true });

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const queue = computed(
  () => page.value?.hearingOrder.flatMap((id) => page.value?.pupils.find((pupil) => pupil.id === id) ?? []) ?? [],
);
const pupil = computed(() => {
  const wanted = props.pupilId === undefined || props.pupilId === '' ? queue.value[0]?.id : props.pupilId;
  return page.value?.pupils.find((each) => each.id === wanted && each.standing !== null) ?? null;
});
const step = computed(() => page.value?.steps[pupil.value?.standing?.stepIndex ?? -1] ?? null);
const passing = computed(() => PASS_CHOICES.find((choice) => choice.value === page.value?.style.passRule));
const next = computed(() => after(pupil.value));
const remarks = ref<FaultId[]>([]);
watch(
  () => pupil.value?.id,
  () => (remarks.value = []),
);

/** The queue goes round: whom to hear when this one is done or skipped. */
function after(current: PupilDto | null): PupilDto | null {
  const at = queue.value.findIndex((each) => each.id === current?.id);
  const following = queue.value[(at + 1) % Math.max(1, queue.value.length)];
  return following === undefined || following.id === current?.id ? null : following;
}

async function goTo(other: PupilDto | null): Promise<void> {
  if (other !== null) await router.replace({ name: 'hear', params: { classId: props.classId, pupilId: other.id } });
}

async function judge(outcome: Outcome): Promise<void> {
  if (pupil.value === null || step.value === null) return;
  const following = next.value;
  const draft = { pupilId: pupil.value.id, stepId: step.value.id, outcome, remarks: remarks.value };
  if (!(await hearing.hear(draft, pupil.value.name, step.value.position))) return;
  await classes.open(props.classId);
  remarks.value = [];
  await goTo(following);
}

async function undo(): Promise<void> {
  if (await hearing.undo()) await classes.open(props.classId);
}

const KEYS: Readonly<Record<string, () => Promise<void>>> = {
  '1': () => judge('passed'),
  '2': () => judge('nearly'),
  '3': () => judge('not-yet'),
  s: () => goTo(next.value),
  u: undo,
};
onKeyStroke(Object.keys(KEYS), (event) => {
  if (isTyping(event) || event.repeat) return;
  event.preventDefault();
  void KEYS[event.key.toLowerCase()]?.();
});
</script>

<template>
  <LoadState v-if="page === null" :error="classes.error" what="the class" @again="classes.open(classId)" />
  <div v-else class="page">
    <header>
      <p class="soft">
        Hearing · <RouterLink :to="{ name: 'class', params: { classId } }">{{ page.name }}</RouterLink>
      </p>
      <LastRecordStrip :last="hearing.last" :error="hearing.error" @undo="undo" />
    </header>
    <p v-if="pupil === null" class="card-paper">
      {{ queue.length === 0 ? 'Everyone in this class has passed every step.' : 'This pupil is not in the class.' }}
    </p>
    <template v-else>
      <section class="judge">
        <PupilHead :pupil="pupil" :step="step" />
        <template v-if="step !== null">
          <OutcomeButtons :busy="hearing.busy" :pupil-name="pupil.name" @judge="judge" />
          <FaultChips v-model="remarks" />
        </template>
        <p v-else>{{ pupil.name }} has passed every step.</p>
        <BButton v-if="next !== null" class="skip" variant="outline-dark" @click="goTo(next)">
          Skip to {{ next.name }} <span class="key" aria-hidden="true">S</span>
        </BButton>
      </section>
      <aside>
        <HearingTune v-if="step !== null" :class-id="classId" :position="step.position" />
        <section class="card-paper">
          <h2>After that</h2>
          <ol class="queue">
            <li v-for="each in queue.filter((other) => other.id !== pupil?.id).slice(0, 6)" :key="each.id">
              <RouterLink :to="{ name: 'hear', params: { classId, pupilId: each.id } }" replace>{{
                each.name
              }}</RouterLink>
              <span class="soft"> step {{ (each.standing?.stepIndex ?? 0) + 1 }}</span>
            </li>
          </ol>
        </section>
        <section class="card-paper">
          <h2>Passing means</h2>
          <p>
            {{ passing?.label }}. <span class="soft">{{ passing?.speaksFor }}</span>
          </p>
        </section>
        <TakeCare place="hearing" />
      </aside>
    </template>
  </div>
</template>

<style scoped lang="scss">
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 14px 24px;
  align-content: start;
  padding: 16px 24px;
}

header {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
  min-height: 48px;
}

.judge {
  display: grid;
  gap: 16px;
  align-content: start;
}

.skip {
  justify-self: start;
}

aside {
  display: grid;
  gap: 14px;
  align-content: start;
}

.queue {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}

.queue a {
  display: inline-block;
  min-height: 32px;
  padding: 4px 0;
  color: var(--ink);
}

@media (pointer: coarse) {
  .queue a {
    min-height: 44px;
    padding: 11px 0;
  }
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
