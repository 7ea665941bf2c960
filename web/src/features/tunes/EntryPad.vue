<script setup lang="ts">
import { chordAt, ENTRY_KEYS, lastTyped } from '@escalier/core/formats';
import { keyName, metreText, type Key, type Metre, type ValueName } from '@escalier/core/music';
import { computed, ref, useTemplateRef } from 'vue';
import { useListen } from '../../sound/index.ts';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import type { useEntry } from './use-entry.ts';

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
  { key: '1', base: 'whole', text: '1 whole' },
  { key: '2', base: 'half', text: '2 half' },
  { key: '4', base: 'quarter', text: '4 quarter' },
  { key: '8', base: 'eighth', text: '8 eighth' },
  { key: '6', base: 'sixteenth', text: '6 sixteenth' },
];
const valueOptions = VALUES.map(({ key, text }) => ({ value: key, text }));
const value = computed({
  get: () => VALUES.find(({ base }) => base === entry.value.value.base)?.key ?? '4',
  set: (key) => void pressed(key),
});
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const SIGNS: readonly { readonly key: string; readonly text: string; readonly label: string }[] = [
  { key: 'r', text: 'Rest', label: 'Rest' },
  { key: '.', text: 'Dot', label: 'Dot at the last note' },
  { key: '3', text: 'Triplet', label: 'The last three as a triplet' },
  { key: 't', text: 'Tie', label: 'Tie from the last note' },
  { key: '#', text: '♯', label: 'Sharp' },
  { key: '-', text: '♭', label: 'Flat' },
  { key: '=', text: '♮', label: 'Natural' },
  { key: 'ArrowUp', text: '↑', label: 'The last note a step higher' },
  { key: 'ArrowDown', text: '↓', label: 'The last note a step lower' },
  { key: '[', text: '|:', label: 'A repeat begins with this bar' },
  { key: ']', text: ':|', label: 'The repeat ends with the last note' },
  { key: 'Enter', text: 'Line', label: 'The line of the sheet ends' },
  { key: 'ArrowLeft', text: '←', label: 'Go back' },
  { key: 'ArrowRight', text: '→', label: 'Go on' },
  { key: 'Backspace', text: 'Delete', label: 'Take the last note away' },
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
        label="Title"
        @update:model-value="pad.set({ ...entry, title: String($event) })"
      />
      <SelectField
        label="Key"
        :model-value="keyName(entry.key)"
        :options="keyOptions"
        @update:model-value="pad.set({ ...entry, key: KEYS.find((key) => keyName(key) === $event) ?? entry.key })"
      />
      <SelectField
        label="Time"
        :model-value="metreText(entry.metre)"
        :options="metreOptions"
        @update:model-value="
          pad.set({ ...entry, metre: METRES.find((metre) => metreText(metre) === $event) ?? entry.metre })
        "
      />
      <TextField
        :model-value="entry.perMinute"
        label="Beats a minute"
        type="number"
        :min="20"
        :max="240"
        @update:model-value="pad.set({ ...entry, perMinute: Math.max(20, Math.min(240, Number($event) || 84)) })"
      />
      <SelectField
        label="Pickup"
        :model-value="entry.pickup"
        :options="[
          { value: 0, text: 'none' },
          { value: 0.5, text: 'half a beat' },
          { value: 1, text: '1 beat' },
          { value: 2, text: '2 beats' },
          { value: 3, text: '3 beats' },
        ]"
        @update:model-value="pad.set({ ...entry, pickup: Number($event) })"
      />
    </div>
    <div class="d-flex flex-wrap gap-2" role="group" aria-label="Notes and signs">
      <BFormRadioGroup v-model="value" buttons :options="valueOptions" aria-label="Length of the next note" />
      <BButton v-for="letter in LETTERS" :key="letter" class="" @click="pressed(letter)">{{ letter }}</BButton>
      <BButton v-for="sign in SIGNS" :key="sign.key" :aria-label="sign.label" @click="pressed(sign.key)">{{
        sign.text
      }}</BButton>
      <BButton :disabled="!pad.history.canUndo.value" @click="pad.history.undo()">Undo</BButton>
      <BButton :disabled="abc === ''" @click="play">{{ listening.listening.value === null ? 'Play' : 'Stop' }}</BButton>
    </div>
    <div
      ref="host"
      class="pad card-paper"
      role="application"
      tabindex="0"
      aria-label="Type the notes: letters are notes, digits their lengths"
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
      <p v-else class="soft p-5 text-center">Press here, then type: G A B, and 2 before a longer note.</p>
    </div>
    <BAlert v-if="pad.problem.value !== null" variant="warning" :model-value="true">{{ pad.problem.value }}</BAlert>
    <div class="d-flex flex-wrap gap-3">
      <TextField
        class="grow"
        :model-value="entry.words"
        label="Words"
        hint="A syllable for each note: gar-den path; _ holds one on, * leaves a note without."
        @update:model-value="pad.set({ ...entry, words: String($event) })"
      />
      <TextField
        :model-value="last?.chord ?? ''"
        label="Chord over the last note"
        @update:model-value="pad.set(chordAt(entry, String($event)))"
      />
    </div>
    <BAccordion>
      <BAccordionItem title="All the keys">
        <dl class="keys">
          <template v-for="each in ENTRY_KEYS" :key="each.keys">
            <dt>{{ each.keys }}</dt>
            <dd>{{ each.does }}</dd>
          </template>
          <dt>Ctrl Z</dt>
          <dd>take it back</dd>
          <dt>Space</dt>
          <dd>play what is there</dd>
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
