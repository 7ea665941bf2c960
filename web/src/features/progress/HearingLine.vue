<script setup lang="ts">
import { OUTCOMES, type Fault, type HeardEvent, type Outcome } from '@escalier/core/records';
import { barRange } from '@escalier/core/words';
import { computed, ref } from 'vue';
import type { ClassView } from '../classes/index.ts';
import { moment } from '../../ui/dates.ts';
import { OUTCOME_WORDS, useHearing } from '../hearing/index.ts';
import { useRemarks } from '../schools/index.ts';
import { clockWords } from './history.ts';
import { useKeep } from './use-keep.ts';
import { t } from './messages.ts';

/** One hearing, with what was noted; it can be corrected or taken back, with a reason. */
const props = defineProps<{ event: HeardEvent; page: ClassView; pupilName: string }>();
const remarks = useRemarks();
const hearing = useHearing();
const keep = useKeep();
const correcting = ref(false);
const takingBack = ref(false);
const outcome = ref<Outcome>(props.event.outcome);
const reason = ref('');

const step = computed(() => props.page.steps.find((each) => each.id === props.event.stepId) ?? null);
const tune = computed(() => {
  const { tuneId } = props.event;
  return step.value?.tunes.length === 1
    ? null
    : (step.value?.tunes.find((each) => each.id === tuneId)?.title ?? step.value?.title ?? null);
});

function placeWords({ bar, remark }: Fault): string {
  return `${t('bar.one', { bar })}${remark === undefined ? '' : `: ${remarks.wordsOf(remark).toLowerCase()}`}`;
}

const OPTIONS = OUTCOMES.map((value) => ({ value, text: OUTCOME_WORDS[value] }));

async function correct(): Promise<void> {
  const { pupilId, stepId, remarks, tuneId, tempo, faults, extent, id } = props.event;
  const draft = {
    pupilId,
    stepId,
    outcome: outcome.value,
    remarks,
    corrects: id,
    reason: reason.value.trim(),
    ...(tuneId === undefined ? {} : { tuneId }),
    ...(tempo === undefined ? {} : { tempo }),
    ...(faults === undefined ? {} : { faults }),
    ...(extent === undefined ? {} : { extent }),
  };
  if (await hearing.hear(props.page.id, draft, props.pupilName, step.value?.position ?? 0)) correcting.value = false;
}

async function takeBack(): Promise<void> {
  takingBack.value = false;
  await keep(
    () => hearing.takeBack(props.page.id, props.event, reason.value.trim()),
    props.event.corrects === undefined ? t('hearing-line.taken-back-restore-it') : t('hearing-line.taken-back'),
  );
}
</script>

<template>
  <li class="heard" :class="event.outcome">
    <p>
      <strong>{{ OUTCOME_WORDS[event.outcome] }}</strong>{{ ' '
      }}<span class="soft">{{ moment(event.heardAt, page.timeZone) }}</span>
      <template v-if="event.tempo !== undefined">{{
        t('hearing-line.tempo-beats-a-minute', { tempo: event.tempo })
      }}</template>
      <template v-if="tune !== null">, {{ tune }}</template>
      <BBadge v-if="event.receipt === undefined" variant="warning">{{ t('hearing-line.saved-here') }}</BBadge>
    </p>
    <p v-if="event.extent !== undefined">
      {{
        t('hearing-line.heard-bars-value', {
          bars: barRange(event.extent.bars),
          slowly: event.extent.slowly ? t('hearing-line.slowly') : '',
        })
      }}
    </p>
    <p v-if="(event.faults ?? []).length > 0">
      {{ event.faults!.map((fault) => placeWords(fault)).join(', ') }}
    </p>
    <p v-if="event.remarks.length > 0">{{ event.remarks.map((id) => remarks.wordsOf(id)).join(', ') }}</p>
    <p v-if="event.corrects !== undefined" class="soft">
      {{ t('hearing-line.corrected-reason', { reason: event.reason ?? t('hearing-line.no-reason-given') }) }}
    </p>
    <p v-if="clockWords(event) !== null" class="clock">{{ clockWords(event) }}</p>
    <BForm v-if="correcting" class="line" @submit.prevent="correct">
      <BFormSelect v-model="outcome" class="auto" :options="OPTIONS" :aria-label="t('hearing-line.it-was')" />
      <BFormInput
        v-model="reason"
        class="grow why"
        required
        maxlength="200"
        :aria-label="t('hearing-line.why')"
        :placeholder="t('hearing-line.why')"
      />
      <BButton type="submit" variant="primary">{{ t('hearing-line.correct') }}</BButton>
      <BButton @click="correcting = false">{{ t('hearing-line.cancel') }}</BButton>
    </BForm>
    <div v-else class="line">
      <BButton class="how-toggle" variant="link" @click="correcting = true">{{ t('hearing-line.correct') }}</BButton>
      <BButton class="how-toggle" variant="link" @click="takingBack = true">{{ t('hearing-line.take-back') }}</BButton>
    </div>
    <BModal v-model="takingBack" :title="t('hearing-line.take-this-result-back')" title-tag="h2" unmount-lazy no-footer>
      <BForm class="stack" @submit.prevent="takeBack">
        <p v-if="event.corrects === undefined">
          {{ t('hearing-line.it-no-longer-counts', { outcome: OUTCOME_WORDS[event.outcome], name: pupilName }) }}
        </p>
        <p v-else>{{ t('hearing-line.the-correction-goes') }}</p>
        <BFormGroup :label="t('hearing-line.why')" :label-for="`why-${event.id}`">
          <BFormInput :id="`why-${event.id}`" v-model="reason" required maxlength="200" autofocus />
        </BFormGroup>
        <div class="line">
          <BButton type="submit" variant="primary">{{ t('hearing-line.take-it-back') }}</BButton>
          <BButton @click="takingBack = false">{{ t('hearing-line.cancel') }}</BButton>
        </div>
      </BForm>
    </BModal>
  </li>
</template>

<style scoped>
.heard {
  padding-left: 10px;
  border-left: 4px solid var(--line-strong);
}

.heard.passed {
  border-color: var(--spruce);
}

.heard.nearly {
  border-color: var(--brass);
}

.clock {
  color: var(--brick);
}

.why {
  min-width: 110px;
}
</style>
