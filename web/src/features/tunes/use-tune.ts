import { TuneDto } from '@escalier/contract/tunes';
import { type StepDto, StepPage, TunePage, classTuneKept } from '@escalier/contract/class-pages';
import { DEFAULT_BREATH_SECONDS, knowledgeByName, type Breath } from '@escalier/core/reading';
import { shallowRef, watch, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { loadProblem, type LoadProblem } from '../../ui/use-load.ts';
import { tuneWorker, type TuneInfo, type WayIn } from '../../workers/index.ts';
import { t } from './messages.ts';

/** Which tune is meant: that of a step of a class, or one of the library as a class meets it. */
export type TuneAddress =
  | { readonly classId: string; readonly position: number }
  | { readonly classId: string | null; readonly tuneId: string };

export interface OpenTune extends Omit<TunePage, 'schoolClass'> {
  /** Null when a tune of the library is read for nobody in particular. */
  readonly schoolClass: TunePage['schoolClass'] | null;
  readonly step: StepDto | null;
  readonly steps: number;
}

const failed = (message: string): LoadProblem => ({ kind: 'failed', message });

const NOBODY = { notes: [], elements: [], signs: [], moves: [] };

async function fetchTune(address: TuneAddress): Promise<OpenTune> {
  if ('position' in address) {
    const param = { id: address.classId, position: String(address.position) };
    return ask(api.classes[':id'].steps[':position'].$get({ param }), StepPage);
  }
  const { classId, tuneId } = address;
  if (classId !== null) {
    const page = await ask(api.classes[':id'].tunes[':tuneId'].$get({ param: { id: classId, tuneId } }), TunePage);
    return { ...page, step: null, steps: 0 };
  }
  const tune = await ask(api.tunes[':id'].$get({ param: { id: tuneId } }), TuneDto);
  return {
    schoolClass: null,
    tuneId: tune.id,
    title: tune.title,
    abc: tune.abc,
    known: NOBODY,
    breathSeconds: DEFAULT_BREATH_SECONDS,
    breaths: null,
    breathsVersion: 0,
    bookPage: '',
    troubles: [],
    step: null,
    steps: 0,
  };
}

/**
 * A tune and what it says to a class: from the server, then read in the worker.
 * @param instrumentId for a tune that is read for no class in particular.
 */
export function useTune(address: Ref<TuneAddress>, instrumentId: Ref<string>) {
  const page = shallowRef<OpenTune | null>(null);
  const info = shallowRef<TuneInfo | null>(null);
  /** Other ways into the tune; they come a moment after it. */
  const ways = shallowRef<readonly WayIn[]>([]);
  const error = shallowRef<LoadProblem | null>(null);
  let asked = 0;

  async function load(): Promise<void> {
    const mine = ++asked;
    error.value = null;
    try {
      const loaded = await fetchTune(address.value);
      if (mine !== asked) return;
      page.value = loaded;
      await reread();
    } catch (problem) {
      const found = loadProblem(problem);
      if (mine === asked) error.value = found;
    }
  }

  async function reread(): Promise<void> {
    const open = page.value;
    if (open === null) return;
    const known = knowledgeByName(open.known);
    const source = { abc: open.abc, instrumentId: open.schoolClass?.instrumentId ?? instrumentId.value };
    const read = await tuneWorker().read(
      source,
      known,
      open.breathSeconds,
      open.schoolClass?.style.teaching.chunkBeats,
    );
    if (page.value !== open) return;
    info.value = read.ok ? read.value : null;
    ways.value = [];
    if (!read.ok) error.value = failed(read.error[0]?.message ?? t('use-tune.the-tune-couldnt-be-read'));
    else
      void tuneWorker()
        .waysIn(source, known)
        .then((found) => (page.value === open ? (ways.value = found) : found));
  }

  /** Where to breathe at the tempo that is set: slower playing needs more breaths. Null at the tune's own. */
  const breathsAtTempo = shallowRef<readonly Breath[] | null>(null);
  async function breatheAt(perMinute: number): Promise<void> {
    const open = page.value;
    if (open === null || info.value === null) return;
    const source = { abc: info.value.abc, instrumentId: open.schoolClass?.instrumentId ?? instrumentId.value };
    const isOwnTempo = perMinute === info.value.reading.tempo.perMinute;
    const found = isOwnTempo ? null : await tuneWorker().breathsAt(source, perMinute, open.breathSeconds);
    if (page.value === open) breathsAtTempo.value = found;
  }

  /** Keeps the class's own breaths, and shows them at once. */
  const keepBreaths = (breathSeconds: number, breaths: OpenTune['breaths']): Promise<void> =>
    keepOwn({ breathSeconds, breaths });

  /** Keeps what the class has changed for itself in this tune. */
  async function keepOwn(more: Partial<Pick<OpenTune, 'breathSeconds' | 'breaths' | 'bookPage'>>): Promise<void> {
    const open = page.value;
    if (open === null) return;
    const next = { ...open, ...more };
    page.value = next;
    await reread();
    const kept = await saveOwn(next);
    if (kept instanceof ApiError) error.value = failed(t('use-tune.not-saved-message', { message: kept.message }));
    else if (kept !== null && page.value?.tuneId === open.tuneId) page.value = { ...page.value, breathsVersion: kept };
  }

  watch(address, load, { immediate: true });
  watch(instrumentId, reread);
  return { page, info, ways, error, load, keepBreaths, keepOwn, breathsAtTempo, breatheAt };
}

/** @returns the new version; null for a tune that is read for no class; the problem when it is not saved. */
async function saveOwn({
  schoolClass,
  tuneId,
  breathsVersion,
  breathSeconds,
  breaths,
  bookPage,
}: OpenTune): Promise<number | ApiError | null> {
  if (schoolClass === null) return null;
  const json = { breathSeconds, bookPage, breaths: breaths === null ? null : [...breaths], version: breathsVersion };
  try {
    const param = { id: schoolClass.id, tuneId };
    return (await ask(api.classes[':id'].tunes[':tuneId'].$put({ param, json }), classTuneKept)).version;
  } catch (problem) {
    if (problem instanceof ApiError) return problem;
    throw problem;
  }
}
