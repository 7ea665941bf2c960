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
import { t } from './messages.ts';

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
  { key: 'tongue', label: t('teaching-fields.tonguing'), choices: TONGUE_CHOICES },
  { key: 'rightHand', label: t('teaching-fields.right-hand-in-the-first-lessons'), choices: RIGHT_HAND_CHOICES },
  { key: 'firstNotes', label: t('teaching-fields.first-notes'), choices: FIRST_NOTES_CHOICES },
  { key: 'syncopation', label: t('teaching-fields.syncopation'), choices: SYNCOPATION_CHOICES },
  { key: 'repeats', label: t('teaching-fields.repeats'), choices: REPEAT_CHOICES },
  { key: 'parts', label: t('teaching-fields.passing-in-parts'), choices: PART_CHOICES },
  { key: 'goOn', label: t('teaching-fields.the-class-moves-on'), choices: GO_ON_CHOICES },
];
const TEXTS = [
  {
    key: 'restWord',
    label: t('teaching-fields.word-for-a-rest'),
    hint: t('teaching-fields.for-example-sh-rest-out-leave'),
  },
  {
    key: 'book',
    label: t('teaching-fields.the-classs-own-book'),
    hint: t('teaching-fields.add-page-numbers-on-each-tune'),
  },
  {
    key: 'bring',
    label: t('teaching-fields.what-to-bring'),
    hint: t('teaching-fields.for-example-recorder-folder-pencil'),
  },
] as const;

const TURNS = Array.from({ length: MOST_ECHO_TURNS }, (_, index) => ({
  value: index + 1,
  text: ['once', 'twice', t('teaching-fields.three-times')][index]!,
}));
const BEATS = CHUNK_BEATS.map((value) => ({ value, text: t('teaching-fields.value-beats', { beats: value }) }));
const errorOf = (name: string): string | undefined => props.fields[`style.teaching.${name}`];
</script>

<template>
  <BAccordion class="card-paper p-0" flush>
    <BAccordionItem :title="t('teaching-fields.more-teaching-settings')">
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
            :label="t('teaching-fields.echo-each-pattern')"
            :model-value="teaching.echo.turns"
            :options="TURNS"
            @update:model-value="set({ echo: { ...teaching.echo, turns: Number($event) } })"
          />
          <ChoiceField
            :label="t('teaching-fields.echo-on-the-screen')"
            :choices="ECHO_SIGHT_CHOICES"
            :model-value="teaching.echo.sight"
            @update:model-value="set({ echo: { ...teaching.echo, sight: $event } })"
          />
          <SelectField
            :label="t('teaching-fields.pieces-of-a-tune')"
            :hint="t('teaching-fields.as-much-as-the-class-can')"
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
        <BFormCheckbox :model-value="teaching.challenge" @update:model-value="set({ challenge: Boolean($event) })">{{
          t('teaching-fields.let-the-tempo-ladder-go-above')
        }}</BFormCheckbox>
        <BFormCheckbox :model-value="teaching.coloured" @update:model-value="set({ coloured: Boolean($event) })">{{
          t('teaching-fields.note-heads-in-the-schools-colours')
        }}</BFormCheckbox>
        <BFormGroup :label="t('teaching-fields.under-the-notes-top-to-bottom')">
          <p class="soft">{{ t('teaching-fields.leave-empty-to-use-the-note') }}</p>
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
