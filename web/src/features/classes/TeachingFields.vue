<script setup lang="ts">
import {
  CHUNK_BEATS,
  ECHO_SIGHT_CHOICES,
  FIRST_NOTES_CHOICES,
  MOST_ECHO_TURNS,
  PART_CHOICES,
  REPEAT_CHOICES,
  RIGHT_HAND_CHOICES,
  SYNCOPATION_CHOICES,
  TONGUE_CHOICES,
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
            label="Tonguing"
            :choices="TONGUE_CHOICES"
            :model-value="teaching.tongue"
            @update:model-value="set({ tongue: $event })"
          />
          <ChoiceField
            label="Right hand in the first lessons"
            :choices="RIGHT_HAND_CHOICES"
            :model-value="teaching.rightHand"
            @update:model-value="set({ rightHand: $event })"
          />
          <ChoiceField
            label="First notes"
            :choices="FIRST_NOTES_CHOICES"
            :model-value="teaching.firstNotes"
            @update:model-value="set({ firstNotes: $event })"
          />
          <ChoiceField
            label="Syncopation"
            :choices="SYNCOPATION_CHOICES"
            :model-value="teaching.syncopation"
            @update:model-value="set({ syncopation: $event })"
          />
          <TextField
            :model-value="teaching.restWord"
            label="Word for a rest"
            hint="Such as sh, rest or out; leave empty to use the counting’s own."
            :error="errorOf('restWord')"
            @update:model-value="set({ restWord: String($event) })"
          />
          <ChoiceField
            label="Repeats"
            :choices="REPEAT_CHOICES"
            :model-value="teaching.repeats"
            @update:model-value="set({ repeats: $event })"
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
          <ChoiceField
            label="Passing in parts"
            :choices="PART_CHOICES"
            :model-value="teaching.parts"
            @update:model-value="set({ parts: $event })"
          />
          <TextField
            :model-value="teaching.book"
            label="The class’s own book"
            hint="Pages are noted at each tune and note."
            :error="errorOf('book')"
            @update:model-value="set({ book: String($event) })"
          />
          <TextField
            :model-value="teaching.bring"
            label="What to bring"
            hint="Such as recorder, folder, pencil."
            :error="errorOf('bring')"
            @update:model-value="set({ bring: String($event) })"
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
