import { type TuneDto, tuneList } from '@escalier/contract/tunes';
import type { InstrumentId } from '@escalier/core/instruments';
import { joinProfiles, type TuneProfile } from '@escalier/core/staircase';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { planningWorker } from '../../workers/planning.ts';

interface StepTunes {
  readonly tunes: readonly { readonly id: string }[];
}

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
    if (tunes.value.length === 0) tunes.value = await ask(api.tunes.$get(), tuneList);
    const wanted = tunes.value.filter((tune) => !tune.archived || tune.onStaircase);
    profiles.value = await worker.ask(
      'profiles',
      wanted.map(({ id, abc }) => ({ id, abc })),
      instrumentId,
      (done) => (share.value = done),
    );
  }

  /** Each step's tunes as one; none as long as the library is being read. */
  function profilesOf(steps: readonly StepTunes[]): readonly TuneProfile[] {
    const found = steps.map(({ tunes: own }) => {
      const [main, ...others] = own.flatMap((tune) => byId.value.get(tune.id) ?? []);
      return main === undefined ? null : joinProfiles([main, ...others]);
    });
    return found.every((each) => each !== null) ? found : [];
  }

  return { worker, tunes, profiles, share, byId, abcOf, read, profilesOf };
}
