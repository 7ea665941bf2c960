import { watch, type Ref } from 'vue';
import { useLive } from '../../offline/index.ts';
import { useClasses } from './store.ts';

/** Keeps an open class as the school has it: looks again when another device has recorded something. */
export function useLiveClass(classId: Ref<string>): void {
  const classes = useClasses();
  watch(classId, (id) => void classes.open(id), { immediate: true });
  useLive((changed) => {
    if (changed === null || changed === classId.value) void classes.open(classId.value);
  });
}
