<script setup lang="ts">
import { FIELD_NAMES, KINDS, LETTERS, PRINT_SIZES, type HandoutGroup } from '@escalier/core/handouts';
import { PAPERS } from '@escalier/paper/sizes';
import { computed } from 'vue';
import type { ClassView } from '../classes/index.ts';
import FormField from '../../ui/FormField.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import {
  isPerPupil,
  kindOf,
  MOST_COPIES,
  needsTune,
  printGroups,
  SIZE_WORDS,
  type HandoutChoices,
  type PrintGroup,
} from './print-request.ts';
import { t } from './messages.ts';

/** What is printed, for whom, how large. */
const props = defineProps<{ page: ClassView; mayKeep: boolean }>();
/** The words are to be kept for the whole school. */
const emit = defineEmits<{ keep: [] }>();
const choices = defineModel<HandoutChoices>({ required: true });

const GROUPS: Readonly<Record<HandoutGroup, string>> = {
  tune: t('sheet-choices.tunes'),
  notes: t('sheet-choices.notes-and-fingerings'),
  rhythm: t('sheet-choices.rhythm'),
  patterns: t('sheet-choices.patterns-in-a-tune'),
  charts: t('sheet-choices.charts-and-cards'),
  packets: t('sheet-choices.packets'),
  class: 'For the class',
};
const kinds = (Object.keys(GROUPS) as HandoutGroup[]).map((group) => ({
  label: GROUPS[group],
  options: KINDS.filter((each) => each.group === group).map(({ kind, name }) => ({ value: kind, text: name })),
}));
const kind = computed(() => kindOf(choices.value.kind));
const steps = computed(() =>
  props.page.steps.map(({ position, title }) => ({ value: position, text: `${position} ${title}` })),
);
const tunes = computed(() =>
  (props.page.steps.find(({ position }) => position === choices.value.step)?.tunes ?? []).map(
    ({ id, title, role }) => ({
      value: id,
      text: role === 'main' ? title : `${title} (${role})`,
    }),
  ),
);
const pupils = computed(() => [
  { value: null, text: t('sheet-choices.all-pupils') },
  ...props.page.pupils.filter(({ standing }) => standing !== null).map(({ id, name }) => ({ value: id, text: name })),
]);
const hasCount = computed(() => ['notes', 'rhythm'].includes(kind.value.group));
const hasWords = computed(() => ['certificate', 'family-letter'].includes(choices.value.kind));
const isForPupils = computed(() => hasWords.value || ['belt-slips', 'labels'].includes(choices.value.kind));
const letters = LETTERS.map(({ id, name }) => ({ value: id, text: name }));
const NAMES = [
  { value: 'first', text: t('sheet-choices.first-time-each-appears') },
  { value: 'full', text: t('sheet-choices.under-every-note') },
  { value: 'blank', text: t('sheet-choices.lines-to-write-on') },
  { value: 'none', text: t('sheet-choices.none') },
] as const;
const SHOWN = [
  { value: 'counting', text: t('sheet-choices.counting') },
  { value: 'fingerings', text: t('sheet-choices.fingerings') },
  { value: 'words', text: t('sheet-choices.words') },
  { value: 'breaths', text: t('sheet-choices.breaths') },
  { value: 'form', text: t('sheet-choices.form-letters') },
  { value: 'shades', text: t('sheet-choices.same-bars-shaded') },
  { value: 'hardSpot', text: t('sheet-choices.hard-spot') },
  { value: 'chords', text: t('sheet-choices.chord-symbols') },
  { value: 'twoToPage', text: t('sheet-choices.two-to-a-page') },
] as const;
const shown = computed({
  get: () => SHOWN.map(({ value }) => value).filter((each) => choices.value.options[each]),
  set: (wanted) => {
    for (const { value } of SHOWN) choices.value.options[value] = wanted.includes(value);
  },
});
const sizes = PRINT_SIZES.map((value) => ({ value, text: SIZE_WORDS[value] }));
const groups = computed(() => printGroups(props.page, choices.value.step));
/** The sheet that some of the pupils need, once for each. */
function takeGroup({ size, easier, pupils }: PrintGroup): void {
  const role = easier ? 'easier' : 'main';
  const tunes = props.page.steps.find(({ position }) => position === choices.value.step)?.tunes ?? [];
  const tuneId = tunes.find((tune) => tune.role === role)?.id ?? choices.value.tuneId;
  Object.assign(choices.value, { size, copies: pupils, tuneId });
}
const papers = (['a4', 'letter'] as const).map((value) => ({ value, text: PAPERS[value].name }));
const SIDES = [
  { value: 'none', text: t('sheet-choices.even-margins') },
  { value: 'left', text: t('sheet-choices.wider-on-the-left') },
  { value: 'right', text: t('sheet-choices.wider-on-the-right') },
] as const;
const FIELDS = FIELD_NAMES.map((name) => `{${name}}`).join(' ');

