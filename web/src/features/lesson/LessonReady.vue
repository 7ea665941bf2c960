<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import { longDate } from '../../ui/dates.ts';
import { t } from './messages.ts';

/** Before a lesson: it is started, or tried out; one of another day is not begun by mistake. */
defineProps<{
  classId: string;
  date: LocalDate | null;
  /** Its day has not come. */
  isEarly: boolean;
  isRehearsal: boolean;
  canStart: boolean;
}>();
const emit = defineEmits<{ start: [] }>();
</script>

<template>
  <h2 class="title">{{ t('lesson-ready.ready-to-start') }}</h2>
  <template v-if="isEarly && date !== null">
    <p>{{ t('lesson-ready.the-next-lesson-is-on', { date: longDate(date) }) }}</p>
    <div class="line">
      <BButton
        role="link"
        variant="primary"
        size="lg"
        :to="{ name: 'lesson', params: { classId }, query: { date, rehearse: '1' } }"
        >{{ t('lesson-ready.rehearse-it') }}</BButton
      >
      <BButton size="lg" :disabled="!canStart" @click="emit('start')">{{ t('lesson-ready.teach-it-now') }}</BButton>
    </div>
  </template>
  <template v-else>
    <p>{{ t('lesson-ready.one-key-takes-you-to-the') }}</p>
    <BButton variant="primary" size="lg" :disabled="!canStart" @click="emit('start')"
      >{{ isRehearsal ? t('lesson-ready.start-the-rehearsal') : t('lesson-ready.start-the-lesson') }}
      <span class="key" aria-hidden="true">→</span></BButton
    >
  </template>
</template>

<style scoped lang="scss">
.title {
  font-size: var(--headline);
}
</style>
