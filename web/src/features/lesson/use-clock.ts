import { lessonClock, type LessonRun } from '@escalier/core/lesson';
import { computed, type Ref } from 'vue';
import { useSeenNow } from '../../ui/use-seen-timer.ts';

/** The clock of a lesson, second by second. */
export function useClock(run: Ref<LessonRun | null>) {
  const now = useSeenNow(500);
  return computed(() => (run.value === null ? null : lessonClock(run.value, now.value)));
}
