import type { FeelId } from '@escalier/core/lesson';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { tuneWorker, type PlayedBacking, type TuneInfo } from '../../workers/index.ts';

/** The backing of a tune in the feel that was chosen; the one that fits best until then. */
export function useBacking(info: Ref<TuneInfo | null>, instrumentId: Ref<string>) {
  const backing = shallowRef<PlayedBacking | null>(null);
  const feel = ref<FeelId | null>(null);
  watch(info, () => {
    backing.value = null;
    feel.value = null;
  });
  watch(
    [info, feel],
    async ([read, wanted]) => {
      if (read === null) return;
      const found = await tuneWorker().backing({ abc: read.abc, instrumentId: instrumentId.value }, wanted);
      if (info.value === read && feel.value === wanted) backing.value = found;
    },
    { immediate: true },
  );
  return { backing, feel };
}
