import { onScopeDispose, watch, type Ref } from 'vue';
import { useClasses } from './store.ts';

/**
 * Keeps an open class as the school has it: looks again when another device has recorded something. The browser itself
 * connects again when the network comes back.
 */
export function useLiveClass(classId: Ref<string>): void {
  const classes = useClasses();
  let source: EventSource | null = null;

  function connect(id: string): void {
    source?.close();
    if (typeof EventSource === 'undefined') return;
    source = new EventSource(`/api/hearing/live?class=${encodeURIComponent(id)}`);
    source.addEventListener('records', () => void classes.open(id));
  }

  watch(
    classId,
    (id) => {
      void classes.open(id);
      connect(id);
    },
    { immediate: true },
  );
  onScopeDispose(() => source?.close());
}
