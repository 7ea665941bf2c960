import { usePreferredReducedMotion } from '@vueuse/core';
import { useSortable } from '@vueuse/integrations/useSortable';
import { nextTick, type ShallowRef } from 'vue';

/**
 * A list whose lines are dragged by their `.grip`, or moved by keys with the focus going along. The lines move by their data:
 * what a drag has done to the page is taken back first.
 * @param move changes the data.
 */
export function useSortableList(
  list: Readonly<ShallowRef<HTMLElement | null>>,
  move: (from: number, to: number) => void,
) {
  const motion = usePreferredReducedMotion();
  useSortable(list, [], {
    handle: '.grip',
    animation: motion.value === 'reduce' ? 0 : 150,
    onUpdate: ({ item, oldIndex, newIndex, from }) => {
      if (oldIndex === undefined || newIndex === undefined) return;
      item.remove();
      from.insertBefore(item, from.children[oldIndex] ?? null);
      move(oldIndex, newIndex);
    },
  });

  async function moveBy(index: number, by: number, count: number): Promise<void> {
    const to = index + by;
    if (to < 0 || to >= count) return;
    move(index, to);
    await nextTick();
    list.value?.querySelectorAll<HTMLElement>('.grip')[to]?.focus();
  }

  return { moveBy };
}
