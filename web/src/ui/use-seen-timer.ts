import { useDocumentVisibility, useIntervalFn } from '@vueuse/core';
import { ref, watch, type Ref } from 'vue';

interface SeenTimer {
  readonly start: () => void;
  readonly stop: () => void;
}

/**
 * Calls `tick` every `milliseconds` while the tab is visible, and once when it comes back into view: a hidden tab
 * spends no battery. Call it in `setup`.
 * @param isOn whether it runs from the beginning.
 */
export function useSeenTimer(tick: () => void, milliseconds: number, isOn = true): SeenTimer {
  const visibility = useDocumentVisibility();
  const { pause, resume } = useIntervalFn(tick, milliseconds, { immediate: isOn && visibility.value === 'visible' });
  let wanted = isOn;
  watch(
    visibility,
    (now) => {
      if (now !== 'visible') return pause();
      if (!wanted) return;
      tick();
      resume();
    },
    { flush: 'sync' },
  );
  return {
    start: () => {
      wanted = true;
      if (visibility.value === 'visible') resume();
    },
    stop: () => {
      wanted = false;
      pause();
    },
  };
}

/** The time of the device, renewed every `milliseconds` while the tab is visible. Call it in `setup`. */
export function useSeenNow(milliseconds: number): Readonly<Ref<number>> {
  const now = ref(Date.now());
  useSeenTimer(() => (now.value = Date.now()), milliseconds);
  return now;
}
