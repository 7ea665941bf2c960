import { useEventListener } from '@vueuse/core';
import { watch, type Ref } from 'vue';
import { useLive } from '../../offline/index.ts';
import { useClasses } from './store.ts';

/**
 * Keeps an open class as the school has it: takes in what another device has recorded, and loads the page anew when the
 * network is back.
 */
export function useLiveClass(classId: Ref<string>): void {
  const classes = useClasses();
  watch(classId, (id) => void classes.open(id), { immediate: true });
  useLive((changed) => {
    if (changed === null || changed === classId.value) void classes.lookAgain();
  });
  useEventListener('online', () => void classes.open(classId.value));
}
