import { tuneTempi, type Block } from '@escalier/core/lesson';
import type { Family } from '@escalier/core/instruments';
import { sayingsOf, type RowKind } from '@escalier/core/practice';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { usePlayer } from '../../sound/index.ts';
import { tuneWorker, type Playback } from '../../workers/index.ts';
import type { ClassView } from '../classes/index.ts';
import { marksOf, useBacking, useTune, type TuneAddress } from '../tunes/index.ts';
import type { SceneId, StageWord } from './stage.ts';

/** Scenes in which the tune itself is gone through, by what is read in them. */
const ROW_OF: Partial<Record<SceneId, RowKind>> = { chant: 'counting', words: 'words' };

/** The tune of the class's step on the stage: what is played of it, and what is read. */
export function useStageTune(
  page: Ref<ClassView | null>,
  position: Ref<number>,
  scene: Ref<SceneId>,
  block: Ref<Block | null>,
) {
  const address = computed((): TuneAddress => ({ classId: page.value?.id ?? '', position: position.value }));
  const instrumentId = computed(() => page.value?.instrumentId ?? '');
  const { page: tune, info, ways } = useTune(address, instrumentId);
  const style = computed(() => page.value?.style ?? null);

  const { backing } = useBacking(info, instrumentId);

  /** Which of the bare versions is shown: each has more notes. */
  const bareAt = ref(0);
  const bare = computed(() => ways.value.filter(({ kind }) => kind === 'bare'));
  const way = computed(() => {
    if (scene.value === 'one-note') return ways.value.find(({ kind }) => kind === 'rhythm') ?? null;
    return scene.value === 'grow' ? (bare.value[bareAt.value] ?? null) : null;
  });
  const playback = computed((): Playback | null => way.value?.playback ?? info.value?.playback ?? null);
  const family = computed((): Family => (instrumentId.value.includes('whistle') ? 'whistle' : 'recorder'));
  const along = computed(() => (way.value === null ? backing.value : null));
  const player = usePlayer(playback, family, ref(null), ref('play'), along);

  const own = computed(() => info.value?.reading.tempo.perMinute ?? 80);
  const ladder = computed(() =>
    info.value === null ? [own.value] : tuneTempi(info.value.reading, style.value?.teaching.challenge ?? false),
  );

  /** Bars that are looped at the hard spot, as indices. */
  const spotBars = computed((): readonly [number, number] | null => {
    const bars = block.value?.bars ?? info.value?.reading.hardSpots[0]?.bars;
    if (bars === undefined || info.value === null) return null;
    const { barNumbers } = info.value;
    const [first, last] = [barNumbers.indexOf(bars[0]), barNumbers.lastIndexOf(bars[1])];
    return first < 0 || last < first ? null : [first, last];
  });

  const lines = shallowRef<readonly (readonly StageWord[])[]>([]);
  const rowKind = computed((): RowKind | null =>
    scene.value === 'names' ? (style.value?.naming ?? 'letters') : (ROW_OF[scene.value] ?? null),
  );
  /** The class's own words for rests and syncopation. */
  const sayings = computed(() => (style.value === null ? undefined : sayingsOf(style.value.teaching)));
  watch(
    [info, rowKind, sayings],
    async ([read, kind]) => {
      if (read === null || kind === null) return void (lines.value = []);
      const found = await tuneWorker().lineTexts(
        { abc: read.abc, instrumentId: instrumentId.value },
        { kind, counting: style.value?.counting ?? null, sayings: sayings.value },
      );
      if (info.value === read && rowKind.value === kind) lines.value = found;
    },
    { immediate: true },
  );

  const marks = computed(() => {
    if (info.value === null || way.value !== null) return [];
    if (scene.value === 'breaths') return marksOf(info.value, ['breaths'], tune.value?.breaths ?? null);
    return marksOf(info.value, scene.value === 'spot' ? ['hard'] : ['same'], null);
  });

  return { tune, info, ways, bare, bareAt, way, player, own, ladder, spotBars, lines, marks, backing };
}
