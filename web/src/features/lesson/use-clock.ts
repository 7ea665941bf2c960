import { lessonClock, type LessonRun } from '@escalier/core/lesson';
import { useNow } from '@vueuse/core';
import { computed, type Ref } from 'vue';

/** The clock of a lesson, second by second. */
export function useClock(run: Ref<LessonRun | null>) {
  const now = useNow({ interval: 500 });
  return computed(() => (run.value === null ? null : lessonClock(run.value, now.value.getTime())));
}
