<script setup lang="ts">
import { capacity, USUAL_CHANGEOVER, USUAL_TALK, type Capacity, type HearingWay } from '@escalier/core/calendar';
import { computed, ref } from 'vue';
import type { ClassView } from '../classes/index.ts';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** How many can be heard in a lesson, and how many lessons it takes to hear everyone, with the sum written out. */
const props = defineProps<{
  page: ClassView;
  /** Parallel groups, for whom the same is worked out. */
  others: readonly { readonly id: string; readonly name: string; readonly pupils: number; readonly left: number }[];
}>();

const position = ref(props.page.steps.find((step) => !step.goOn.goOn)?.position ?? 1);
const way = ref<HearingWay['kind']>('alone');
const size = ref(3);
const minutes = ref(10);
const changeover = ref(USUAL_CHANGEOVER);
const talk = ref(USUAL_TALK);

const WAYS: readonly { readonly value: HearingWay['kind']; readonly text: string }[] = [
  { value: 'alone', text: t('capacity-card.one-by-one') },
  { value: 'group', text: t('capacity-card.in-groups') },
  { value: 'recording', text: t('capacity-card.from-recordings') },
];
const tunes = computed(() =>
  props.page.steps.map((step) => ({
    value: step.position,
    text: `${step.position} ${step.title} (${step.tuneSeconds} s)`,
  })),
);
const units = computed(() => (way.value === 'recording' ? 'evenings' : 'lessons'));
const unit = computed(() => (way.value === 'recording' ? t('capacity-card.an-evening') : t('capacity-card.a-lesson')));

const step = computed(() => props.page.steps.find((each) => each.position === position.value) ?? null);
const pupils = computed(() => props.page.pupils.filter((pupil) => pupil.standing !== null).length);
const result = computed(() => capacityFor(pupils.value));

function capacityFor(count: number): Capacity | null {
  return step.value === null
    ? null
    : capacity({
        tuneSeconds: step.value.tuneSeconds,
        changeoverSeconds: changeover.value,
        talkSeconds: talk.value,
        way: way.value === 'group' ? { kind: 'group', size: size.value } : { kind: way.value },
        minutes: minutes.value,
        pupils: count,
      });
}
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('capacity-card.how-long-to-hear-everyone') }}</h2>
    <p v-if="page.steps.length === 0">{{ t('capacity-card.this-class-has-no-stairs-yet') }}</p>
    <template v-else>
      <div class="field-grid inputs">
        <SelectField v-model="position" class="wide" :label="t('capacity-card.tune')" :options="tunes" />
        <SelectField v-model="way" :label="t('capacity-card.heard')" :options="WAYS" />
        <TextField
          v-if="way === 'group'"
          v-model="size"
          :label="t('capacity-card.pupils-in-a-group')"
          type="number"
          :min="2"
          :max="12"
        />
        <TextField
          v-model="minutes"
          :label="t('capacity-card.minutes-unit', { unit })"
          type="number"
          :min="1"
          :max="120"
        />
        <TextField
          v-if="way !== 'recording'"
          v-model="changeover"
          :label="t('capacity-card.seconds-to-change-over')"
          type="number"
          :min="0"
          :max="300"
        />
        <TextField v-model="talk" :label="t('capacity-card.seconds-to-talk')" type="number" :min="0" :max="300" />
      </div>
      <p v-if="result !== null" class="large">
        <template v-if="result.lessons === null">{{ t('capacity-card.not-even-one-turn-fits-add') }}</template>
        <template v-else>
          <strong>{{ result.pupilsPerLesson }}</strong>
          {{ t('capacity-card.of-pupils-in-unit-everyone-in', { pupils, unit }) }} <strong>{{ result.lessons }}</strong>
          {{ units
          }}<template v-if="way !== 'recording'">{{
            t('capacity-card.left-left', { left: page.lessons.left })
          }}</template
          >.
        </template>
      </p>
      <p v-for="other in others" :key="other.id">
        {{
          t('capacity-card.name-n-pupils-lessons-units', {
            name: other.name,
            n: other.pupils,
            lessons: capacityFor(other.pupils)?.lessons ?? 'no',
            units,
          })
        }}<template v-if="way !== 'recording'">{{ t('capacity-card.left-left', { left: other.left }) }}</template
        >.
      </p>
      <ul v-if="result !== null" class="bullets soft">
        <li v-for="sum in result.sums" :key="sum">{{ sum }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.inputs {
  grid-template-columns: repeat(2, minmax(0, 1fr));
}
</style>
