<script setup lang="ts">
import { KINDS, PRINT_SIZES, type HandoutGroup } from '@escalier/core/handouts';
import { PAPERS } from '@escalier/paper/sizes';
import { computed } from 'vue';
import type { ClassView } from '../classes/index.ts';
import FormField from '../../ui/FormField.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { isPerPupil, kindOf, needsOf, printGroups, SIZE_WORDS, type HandoutChoices, type PrintGroup } from './order.ts';

/** What is printed, for whom, how large. */
const props = defineProps<{ page: ClassView; busy: boolean }>();
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
  set: (wanted) =>
    change({
      options: {
        ...choices.value.options,
        ...Object.fromEntries(SHOWN.map(({ value }) => [value, wanted.includes(value)])),
      },
    }),
});
const sizes = PRINT_SIZES.map((value) => ({ value, text: SIZE_WORDS[value] }));
const groups = computed(() => printGroups(props.page, choices.value.step));
/** The sheet that some of the pupils need, once for each. */
function takeGroup({ size, easier, pupils }: PrintGroup): void {
  const role = easier ? 'easier' : 'main';
  const tunes = props.page.steps.find(({ position }) => position === choices.value.step)?.tunes ?? [];
  change({ size, copies: pupils, tuneId: tunes.find((tune) => tune.role === role)?.id ?? choices.value.tuneId });
}
const papers = (['a4', 'letter'] as const).map((value) => ({ value, text: PAPERS[value].name }));
const SIDES = [
  { value: 'none', text: 'Even margins' },
  { value: 'left', text: 'Wider on the left' },
  { value: 'right', text: 'Wider on the right' },
] as const;
const FIELDS = '{pupil} {class} {school} {teacher} {tune} {notes} {steps} {belt}';

function change(changed: Partial<HandoutChoices>): void {
  choices.value = { ...choices.value, ...changed };
}
/** Another step has another first tune. */
function takeStep(step: number): void {
  change({ step, tuneId: props.page.steps.find(({ position }) => position === step)?.tuneId ?? '' });
}
</script>

<template>
  <BForm class="card-paper stack-close" aria-label="What to print" @submit.prevent>
    <FormField v-slot="{ id }" label="Sheet" :hint="kind.about">
      <BFormSelect
        :id="id"
        :model-value="choices.kind"
        :options="kinds"
        @update:model-value="change({ kind: $event as never })"
      />
    </FormField>
    <SelectField
      v-if="kind.group !== 'class' && choices.kind !== 'booklet'"
      :model-value="choices.step"
      label="Step"
      :options="steps"
      @update:model-value="takeStep"
    />
    <SelectField
      v-if="needsOf(choices.kind).includes('tune') && tunes.length > 1"
      :model-value="choices.tuneId"
      label="Tune"
      :options="tunes"
      @update:model-value="change({ tuneId: $event })"
    />
    <SelectField
      v-if="isPerPupil(choices.kind) && choices.kind !== 'wall-poster'"
      :model-value="choices.pupilId"
      label="For"
      :options="pupils"
      @update:model-value="change({ pupilId: $event })"
    />
    <template v-if="choices.kind === 'tune-sheet' || kind.group === 'packets'">
      <SelectField
        :model-value="choices.options.names"
        label="Names of the notes"
        :options="NAMES"
        @update:model-value="change({ options: { ...choices.options, names: $event } })"
      />
      <BFormGroup label="On the sheet">
        <BFormCheckboxGroup v-model="shown" :options="[...SHOWN]" stacked />
      </BFormGroup>
    </template>
    <TextField
      v-if="hasCount"
      :model-value="choices.count"
      label="How many (optional)"
      @update:model-value="change({ count: String($event ?? '').trim() })"
    />
    <FormField v-if="hasWords" v-slot="{ id }" label="Your words" :hint="`Empty for the usual ones. Fields: ${FIELDS}`">
      <BFormTextarea
        :id="id"
        :model-value="choices.words"
        rows="6"
        maxlength="4000"
        @update:model-value="change({ words: String($event) })"
      />
    </FormField>
    <div v-if="hasWords"><BButton size="sm" :disabled="busy" @click="emit('keep')">Keep for the school</BButton></div>
    <div class="d-flex flex-wrap gap-2">
      <SelectField
        :model-value="choices.size"
        label="Size"
        :options="sizes"
        @update:model-value="change({ size: $event })"
      />
      <SelectField
        :model-value="choices.paper"
        label="Paper"
        :options="papers"
        @update:model-value="change({ paper: $event })"
      />
      <SelectField
        :model-value="choices.holding"
        label="Margins"
        :options="SIDES"
        @update:model-value="change({ holding: $event })"
      />
      <TextField
        v-if="!isPerPupil(choices.kind)"
        :model-value="choices.copies"
        label="Copies"
        type="number"
        :min="1"
        :max="200"
        @update:model-value="change({ copies: Number($event) })"
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
      <BButton @click="change({ seed: choices.seed + 1 })">Other tasks</BButton>
      <span class="soft"> Sheet number {{ choices.seed }}: the same number prints the same sheet.</span>
    </div>
  </BForm>
</template>
