import { useEventListener } from '@vueuse/core';
import { shallowRef, type ShallowRef } from 'vue';

/**
 * A list in the browser's own storage, for what waits to be sent. A change reads what is there at that moment: two tabs that
 * write one after the other lose nothing of each other's. Without storage it lives as long as the page.
 */
export function useKeptList<Entry>(key: string): {
  readonly list: Readonly<ShallowRef<readonly Entry[]>>;
  readonly change: (make: (now: readonly Entry[]) => readonly Entry[]) => void;
} {
  const list = shallowRef<readonly Entry[]>(read(key) ?? []);

  function change(make: (now: readonly Entry[]) => readonly Entry[]): void {
    list.value = make(read<Entry>(key) ?? list.value);
    try {
      localStorage.setItem(key, JSON.stringify(list.value));
    } catch {
      // A full disk, or none at all: what is here stays in memory.
    }
  }

  useEventListener(window, 'storage', (event) => {
    if (event.key === key) list.value = read(key) ?? [];
  });
  return { list, change };
}

/** Null where there is nothing that can be read. */
function read<Entry>(key: string): readonly Entry[] | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    return Array.isArray(kept) ? (kept as readonly Entry[]) : null;
  } catch {
    return null;
  }
}
