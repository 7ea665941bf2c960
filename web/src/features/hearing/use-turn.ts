import type { StepDto } from '@escalier/contract/class-pages';
import { hearingGroups } from '@escalier/core/records';
import { computed, ref, type Ref } from 'vue';
import { queueWords, type ClassView, type PupilView } from '../classes/index.ts';

/**
 * Whose turn it is: one pupil, or a row of those next in the queue who play the same step.
 * @param playing the row that is being judged, when there is one.
 */
export function useTurn(
  page: Ref<ClassView | null>,
  wanted: Ref<string | undefined>,
  size: Ref<number>,
  playing: () => readonly PupilView[] | null,
) {
  /** Put aside on this device for now: skipped. */
  const skipped = ref<ReadonlySet<string>>(new Set());

  const pupilOf = (id: string): PupilView | null => page.value?.pupils.find((pupil) => pupil.id === id) ?? null;
  const stepOf = (pupil: PupilView | null): StepDto | null =>
    page.value?.steps[pupil?.standing?.stepIndex ?? -1] ?? null;

  const places = computed(() => page.value?.queue ?? []);
  /** Who waits, those who were skipped at the end. */
  const queue = computed(() => {
    const order = places.value.map((place) => place.pupilId);
    return [...order.filter((id) => !skipped.value.has(id)), ...order.filter((id) => skipped.value.has(id))].flatMap(
      (id) => pupilOf(id) ?? [],
    );
  });
  const pupil = computed(() => {
    const id = wanted.value === undefined || wanted.value === '' ? queue.value[0]?.id : wanted.value;
    const found = id === undefined ? null : pupilOf(id);
    return found?.standing === null ? null : found;
  });
  const step = computed(() => stepOf(pupil.value));
  /** The pupil and those who play along. */
  const group = computed((): readonly PupilView[] => {
    if (pupil.value === null) return [];
    const others = queue.value.filter((each) => each.id !== pupil.value?.id);
    const indexOf = (id: string): number => pupilOf(id)?.standing?.stepIndex ?? -1;
    const ids = [pupil.value, ...others].map((each) => each.id);
    return (hearingGroups(ids, indexOf, size.value)[0] ?? []).flatMap((id) => pupilOf(id) ?? []);
  });
  /** Who comes when this turn is done or skipped. */
  const next = computed(() => {
    const now = new Set((playing() ?? group.value).map((each) => each.id));
    return queue.value.find((each) => !now.has(each.id)) ?? null;
  });

  /** Why somebody is where they are in the queue; empty when they are not in it. */
  function why(id: string): string {
    const place = places.value.find((place) => place.pupilId === id);
    return place === undefined ? '' : queueWords(place);
  }

  function skip(pupils: readonly PupilView[]): void {
    skipped.value = new Set([...skipped.value, ...pupils.map((pupil) => pupil.id)]);
  }

  return { queue, pupil, step, group, next, why, skip };
}
