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

/** What is printed, for whom, how large. */
const props = defineProps<{ page: ClassView; mayKeep: boolean }>();
/** The words are to be kept for the whole school. */
const emit = defineEmits<{ keep: [] }>();
const choices = defineModel<HandoutChoices>({ required: true });

const GROUPS: Readonly<Record<HandoutGroup, string>> = {
  tune: 'Tunes',
  notes: 'Notes and fingerings',
  rhythm: 'Rhythm',
  patterns: 'Patterns in a tune',
  charts: 'Charts and cards',
  packets: 'Packets',
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
  { value: null, text: 'All pupils' },
  ...props.page.pupils.filter(({ standing }) => standing !== null).map(({ id, name }) => ({ value: id, text: name })),
]);
const hasCount = computed(() => ['notes', 'rhythm'].includes(kind.value.group));
const hasWords = computed(() => ['certificate', 'family-letter'].includes(choices.value.kind));
const isForPupils = computed(() => hasWords.value || ['belt-slips', 'labels'].includes(choices.value.kind));
const letters = LETTERS.map(({ id, name }) => ({ value: id, text: name }));
const NAMES = [
  { value: 'first', text: 'The first time each comes' },
  { value: 'full', text: 'Under every note' },
  { value: 'blank', text: 'Lines to write on' },
  { value: 'none', text: 'None' },
] as const;
const SHOWN = [
  { value: 'counting', text: 'Counting' },
  { value: 'fingerings', text: 'Fingerings' },
  { value: 'words', text: 'Words' },
  { value: 'breaths', text: 'Breaths' },
  { value: 'form', text: 'Form letters' },
  { value: 'shades', text: 'Same bars shaded' },
  { value: 'hardSpot', text: 'Hard spot' },
  { value: 'chords', text: 'Chord symbols' },
  { value: 'twoToPage', text: 'Two to a page' },
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
  { value: 'none', text: 'Even margins' },
  { value: 'left', text: 'Wider on the left' },
  { value: 'right', text: 'Wider on the right' },
] as const;
const FIELDS = FIELD_NAMES.map((name) => `{${name}}`).join(' ');

/** Another step has another first tune. */
function takeStep(step: number): void {
  choices.value.step = step;
  choices.value.tuneId = props.page.steps.find(({ position }) => position === step)?.tuneId ?? '';
}
</script>

<template>
  <BForm class="card-paper stack-close" aria-label="What to print" @submit.prevent>
    <FormField v-slot="{ id }" label="Sheet" :hint="kind.about">
      <BFormSelect :id="id" v-model="choices.kind" :options="kinds" />
    </FormField>
    <SelectField
      v-if="kind.group !== 'class' && choices.kind !== 'booklet'"
      :model-value="choices.step"
      label="Step"
      :options="steps"
      @update:model-value="takeStep"
    />
    <SelectField
      v-if="needsTune(choices.kind) && tunes.length > 1"
      v-model="choices.tuneId"
      label="Tune"
      :options="tunes"
    />
    <SelectField v-if="isForPupils" v-model="choices.pupilId" label="For" :options="pupils" />
    <template v-if="choices.kind === 'tune-sheet' || kind.group === 'packets'">
      <SelectField v-model="choices.options.names" label="Names of the notes" :options="NAMES" />
      <BFormGroup label="On the sheet">
        <BFormCheckboxGroup v-model="shown" :options="[...SHOWN]" stacked />
      </BFormGroup>
    </template>
    <TextField v-if="hasCount" v-model="choices.count" label="How many (optional)" />
    <SelectField v-if="choices.kind === 'family-letter'" v-model="choices.letter" label="About" :options="letters" />
    <template v-if="hasWords">
      <FormField v-slot="{ id }" label="Your words" :hint="`Leave empty for the usual ones. Fields: ${FIELDS}`">
        <BFormTextarea :id="id" v-model="choices.words" rows="6" maxlength="4000" />
      </FormField>
      <div><BButton size="sm" :disabled="!mayKeep" @click="emit('keep')">Keep for the school</BButton></div>
    </template>
    <div class="d-flex flex-wrap gap-2">
      <SelectField v-model="choices.size" label="Size" :options="sizes" />
      <SelectField v-model="choices.paper" label="Paper" :options="papers" />
      <SelectField v-model="choices.holding" label="Margins" :options="SIDES" />
      <TextField
        v-if="!isPerPupil(choices.kind)"
        v-model="choices.copies"
        label="Copies"
        type="number"
        :min="1"
        :max="MOST_COPIES"
      />
    </div>
    <div
      v-if="!isPerPupil(choices.kind) && groups.length > 1"
      class="stack-close"
      role="group"
      aria-label="What the pupils need"
    >
      <p class="mb-0">{{ page.name }} needs:</p>
      <div class="d-flex flex-wrap gap-2">
        <BButton v-for="group in groups" :key="group.label" size="sm" @click="takeGroup(group)">
          {{ group.label }}: {{ group.pupils }}
        </BButton>
      </div>
    </div>
    <div v-if="kind.hasKey">
      <BButton @click="choices.seed += 1">Other tasks</BButton>
      <span class="soft"> Sheet number {{ choices.seed }}: the same number prints the same sheet.</span>
    </div>
  </BForm>
</template>
