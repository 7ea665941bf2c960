<script setup lang="ts">
import {
  CHUNK_BEATS,
  ECHO_SIGHT_CHOICES,
  FIRST_NOTES_CHOICES,
  GO_ON_CHOICES,
  MOST_ECHO_TURNS,
  PART_CHOICES,
  REPEAT_CHOICES,
  RIGHT_HAND_CHOICES,
  SYNCOPATION_CHOICES,
  TONGUE_CHOICES,
  type StyleChoice,
  type Teaching,
} from '@escalier/core/practice';
import ChoiceField from '../../ui/ChoiceField.vue';
import NoteRows from '../../ui/NoteRows.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';

/** Further ways in which teachers differ, folded away: the usual ones serve most classes. */
const props = defineProps<{
  fields: Readonly<Record<string, string>>;
  /** Where B is si the class says so. */
  withSi: boolean;
}>();
const teaching = defineModel<Teaching>({ required: true });

function set(more: Partial<Teaching>): void {
  teaching.value = { ...teaching.value, ...more };
}

/** One field each, alike. */
const CHOICES: readonly {
  readonly key: 'tongue' | 'rightHand' | 'firstNotes' | 'syncopation' | 'repeats' | 'parts' | 'goOn';
  readonly label: string;
  readonly choices: readonly StyleChoice<string>[];
}[] = [
  { key: 'tongue', label: 'Tonguing', choices: TONGUE_CHOICES },
  { key: 'rightHand', label: 'Right hand in the first lessons', choices: RIGHT_HAND_CHOICES },
  { key: 'firstNotes', label: 'First notes', choices: FIRST_NOTES_CHOICES },
  { key: 'syncopation', label: 'Syncopation', choices: SYNCOPATION_CHOICES },
  { key: 'repeats', label: 'Repeats', choices: REPEAT_CHOICES },
  { key: 'parts', label: 'Passing in parts', choices: PART_CHOICES },
  { key: 'goOn', label: 'The class goes on', choices: GO_ON_CHOICES },
];
const TEXTS = [
  {
    key: 'restWord',
    label: 'Word for a rest',
    hint: 'Such as sh, rest or out; leave empty to use the counting’s own.',
  },
  { key: 'book', label: 'The class’s own book', hint: 'Pages are noted at each tune and note.' },
  { key: 'bring', label: 'What to bring', hint: 'Such as recorder, folder, pencil.' },
] as const;

const TURNS = Array.from({ length: MOST_ECHO_TURNS }, (_, index) => ({
  value: index + 1,
  text: ['once', 'twice', 'three times'][index]!,
}));
const BEATS = CHUNK_BEATS.map((value) => ({ value, text: `${value} beats` }));
const errorOf = (name: string): string | undefined => props.fields[`style.teaching.${name}`];
</script>

<template>
  <BAccordion class="card-paper p-0" flush>
    <BAccordionItem title="More about how this class is taught">
      <div class="stack">
        <div class="field-grid">
          <ChoiceField
            v-for="{ key, label, choices } in CHOICES"
            :key="key"
            :label="label"
            :choices="choices"
            :model-value="teaching[key]"
            @update:model-value="set({ [key]: $event })"
          />
          <SelectField
            label="Echo, each pattern"
            :model-value="teaching.echo.turns"
            :options="TURNS"
            @update:model-value="set({ echo: { ...teaching.echo, turns: Number($event) } })"
          />
          <ChoiceField
            label="Echo, on the screen"
            :choices="ECHO_SIGHT_CHOICES"
            :model-value="teaching.echo.sight"
            @update:model-value="set({ echo: { ...teaching.echo, sight: $event } })"
          />
          <SelectField
            label="Pieces of a tune"
            hint="As much as the class keeps in mind from one hearing."
            :model-value="teaching.chunkBeats"
            :options="BEATS"
            @update:model-value="set({ chunkBeats: Number($event) })"
          />
          <TextField
            v-for="{ key, label, hint } in TEXTS"
            :key="key"
            :model-value="teaching[key]"
            :label="label"
            :hint="hint"
            :error="errorOf(key)"
            @update:model-value="set({ [key]: String($event) })"
          />
        </div>
        <BFormCheckbox :model-value="teaching.challenge" @update:model-value="set({ challenge: Boolean($event) })"
          >The tempo ladder may go on above a tune’s own tempo, as a challenge.</BFormCheckbox
        >
        <BFormCheckbox :model-value="teaching.coloured" @update:model-value="set({ coloured: Boolean($event) })"
          >Note heads in the school’s colours, beside their letters.</BFormCheckbox
        >
        <BFormGroup label="Under the notes, from the top">
          <p class="soft">Leave all of it empty for the note names and the counting above.</p>
          <NoteRows
            :model-value="teaching.rows"
            has-words
            :with-si="withSi"
            @update:model-value="set({ rows: $event })"
          />
        </BFormGroup>
      </div>
    </BAccordionItem>
    <slot />
  </BAccordion>
</template>
