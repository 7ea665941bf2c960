import { StaircaseDto } from '@escalier/contract/staircases';
import type { InstrumentId } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { findingsOf, learned, newsOf, newsOfSteps, nextInLine, scoreStaircase } from '@escalier/core/staircase';
import { useManualRefHistory } from '@vueuse/core';
import { computed, ref, shallowRef, type Ref } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { contentOf, draftOf, type Changed, type Draft } from './draft.ts';
import { useLibraryProfiles } from './use-library-profiles.ts';

const MOST_UNDONE = 100;
const EMPTY: Draft = { name: '', noteOrder: [], steps: [] };

/** A staircase being changed: what each step brings, what is to be said of it, and its history. */
export function useEditor(staircaseId: Ref<string>) {
  const stored = shallowRef<StaircaseDto | null>(null);
  const draft = shallowRef<Draft>(EMPTY);
  const history = useManualRefHistory(draft, { capacity: MOST_UNDONE });
  const library = useLibraryProfiles();
  const chosen = ref(0);
  const notices = useNotices();

  const { error, load } = useLoad(async () => {
    const found = await ask(api.staircases[':id'].$get({ param: { id: staircaseId.value } }), StaircaseDto);
    open(found);
    await library.read(found.instrumentId as InstrumentId);
  });

  function open(found: StaircaseDto): void {
    stored.value = found;
    draft.value = draftOf(found);
    history.clear();
    history.commit();
    history.clear();
    chosen.value = Math.min(chosen.value, found.steps.length - 1);
  }

  const profiles = computed(() => library.profilesOf(draft.value.steps));
  const news = computed(() => newsOfSteps(profiles.value, NOTHING_KNOWN));
  const findings = computed(() =>
    profiles.value.length === 0
      ? []
      : findingsOf({
          steps: profiles.value,
          lessons: draft.value.steps.map((step) => step.lessons),
          order: draft.value.noteOrder,
          knows: NOTHING_KNOWN,
        }),
  );
  const rules = computed(() => ({
    order: draft.value.noteOrder,
    knows: NOTHING_KNOWN,
    pins: [],
    steps: draft.value.steps.length,
  }));
  const objective = computed(() =>
    profiles.value.length === 0
      ? null
      : scoreStaircase(profiles.value, rules.value)(profiles.value.map((profile) => profile.id)),
  );

  /** The library for the chosen step, the best first; what each would bring there, and what the whole would weigh. */
  const fitting = computed(() => {
    if (profiles.value.length === 0) return [];
    const list = profiles.value.map((profile) => profile.id);
    const used = new Set(draft.value.steps.flatMap((step) => step.tunes.map((tune) => tune.id)));
    const others = [...library.byId.value.values()].filter((tune) => !used.has(tune.id));
    const known = profiles.value.slice(0, chosen.value).reduce(learned, NOTHING_KNOWN);
    const line = nextInLine(
      { tunes: [...profiles.value, ...others], ...rules.value },
      list,
      chosen.value,
      others.length,
    );
    return line.map(({ tune, total }) => {
      const profile = library.byId.value.get(tune)!;
      return { profile, total, news: newsOf(profile, known) };
    });
  });

  function apply(changed: Changed): boolean {
    if (!changed.ok) {
      notices.fail(changed.error);
      return false;
    }
    if (changed.value === draft.value) return true;
    draft.value = changed.value;
    history.commit();
    chosen.value = Math.max(0, Math.min(chosen.value, draft.value.steps.length - 1));
    return true;
  }

  const isChanged = computed(() => {
    const before = stored.value;
    return before !== null && JSON.stringify(contentOf(draftOf(before))) !== JSON.stringify(contentOf(draft.value));
  });
  const { busy, error: refused, reason, save: send } = useSave();

  async function save(): Promise<void> {
    const { id, version } = stored.value!;
    await send(async () => {
      open(
        await ask(
          api.staircases[':id'].$put({ param: { id }, json: { ...contentOf(draft.value), version } }),
          StaircaseDto,
        ),
      );
    });
  }

  return {
    stored,
    draft,
    history,
    library,
    chosen,
    error,
    load,
    apply,
    save,
    busy,
    isChanged,
    profiles,
    news,
    findings,
    objective,
    fitting,
    refusal: computed(() => (refused.value === null ? null : (reason.value ?? refused.value))),
  };
}
