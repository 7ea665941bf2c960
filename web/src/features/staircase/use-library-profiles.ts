import type { InstrumentId } from '@escalier/core/instruments';
import type { TuneProfile } from '@escalier/core/staircase';
import type { TuneDto } from '@escalier/server/api';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { planningWorker } from '../../workers/planning.ts';

/** The school's library as planning sees it, for one instrument; read in a worker of the page's own. */
export function useLibraryProfiles() {
  const worker = planningWorker();
  onScopeDispose(worker.cancel);
  const tunes = shallowRef<readonly TuneDto[]>([]);
  const profiles = shallowRef<readonly TuneProfile[] | null>(null);
  const share = ref(0);
  const byId = computed(() => new Map((profiles.value ?? []).map((profile) => [profile.id, profile])));
  const abcOf = computed(() => new Map(tunes.value.map((tune) => [tune.id, tune.abc])));

  /** Reads what is not archived, and what a staircase has although it is. */
  async function read(instrumentId: InstrumentId): Promise<void> {
    profiles.value = null;
    share.value = 0;
    if (tunes.value.length === 0) tunes.value = await ask(api.tunes.$get());
    const wanted = tunes.value.filter((tune) => !tune.archived || tune.onStaircase);
    profiles.value = await worker.ask(
      'profiles',
      wanted.map(({ id, abc }) => ({ id, abc })),
      instrumentId,
      (done) => (share.value = done),
    );
  }

  return { worker, tunes, profiles, share, byId, abcOf, read };
}
