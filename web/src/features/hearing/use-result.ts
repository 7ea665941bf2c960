import type { StepDto } from '@escalier/contract/class-pages';
import type { Extent, Outcome } from '@escalier/core/records';
import { ref, shallowRef, watch, type Ref } from 'vue';
import type { ListenedView } from '../../workers/listening.ts';
import type { HeardDraft } from './events.ts';
import { useFaults } from './use-faults.ts';

/**
 * What is noted about the playing that is heard now; it begins anew with each pupil.
 * @param isKept whether it stays although the pupil is another, as in a row that is judged one by one.
 */
export function useResult(
  pupilId: () => string | undefined,
  step: Ref<StepDto | null>,
  isKept: () => boolean = () => false,
) {
  const remarks = ref<string[]>([]);
  const { faults, openRemark, mark, drop, clear } = useFaults(remarks);
  const extent = shallowRef<Extent | null>(null);
  const tempo = ref<number | null>(null);
  /** What was heard by listening along. */
  const listened = shallowRef<ListenedView | null>(null);
  const tuneId = ref('');
  watch(pupilId, () => {
    if (isKept()) return;
    remarks.value = [];
    clear();
    extent.value = null;
    tempo.value = null;
    listened.value = null;
  });
  watch(
    () => step.value?.id,
    () => (tuneId.value = step.value?.tuneId ?? ''),
    { immediate: true },
  );

  /** Its remarks are ticked, where they are the school's; the teacher decides. */
  function heardAlong(view: ListenedView): void {
    listened.value = view;
    if (view.tempo !== null) tempo.value = view.tempo;
    remarks.value = [...new Set([...remarks.value, ...view.remarks])];
  }

  /**
   * The result of a pupil on a step, with all that was noted.
   * @param about remarks.
   * @param isRow several play together: places, extent and what was listened to belong to none of them.
   */
  function draft(
    pupil: string,
    { id, tuneId: first }: StepDto,
    outcome: Outcome,
    { about = remarks.value, isRow = false }: { about?: readonly string[]; isRow?: boolean } = {},
  ): HeardDraft {
    return {
      pupilId: pupil,
      stepId: id,
      outcome,
      remarks: [...about],
      ...(tuneId.value === first || tuneId.value === '' ? {} : { tuneId: tuneId.value }),
      ...(tempo.value === null ? {} : { tempo: tempo.value }),
      ...(isRow || faults.value.length === 0 ? {} : { faults: faults.value }),
      ...(isRow || extent.value === null ? {} : { extent: extent.value }),
      ...(isRow || listened.value === null
        ? {}
        : { listened: { outcome: listened.value.outcome, remarks: listened.value.remarks } }),
    };
  }

  return { remarks, faults, openRemark, mark, drop, extent, tempo, tuneId, heardAlong, draft };
}
