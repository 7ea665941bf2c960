import { useEventListener } from '@vueuse/core';
import { shallowRef, type ShallowRef } from 'vue';
import * as z from 'zod/mini';

/**
 * A list in the browser's own storage, for what waits to be sent. A change reads what is there at that moment: two tabs that
 * write one after the other lose nothing of each other's. Without storage it lives as long as the page.
 * @param schema of an entry. What does not fit it, as a later version may have written it, is not shown and not lost.
 */
export function useKeptList<Entry>(
  key: string,
  schema: z.ZodMiniType<Entry>,
): {
  readonly list: Readonly<ShallowRef<readonly Entry[]>>;
  readonly change: (make: (now: readonly Entry[]) => readonly Entry[]) => void;
} {
  const list = shallowRef<readonly Entry[]>(read(key, schema)?.fit ?? []);

  function change(make: (now: readonly Entry[]) => readonly Entry[]): void {
    const { fit, others } = read(key, schema) ?? { fit: list.value, others: [] };
    list.value = make(fit);
    try {
      localStorage.setItem(key, JSON.stringify([...others, ...list.value]));
    } catch {
      // A full disk, or none at all: what is here stays in memory.
    }
  }

  useEventListener(window, 'storage', (event) => {
    if (event.key === key) list.value = read(key, schema)?.fit ?? [];
  });
  return { list, change };
}

interface Read<Entry> {
  readonly fit: readonly Entry[];
  readonly others: readonly unknown[];
}

/** Null where there is nothing that can be read. */
function read<Entry>(key: string, schema: z.ZodMiniType<Entry>): Read<Entry> | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    if (!Array.isArray(kept)) return null;
    const entries = kept.map((entry: unknown) => ({ entry, read: z.safeParse(schema, entry) }));
    return {
      fit: entries.flatMap((each) => (each.read.success ? [each.read.data] : [])),
      others: entries.filter((each) => !each.read.success).map((each) => each.entry),
    };
  } catch {
    return null;
  }
}
