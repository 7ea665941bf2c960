import { substituteLine, type SubstituteLine } from '@escalier/core/words';
import { computed, type Ref } from 'vue';
import { usePlan } from './use-plan.ts';

/** The next lesson of a class in plain words for somebody who does not play. */
export function useSubstituteLines(classId: Ref<string>) {
  const { page, lesson, plan, speech, lessons } = usePlan(classId);
  /** Null until it is planned; nothing once the term has no lesson left. */
  const lines = computed((): readonly SubstituteLine[] | null => {
    if (plan.value !== null) return plan.value.blocks.map((block) => substituteLine(block, speech.value));
    return page.value !== null && lesson.value === null ? [] : null;
  });
  return { page, lesson, lines, lessons };
}
