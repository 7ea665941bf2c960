<script setup lang="ts">
import { chordAt, ENTRY_KEYS, lastTyped } from '@escalier/core/formats';
import { keyName, metreText, type Key, type Metre, type ValueName } from '@escalier/core/music';
import { computed, ref, useTemplateRef } from 'vue';
import { useListen } from '../../sound/index.ts';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import type { useEntry } from './use-entry.ts';
import { t } from './messages.ts';

/** A tune typed by keys, or with its buttons: letters are notes, digits their lengths, a full bar closes by itself. */
const props = defineProps<{ pad: ReturnType<typeof useEntry>; abc: string }>();
const entry = computed(() => props.pad.entry.value);
const host = useTemplateRef<HTMLElement>('host');

const KEYS: readonly Key[] = [0, 1, 2, 3, -1, -2, -3].flatMap((fifths) => [
  { fifths, mode: 'major' as const },
  { fifths, mode: 'minor' as const },
]);
const METRES: readonly Metre[] = [
  { count: 4, unit: 4 },
  { count: 3, unit: 4 },
  { count: 2, unit: 4 },
  { count: 6, unit: 8 },
  { count: 2, unit: 2 },
  { count: 9, unit: 8 },
];
const keyOptions = KEYS.map((key) => ({ value: keyName(key), text: keyName(key) }));
const metreOptions = METRES.map((metre) => ({ value: metreText(metre), text: metreText(metre) }));
const VALUES: readonly { readonly key: string; readonly base: ValueName; readonly text: string }[] = [
  { key: '1', base: 'whole', text: t('entry-pad.1-whole') },
  { key: '2', base: 'half', text: t('entry-pad.2-half') },
  { key: '4', base: 'quarter', text: t('entry-pad.4-quarter') },
  { key: '8', base: 'eighth', text: t('entry-pad.8-eighth') },
  { key: '6', base: 'sixteenth', text: t('entry-pad.6-sixteenth') },
];
const valueOptions = VALUES.map(({ key, text }) => ({ value: key, text }));
const value = computed({
  get: () => VALUES.find(({ base }) => base === entry.value.value.base)?.key ?? '4',
  set: (key) => void pressed(key),
});
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const SIGNS: readonly { readonly key: string; readonly text: string; readonly label: string }[] = [
  { key: 'r', text: t('entry-pad.rest'), label: t('entry-pad.rest') },
  { key: '.', text: t('entry-pad.dot'), label: t('entry-pad.dot-at-the-last-note') },
  { key: '3', text: t('entry-pad.triplet'), label: t('entry-pad.the-last-three-as-a-triplet') },
  { key: 't', text: t('entry-pad.tie'), label: t('entry-pad.tie-from-the-last-note') },
  { key: '#', text: '♯', label: t('entry-pad.sharp') },
  { key: '-', text: '♭', label: t('entry-pad.flat') },
  { key: '=', text: '♮', label: t('entry-pad.natural') },
  { key: 'ArrowUp', text: '↑', label: t('entry-pad.the-last-note-a-step-higher') },
  { key: 'ArrowDown', text: '↓', label: t('entry-pad.the-last-note-a-step-lower') },
  { key: '[', text: '|:', label: t('entry-pad.a-repeat-begins-with-this-bar') },
  { key: ']', text: ':|', label: t('entry-pad.the-repeat-ends-with-the-last') },
  { key: 'Enter', text: t('entry-pad.line'), label: t('entry-pad.the-line-of-the-sheet-ends') },
  { key: 'ArrowLeft', text: '←', label: t('entry-pad.go-back') },
  { key: 'ArrowRight', text: '→', label: t('entry-pad.next') },
  { key: 'Backspace', text: 'Delete', label: t('entry-pad.take-the-last-note-away') },
];

const marks = computed((): readonly ScoreMark[] => {
  const id = props.pad.lastId.value;
  return id === null ? [] : [{ kind: 'now', id }];
});
const last = computed(() => lastTyped(entry.value));
const listening = useListen(ref('soprano-recorder-baroque'), ref('recorder' as const));
const play = (): void => void listening.listen('typed', props.abc);

function pressed(key: string, shift = false): void {
  props.pad.press(key, shift);
  host.value?.focus({ preventScroll: true });
}

function onKey(event: KeyboardEvent): void {
  const { history } = props.pad;
  const isUndo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
  if (isUndo) {
    event.preventDefault();
    if (event.shiftKey) history.redo();
    else history.undo();
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey || event.target !== host.value) return;
  if (event.key === ' ') {
    event.preventDefault();
    play();
    return;
  }
  if (event.key === 'Tab') return;
  if (props.pad.press(event.key, event.shiftKey)) event.preventDefault();
}
</script>

