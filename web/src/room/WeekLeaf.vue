<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import { computed } from 'vue';
import { weekday } from '../ui/dates.ts';
import { today, useRoom } from './use-room.ts';
import { t } from './messages.ts';

/** The last seven days, on this device alone: to be shown at home, or to nobody. */
const { days } = useRoom();
const DAY_MS = 86_400_000;
const week = computed(() => {
  const now = Date.parse(today());
  return [6, 5, 4, 3, 2, 1, 0].map((back) => {
    const day = new Date(now - back * DAY_MS).toISOString().slice(0, 10) as LocalDate;
    return { day, name: weekday(day), done: days.value.includes(day) };
  });
});
</script>

<template>
  <h2 class="mb-0">{{ t('week-leaf.this-week') }}</h2>
  <ul class="week">
    <li v-for="{ day, name, done } in week" :key="day" :class="{ done }">
      {{ name }}<span aria-hidden="true">{{ done ? '✓' : '·' }}</span
      ><span class="visually-hidden">{{ done ? t('week-leaf.practised') : t('week-leaf.not-practised') }}</span>
    </li>
  </ul>
  <p class="small">{{ t('week-leaf.these-days-are-stored-on-this') }}</p>
</template>

<style scoped lang="scss">
.week {
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
  text-align: center;
}

li {
  display: grid;
  padding: 6px 0;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
}

.done {
  background: var(--spruce);
  color: var(--white);
}
</style>
