<script setup lang="ts">
import {
  BELTS,
  LOOK_FOR,
  lessonsToTeach,
  type BeltId,
  type Finding,
  type LookFor,
  type StepNews,
} from '@escalier/core/staircase';
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import HowComputed from '../../ui/HowComputed.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { riseLines } from '../classes/index.ts';
import {
  mergeWithNext,
  removeStep,
  removeTune,
  setBelt,
  setPassing,
  splitStep,
  type Changed,
  type Draft,
  type DraftStep,
} from './draft.ts';
import { askedWords, LOOK_FOR_WORDS, passRuleWords, ROLE_WORDS, type Said } from './words.ts';
import { t } from './messages.ts';

/** The step that is chosen: its belt, tunes and what passing it means; what it brings, and what is to be said of it. */
const props = defineProps<{
  draft: Draft;
  index: number;
  news: StepNews | undefined;
  findings: readonly Finding[];
  said: Said;
}>();
const emit = defineEmits<{ change: [changed: Changed] }>();

const step = computed((): DraftStep => props.draft.steps[props.index]!);
const advice = computed(() =>
  props.findings
    .filter((finding) => finding.step === props.index + 1)
    .map((finding) => ({ weight: finding.weight, ...props.said.finding(finding) })),
);
const belts = BELTS.map(({ id, name }) => ({ value: id, text: name }));
const belt = computed({
  get: () => step.value.belt,
  set: (id: BeltId) => emit('change', setBelt(props.draft, props.index, id)),
});
const choices = computed(() => step.value.tunes.filter((tune) => tune.role !== 'extra').length);
const toPass = computed({
  get: () => step.value.toPass,
  set: (count: number) => emit('change', setPassing(props.draft, props.index, { toPass: count })),
});
const passing = computed(() =>
  Array.from({ length: choices.value }, (_, index) => ({
    value: index + 1,
    text: index === 0 ? t('step-card.any-one-of-them') : t('step-card.index-of-them', { index: index + 1 }),
  })),
);

function number(text: string | number | null, least: number, most: number): number | null {
  if (text === null || text === '' || Number(text) < least) return null;
  return Math.min(most, Math.round(Number(text)));
}
const rule = computed(() => step.value.passRule);
const tempo = computed({
  get: () => rule.value.tempo,
  set: (text) =>
    emit('change', setPassing(props.draft, props.index, { passRule: { ...rule.value, tempo: number(text, 20, 300) } })),
});
const slips = computed({
  get: () => rule.value.slips,
  set: (text) =>
    emit('change', setPassing(props.draft, props.index, { passRule: { ...rule.value, slips: number(text, 0, 50) } })),
});
const lookFor = computed({
  get: () => [...rule.value.lookFor],
  set: (chosen: LookFor[]) =>
    emit('change', setPassing(props.draft, props.index, { passRule: { ...rule.value, lookFor: chosen } })),
});
const passWords = computed(() => passRuleWords(step.value) ?? t('step-card.you-decide'));
const looks = LOOK_FOR.map((id) => ({ value: id, text: LOOK_FOR_WORDS[id] }));
</script>

<template>
  <section class="card-paper stack" :aria-label="t('step-card.step-index', { index: index + 1 })">
    <div class="line">
      <h2 class="grow">{{ t('step-card.step-index', { index: index + 1 }) }}</h2>
      <BDropdown :text="t('step-card.change-step')" size="sm">
        <BDropdownItem @click="emit('change', splitStep(draft, index))">{{
          t('step-card.split-in-two')
        }}</BDropdownItem>
        <BDropdownItem @click="emit('change', mergeWithNext(draft, index))">{{
          t('step-card.merge-with-the-next')
        }}</BDropdownItem>
        <BDropdownItem @click="emit('change', removeStep(draft, index))">{{ t('step-card.remove') }}</BDropdownItem>
      </BDropdown>
    </div>
    <BAlert
      v-for="each in advice"
      :key="each.text"
      :variant="each.weight === 'problem' ? 'danger' : 'warning'"
      :model-value="true"
    >
      <strong>{{ each.text }}</strong> {{ each.remedy }}
    </BAlert>
    <div v-if="news !== undefined">
      <p>
        {{ t('step-card.brings') }} <strong>{{ said.news(news) }}</strong>;
        {{ askedWords(news.rise.total, lessonsToTeach(news.rise.total)) }}.
      </p>
      <HowComputed>
        <ul class="plain">
          <li v-for="line in riseLines(news.rise)" :key="line">{{ line }}</li>
        </ul>
      </HowComputed>
    </div>
    <ul class="plain ruled" :aria-label="t('step-card.tunes-of-this-step')">
      <li v-for="tune in step.tunes" :key="tune.id" class="d-flex gap-2 align-items-center">
        <span class="grow"
          ><strong>{{ tune.title }}</strong> <span class="soft small">{{ ROLE_WORDS[tune.role] }}</span></span
        >
        <BButton
          v-if="tune.role !== 'main'"
          size="sm"
          :aria-label="t('step-card.remove-title-from-this-step', { title: tune.title })"
          @click="emit('change', removeTune(draft, index, tune.id))"
          >{{ t('step-card.remove-2') }}</BButton
        >
      </li>
    </ul>
    <div class="d-flex gap-3 align-items-center">
      <SelectField v-model="belt" class="grow" :label="t('step-card.belt')" :options="belts" />
      <span class="belt-chip"><BeltBand :belt-id="step.belt" decorative /></span>
    </div>
    <HowComputed :label="t('step-card.what-passing-means-pass', { pass: passWords })">
      <div class="stack">
        <div class="field-grid">
          <SelectField v-if="choices > 1" v-model="toPass" :label="t('step-card.to-pass')" :options="passing" />
          <TextField
            v-model="tempo"
            :label="t('step-card.tempo-at-least')"
            type="number"
            :hint="t('step-card.empty-any-tempo')"
          />
          <TextField
            v-model="slips"
            :label="t('step-card.slips-at-most')"
            type="number"
            :hint="t('step-card.empty-you-decide')"
          />
        </div>
        <BFormGroup :label="t('step-card.look-for')">
          <BFormCheckboxGroup v-model="lookFor" :options="looks" />
        </BFormGroup>
      </div>
    </HowComputed>
    <p v-if="step.results > 0" class="soft small">
      {{ t('step-card.results-results-recorded-here-they-stay', { results: step.results }) }}
    </p>
  </section>
</template>
