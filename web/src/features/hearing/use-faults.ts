import type { Fault } from '@escalier/core/records';
import { shallowRef, watch, type Ref } from 'vue';

/** Where something went wrong, while it is being noted. */
export interface MarkedPlace {
  /** As printed. */
  readonly bar: number;
  readonly barIndex: number;
  readonly eventIndex?: number | undefined;
}

/**
 * Places and remarks in either order: a place waits for the remark that is ticked next, and a remark that was ticked
 * just now takes the place that is pressed next. A remark that goes takes its places with it.
 * @param remarks ids of those that are ticked.
 */
export function useFaults(remarks: Ref<readonly string[]>) {
  const faults = shallowRef<readonly Fault[]>([]);
  /** The place that waits for its remark. */
  const openPlace = shallowRef<Fault | null>(null);
  /** The remark that waits for its place. */
  const openRemark = shallowRef<string | null>(null);

  watch(remarks, (now, before) => {
    const added = now.find((id) => !before.includes(id));
    const gone = before.filter((id) => !now.includes(id));
    faults.value = faults.value.filter(({ remark }) => remark === undefined || !gone.includes(remark));
    if (openRemark.value !== null && gone.includes(openRemark.value)) openRemark.value = null;
    if (added === undefined) return;
    const place = openPlace.value;
    openPlace.value = null;
    if (place === null) openRemark.value = added;
    else faults.value = faults.value.map((fault) => (fault === place ? { ...fault, remark: added } : fault));
  });

  function mark(place: MarkedPlace): void {
    const remark = openRemark.value;
    openRemark.value = null;
    const { eventIndex, ...bar } = place;
    const fault: Fault = {
      ...bar,
      ...(eventIndex === undefined ? {} : { eventIndex }),
      ...(remark === null ? {} : { remark }),
    };
    faults.value = [...faults.value, fault];
    openPlace.value = remark === null ? faults.value.at(-1)! : null;
  }

  function drop(fault: Fault): void {
    faults.value = faults.value.filter((each) => each !== fault);
    if (openPlace.value === fault) openPlace.value = null;
  }

  function clear(): void {
    faults.value = [];
    openPlace.value = null;
    openRemark.value = null;
  }

  return { faults, openRemark, mark, drop, clear };
}
