<script setup lang="ts">
import type { Meeting } from '@escalier/core/calendar';
import IconRemove from '~icons/bi/x-lg';
import { PATTERNS, patternOf, WEEKDAYS, withPattern, type Pattern } from './words.ts';

/** When a class meets: a line for each meeting. */
const props = defineProps<{ fields: Readonly<Record<string, string>> }>();
const meetings = defineModel<readonly Meeting[]>({ required: true });

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

function faultsOf(index: number): readonly string[] {
  return Object.entries(props.fields).flatMap(([name, fault]) =>
    name.startsWith(`meetings.${index}.`) ? [fault] : [],
  );
}

const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
const numberOf = (event: Event): number => Number(valueOf(event));
</script>

<template>
  <fieldset>
    <legend>Meetings</legend>
    <div v-for="(meeting, index) in meetings" :key="index" class="meeting">
      <select
        class="form-select"
        :value="patternOf(meeting.on)"
        :aria-label="`Pattern of meeting ${index + 1}`"
        @change="change(index, { on: withPattern(meeting.on, valueOf($event) as Pattern) })"
      >
        <option v-for="each in PATTERNS" :key="each.value" :value="each.value">{{ each.label }}</option>
      </select>
      <input
        v-if="meeting.on.kind === 'cycle'"
        class="form-control narrow"
        type="number"
        min="1"
        max="20"
        :value="meeting.on.day"
        :aria-label="`Day of the cycle of meeting ${index + 1}`"
        @change="change(index, { on: { kind: 'cycle', day: numberOf($event) } })"
      />
      <select
        v-else
        class="form-select"
        :value="meeting.on.weekday"
        :aria-label="`Weekday of meeting ${index + 1}`"
        @change="change(index, { on: { ...meeting.on, weekday: numberOf($event) } })"
      >
        <option v-for="(day, at) in WEEKDAYS" :key="day" :value="at + 1">{{ day }}</option>
      </select>
      <input
        class="form-control narrow"
        type="time"
        :value="meeting.at"
        :aria-label="`Time of meeting ${index + 1}`"
        @change="change(index, { at: valueOf($event) })"
      />
      <span class="minutes">
        <input
          class="form-control narrow"
          type="number"
          min="5"
          max="240"
          :value="meeting.minutes"
          :aria-label="`Minutes of meeting ${index + 1}`"
          @change="change(index, { minutes: numberOf($event) })"
        />
        min
      </span>
      <select
        class="form-select"
        :value="meeting.mode"
        :aria-label="`Mode of meeting ${index + 1}`"
        @change="change(index, { mode: valueOf($event) as Meeting['mode'] })"
      >
        <option value="room">in the room</option>
        <option value="home">work set for home</option>
      </select>
      <button class="remove" type="button" :aria-label="`Take meeting ${index + 1} away`" @click="remove(index)">
        <IconRemove aria-hidden="true" />
      </button>
      <p v-for="fault in faultsOf(index)" :key="fault" class="fault" role="alert">{{ fault }}</p>
    </div>
    <p v-if="meetings.length === 0" class="soft">No meeting yet: without one there are no lessons to count.</p>
    <BButton size="sm" variant="outline-dark" @click="add">Add a meeting</BButton>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
  min-width: 0;
}

.meeting {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.form-select {
  width: auto;
}

.narrow {
  width: auto;
  max-width: 112px;
}

.minutes {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}

.minutes input {
  max-width: 78px;
}
</style>
