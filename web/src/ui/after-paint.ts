import { onMounted, onScopeDispose, ref, type Ref } from 'vue';

/** Calls back when the browser has drawn what is there now, so that taps are answered in between; stop() ends it. */
export function afterPaint(callback: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const frame = requestAnimationFrame(() => (timer = setTimeout(callback)));
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}

/**
 * How many of a long list to draw: `step` more after each time the browser has drawn, up to `total`. A list of many
 * components drawn at once keeps a small device from answering.
 */
export function useGrowing(step: number, total: number): Ref<number> {
  const count = ref(Math.min(step, total));
  let stop = (): void => undefined;
  const grow = (): void => {
    count.value = Math.min(count.value + step, total);
    if (count.value < total) stop = afterPaint(grow);
  };
  onMounted(() => (stop = afterPaint(grow)));
  onScopeDispose(() => stop());
  return count;
}
