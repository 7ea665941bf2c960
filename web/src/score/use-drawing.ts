import { ref } from 'vue';

/**
 * A finger or mouse on the sheet: pressed on a note or a bar, or drawn over several bars.
 * @param isOn whether the sheet can be pointed at now.
 */
export function useDrawing(
  isOn: () => boolean,
  pick: (bar: string, note: string | null) => void,
  draw: (first: string, last: string) => void,
) {
  /** Ids of the first and the last bar that were drawn over so far. */
  const drawn = ref<readonly [string, string] | null>(null);
  /** The bar where the finger went down, until it is lifted. */
  let downAt: string | null = null;

  function barUnder({ target }: Event): string | null {
    return target instanceof Element ? (target.closest('.measure')?.id ?? null) : null;
  }

  function pointDown(event: PointerEvent): void {
    if (isOn() && event.button === 0) downAt = barUnder(event);
  }

  function pointOver(event: PointerEvent): void {
    const bar = downAt === null ? null : barUnder(event);
    if (downAt !== null && bar !== null && (drawn.value !== null || bar !== downAt)) drawn.value = [downAt, bar];
  }

  function pointUp(event: PointerEvent): void {
    if (downAt === null) return;
    const bar = barUnder(event);
    if (drawn.value !== null) draw(...drawn.value);
    else if (bar !== null && event.target instanceof Element) pick(bar, event.target.closest('.note')?.id ?? null);
    pointCancel();
  }

  function pointCancel(): void {
    downAt = null;
    drawn.value = null;
  }

  return { drawn, pointDown, pointOver, pointUp, pointCancel };
}
