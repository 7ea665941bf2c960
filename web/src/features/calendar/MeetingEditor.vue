<script setup lang="ts">
import type { Meeting } from '@escalier/core/calendar';
import IconRemove from '~icons/bi/x-lg';
import { errorsAt } from '../../ui/use-save.ts';
import { PATTERNS, patternOf, WEEKDAY_OPTIONS, withPattern, type Pattern } from './words.ts';
import { t } from './messages.ts';

/** When a class meets: a line for each meeting. */
defineProps<{ fields: Readonly<Record<string, string>> }>();
const meetings = defineModel<readonly Meeting[]>({ required: true });

const MODES = [
  { value: 'room', text: t('meeting-editor.in-the-room') },
  { value: 'home', text: t('meeting-editor.homework') },
] as const;

function change(index: number, more: Partial<Meeting>): void {
  meetings.value = meetings.value.map((each, at) => (at === index ? { ...each, ...more } : each));
}

function add(): void {
  const last = meetings.value.at(-1);
  meetings.value = [
    ...meetings.value,
    { on: { kind: 'weekly', weekday: 1 }, at: '09:00', minutes: 40, mode: 'room', ...(last ?? {}) },
  ];
}

function remove(index: number): void {
  meetings.value = meetings.value.filter((_, at) => at !== index);
}
</script>

<template>
  <fieldset class="stack-close stack-start">
    <legend>{{ t('meeting-editor.lesson-times') }}</legend>
    <div v-for="(meeting, index) in meetings" :key="index" class="line meeting">
      <BFormSelect
        class="auto"
        :model-value="patternOf(meeting.on)"
        :options="PATTERNS"
        :aria-label="t('meeting-editor.pattern-of-lesson-time-index', { index: index + 1 })"
        @update:model-value="change(index, { on: withPattern(meeting.on, $event as Pattern) })"
      />
      <BFormInput
        v-if="meeting.on.kind === 'cycle'"
        class="auto short"
        type="number"
        min="1"
        max="20"
        :model-value="meeting.on.day"
        :aria-label="t('meeting-editor.day-of-the-cycle-of-lesson', { index: index + 1 })"
        @update:model-value="change(index, { on: { kind: 'cycle', day: Number($event) } })"
      />
      <BFormSelect
        v-else
        class="auto"
        :model-value="meeting.on.weekday"
        :options="WEEKDAY_OPTIONS"
        :aria-label="t('meeting-editor.weekday-of-lesson-time-index', { index: index + 1 })"
        @update:model-value="change(index, { on: { ...meeting.on, weekday: Number($event) } as Meeting['on'] })"
      />
      <BFormInput
        class="auto"
        type="time"
        :model-value="meeting.at"
        :aria-label="t('meeting-editor.start-of-lesson-time-index', { index: index + 1 })"
        @update:model-value="change(index, { at: String($event) })"
      />
      <span class="line">
        <BFormInput
          class="short"
          type="number"
          min="5"
          max="240"
          :model-value="meeting.minutes"
          :aria-label="t('meeting-editor.minutes-of-lesson-time-index', { index: index + 1 })"
          @update:model-value="change(index, { minutes: Number($event) })"
        />
        {{ t('meeting-editor.min') }}{{ ' ' }}
      </span>
      <BFormSelect
        class="auto"
        :model-value="meeting.mode"
        :options="MODES"
        :aria-label="t('meeting-editor.where-lesson-time-index-is', { index: index + 1 })"
        @update:model-value="change(index, { mode: $event as Meeting['mode'] })"
      />
      <BButton
        variant="link"
        :aria-label="t('meeting-editor.remove-lesson-time-index', { index: index + 1 })"
        @click="remove(index)"
      >
        <IconRemove aria-hidden="true" />
      </BButton>
      <BAlert
        v-for="problem in errorsAt(fields, `meetings.${index}`)"
        :key="problem"
        variant="danger"
        :model-value="true"
        >{{ problem }}</BAlert
      >
    </div>
    <p v-if="meetings.length === 0" class="soft">{{ t('meeting-editor.none-yet-add-one-so-that') }}</p>
    <BButton size="sm" @click="add">{{ t('meeting-editor.add-a-lesson-time') }}</BButton>
  </fieldset>
</template>