<template>
  <div class="stack">
    <div class="frame">
      <TextField
        :model-value="entry.title"
        :label="t('entry-pad.title')"
        @update:model-value="pad.set({ ...entry, title: String($event) })"
      />
      <SelectField
        :label="t('entry-pad.key')"
        :model-value="keyName(entry.key)"
        :options="keyOptions"
        @update:model-value="pad.set({ ...entry, key: KEYS.find((key) => keyName(key) === $event) ?? entry.key })"
      />
      <SelectField
        :label="t('entry-pad.time')"
        :model-value="metreText(entry.metre)"
        :options="metreOptions"
        @update:model-value="
          pad.set({ ...entry, metre: METRES.find((metre) => metreText(metre) === $event) ?? entry.metre })
        "
      />
      <TextField
        :model-value="entry.perMinute"
        :label="t('entry-pad.beats-a-minute')"
        type="number"
        :min="20"
        :max="240"
        @update:model-value="pad.set({ ...entry, perMinute: Math.max(20, Math.min(240, Number($event) || 84)) })"
      />
      <SelectField
        :label="t('entry-pad.pickup')"
        :model-value="entry.pickup"
        :options="[
          { value: 0, text: 'none' },
          { value: 0.5, text: t('entry-pad.half-a-beat') },
          { value: 1, text: t('entry-pad.1-beat') },
          { value: 2, text: t('entry-pad.2-beats') },
          { value: 3, text: t('entry-pad.3-beats') },
        ]"
        @update:model-value="pad.set({ ...entry, pickup: Number($event) })"
      />
    </div>
    <div class="d-flex flex-wrap gap-2" role="group" :aria-label="t('entry-pad.notes-and-signs')">
      <BFormRadioGroup
        v-model="value"
        buttons
        :options="valueOptions"
        :aria-label="t('entry-pad.length-of-the-next-note')"
      />
      <BButton v-for="letter in LETTERS" :key="letter" class="" @click="pressed(letter)">{{ letter }}</BButton>
      <BButton v-for="sign in SIGNS" :key="sign.key" :aria-label="sign.label" @click="pressed(sign.key)">{{
        sign.text
      }}</BButton>
      <BButton :disabled="!pad.history.canUndo.value" @click="pad.history.undo()">{{ t('entry-pad.undo') }}</BButton>
      <BButton :disabled="abc === ''" @click="play">{{
        listening.listening.value === null ? t('entry-pad.play') : t('entry-pad.stop')
      }}</BButton>
    </div>
    <div
      ref="host"
      class="pad card-paper"
      role="application"
      tabindex="0"
      :aria-label="t('entry-pad.type-the-notes-letters-are-notes')"
      @keydown="onKey"
    >
      <ScoreSheet
        v-if="abc !== ''"
        :abc="abc"
        :title="entry.title"
        instrument-id="soprano-recorder-baroque"
        :rows="[
          { kind: 'letters', fill: 'full' },
          ...(entry.words === '' ? [] : [{ kind: 'words', fill: 'full' } as const]),
        ]"
        chords
        :marks="marks"
      />
      <p v-else class="soft p-5 text-center">{{ t('entry-pad.press-here-then-type-g-a') }}</p>
    </div>
    <BAlert v-if="pad.problem.value !== null" variant="warning" :model-value="true">{{ pad.problem.value }}</BAlert>
    <div class="d-flex flex-wrap gap-3">
      <TextField
        class="grow"
        :model-value="entry.words"
        :label="t('entry-pad.words')"
        :hint="t('entry-pad.one-syllable-per-note-gar-den')"
        @update:model-value="pad.set({ ...entry, words: String($event) })"
      />
      <TextField
        :model-value="last?.chord ?? ''"
        :label="t('entry-pad.chord-over-the-last-note')"
        @update:model-value="pad.set(chordAt(entry, String($event)))"
      />
    </div>
    <BAccordion>
      <BAccordionItem :title="t('entry-pad.all-the-keys')">
        <dl class="keys">
          <template v-for="each in ENTRY_KEYS" :key="each.keys">
            <dt>{{ each.keys }}</dt>
            <dd>{{ each.does }}</dd>
          </template>
          <dt>{{ t('entry-pad.ctrl-z') }}</dt>
          <dd>{{ t('entry-pad.take-it-back') }}</dd>
          <dt>{{ t('entry-pad.space') }}</dt>
          <dd>{{ t('entry-pad.play-what-is-there') }}</dd>
        </dl>
      </BAccordionItem>
    </BAccordion>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 14px;
}

.pad {
  min-height: 180px;
}

.pad > :deep(.sheet) {
  max-width: 860px;
  margin-inline: auto;
}

.pad:focus {
  outline: 3px solid var(--spruce);
}

.keys {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 16px;
}
</style>
