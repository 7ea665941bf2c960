<script setup lang="ts">
import { t } from './messages.ts';
/** Four beats to see from the back of the room, and whose turn it is. */
defineProps<{
  /** 1 to 4; null when nothing sounds. */
  beat: number | null;
  whose: 'count' | 'teacher' | 'class' | 'read' | null;
}>();

const WORDS = {
  count: t('beat-clock.ready'),
  teacher: t('beat-clock.my-turn'),
  class: t('beat-clock.your-turn'),
  read: t('beat-clock.you-read'),
} as const;
</script>

<template>
  <div class="clock" :class="whose ?? 'quiet'">
    <p class="whose">{{ whose === null ? t('beat-clock.four-beats') : WORDS[whose] }}</p>
    <ol aria-hidden="true">
      <li v-for="each in 4" :key="each" :class="{ on: each === beat }">{{ each }}</li>
    </ol>
  </div>
</template>

<style scoped lang="scss">
.clock {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
  padding: 12px 20px;
  border: 4px solid var(--ink);
  border-radius: var(--radius-large);
  background: var(--card);
}

.whose {
  min-width: 5.2em;
  font-family: var(--heading);
  font-size: var(--headline);
  font-weight: 700;
  line-height: 1;
}

.clock.class,
.clock.read {
  border-color: var(--spruce);
  background: var(--spruce);
  color: var(--white);
}

.clock.teacher {
  border-style: double;
  border-width: 8px;
  padding: 8px 16px;
}

ol {
  display: flex;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  place-items: center;
  width: 1.9em;
  height: 1.9em;
  border: 4px solid currentcolor;
  border-radius: var(--round);
  font-family: var(--heading);
  font-size: var(--headline);
  font-weight: 700;
}

li.on {
  background: var(--brass-soft);
  color: var(--ink);
  border-color: var(--brass);
  outline: 5px solid var(--brass);
}
</style>
