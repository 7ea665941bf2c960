import { useIdle } from '@vueuse/core';
import { ref, watch } from 'vue';
import { useSeenTimer } from '../ui/use-seen-timer.ts';

const MINUTE = 60_000;
/** As long as the practice of a day. */
const ENOUGH = 10 * MINUTE;
/** Hands off the screen for so long are a rest of their own: no loop of a few bars lasts as long. */
const REST = 4 * MINUTE;
const LOOK = 15_000;

/** Proposes a rest after ten minutes of practice, once for each ten. Call it in `setup`. */
export function useBreak() {
  const isDue = ref(false);
  let since = Date.now();
  const { idle } = useIdle(REST);

  function rested(): void {
    since = Date.now();
    isDue.value = false;
  }

  watch(idle, (isIdle) => !isIdle && rested());
  useSeenTimer(() => {
    if (!idle.value && Date.now() - since >= ENOUGH) isDue.value = true;
  }, LOOK);
  return { isDue, rested };
}
