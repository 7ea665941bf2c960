import { useResizeObserver } from '@vueuse/core';
import { shallowRef, type Ref, type ShallowRef } from 'vue';

/** Pixels. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

/**
 * The size of an element, told whenever the browser has laid it out. Until then it is `first`: asking an element for
 * its size makes the browser lay out at once, which a first screen on a small device has no time for.
 */
export function useSize(element: Ref<HTMLElement | null> | ShallowRef<HTMLElement | null>, first: Size): Ref<Size> {
  const size = shallowRef(first);
  useResizeObserver(element, ([entry]) => {
    if (entry !== undefined) size.value = { width: entry.contentRect.width, height: entry.contentRect.height };
  });
  return size;
}
