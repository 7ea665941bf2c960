import { ClassKnowledge } from '@escalier/contract/class-pages';
import { type TuneDto, tuneList } from '@escalier/contract/tunes';
import { proxy } from 'comlink';
import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue';
import { knowledgeByName, NOTHING_KNOWN } from '@escalier/core/reading';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { tuneWorker, type LibraryRow } from '../../workers/index.ts';

/** The library read for one class, in the worker; `done` counts while it runs. */
export function useLibrary(classId: Ref<string>) {
  const rows = shallowRef<readonly LibraryRow[] | null>(null);
  const total = ref(0);
  const done = ref(0);
  let tunes: readonly TuneDto[] | null = null;
  let asked = 0;

  const { error, load } = useLoad(async () => {
    const mine = ++asked;
    done.value = 0;
    tunes ??= await ask(api.tunes.$get(), tuneList);
    total.value = tunes.length;
    const { instrumentId, known } = await knowledge(classId.value);
    const read = await tuneWorker().readLibrary(
      [...tunes],
      instrumentId,
      known,
      proxy((count: number) => {
        if (mine === asked) done.value = count;
        return Promise.resolve(mine === asked);
      }),
    );
    if (mine === asked) rows.value = read;
  });

  watch(classId, load, { immediate: true });
  // Leaving the page stops the reading.
  onScopeDispose(() => (asked += 1));
  return { rows, total, done, error, load };
}

async function knowledge(classId: string) {
  if (classId === '') return { instrumentId: 'soprano-recorder-baroque', known: NOTHING_KNOWN };
  const { schoolClass, known } = await ask(
    api.classes[':id'].knowledge.$get({ param: { id: classId } }),
    ClassKnowledge,
  );
  return { instrumentId: schoolClass.instrumentId, known: knowledgeByName(known) };
}