/** Another step has another first tune. */
function takeStep(step: number): void {
  choices.value.step = step;
  choices.value.tuneId = props.page.steps.find(({ position }) => position === step)?.tuneId ?? '';
}
</script>

<template>
  <BForm class="card-paper stack-close" :aria-label="t('sheet-choices.what-to-print')" @submit.prevent>
    <FormField v-slot="{ id }" :label="t('sheet-choices.sheet')" :hint="kind.about">
      <BFormSelect :id="id" v-model="choices.kind" :options="kinds" />
    </FormField>
    <SelectField
      v-if="kind.group !== 'class' && choices.kind !== 'booklet'"
      :model-value="choices.step"
      :label="t('sheet-choices.step')"
      :options="steps"
      @update:model-value="takeStep"
    />
    <SelectField
      v-if="needsTune(choices.kind) && tunes.length > 1"
      v-model="choices.tuneId"
      :label="t('sheet-choices.tune')"
      :options="tunes"
    />
    <SelectField v-if="isForPupils" v-model="choices.pupilId" :label="t('sheet-choices.for')" :options="pupils" />
    <template v-if="choices.kind === 'tune-sheet' || kind.group === 'packets'">
      <SelectField v-model="choices.options.names" :label="t('sheet-choices.names-of-the-notes')" :options="NAMES" />
      <BFormGroup :label="t('sheet-choices.on-the-sheet')">
        <BFormCheckboxGroup v-model="shown" :options="[...SHOWN]" stacked />
      </BFormGroup>
    </template>
    <TextField v-if="hasCount" v-model="choices.count" :label="t('sheet-choices.how-many-optional')" />
    <SelectField
      v-if="choices.kind === 'family-letter'"
      v-model="choices.letter"
      :label="t('sheet-choices.about')"
      :options="letters"
    />
    <template v-if="hasWords">
      <FormField
        v-slot="{ id }"
        :label="t('sheet-choices.your-words')"
        :hint="t('sheet-choices.leave-empty-for-the-usual-wording', { fields: FIELDS })"
      >
        <BFormTextarea :id="id" v-model="choices.words" rows="6" maxlength="4000" />
      </FormField>
      <div>
        <BButton size="sm" :disabled="!mayKeep" @click="emit('keep')">{{
          t('sheet-choices.save-for-the-school')
        }}</BButton>
      </div>
    </template>
    <div class="d-flex flex-wrap gap-2">
      <SelectField v-model="choices.size" :label="t('sheet-choices.size')" :options="sizes" />
      <SelectField v-model="choices.paper" :label="t('sheet-choices.paper')" :options="papers" />
      <SelectField v-model="choices.holding" :label="t('sheet-choices.margins')" :options="SIDES" />
      <TextField
        v-if="!isPerPupil(choices.kind)"
        v-model="choices.copies"
        :label="t('sheet-choices.copies')"
        type="number"
        :min="1"
        :max="MOST_COPIES"
      />
    </div>
    <div
      v-if="!isPerPupil(choices.kind) && groups.length > 1"
      class="stack-close"
      role="group"
      :aria-label="t('sheet-choices.what-the-pupils-need')"
    >
      <p class="mb-0">{{ t('sheet-choices.name-needs', { name: page.name }) }}</p>
      <div class="d-flex flex-wrap gap-2">
        <BButton v-for="group in groups" :key="group.label" size="sm" @click="takeGroup(group)">
          {{ group.label }}: {{ group.pupils }}
        </BButton>
      </div>
    </div>
    <div v-if="kind.hasKey">
      <BButton @click="choices.seed += 1">{{ t('sheet-choices.other-tasks') }}</BButton>
      <span class="soft"
        >{{ ' ' }}{{ t('sheet-choices.sheet-number-seed-the-same-number', { seed: choices.seed }) }}</span
      >
    </div>
  </BForm>
</template>
