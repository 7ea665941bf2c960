import { seeded } from '@escalier/core/practice';
import { computed, ref, type Ref } from 'vue';
import type { ClassView } from '../classes/index.ts';
import { t } from './messages.ts';

const ROWS = 4;

/** Whose turn it is: row by row, or one by lot until everybody had a turn. */
export function useStageTurns(page: Ref<ClassView | null>, seed: Ref<number>) {
  const kind = ref<'rows' | 'lot' | 'all'>('all');
  const at = ref(0);
  const lot = computed(() => {
    const random = seeded(seed.value);
    const here = (page.value?.pupils ?? []).filter((pupil) => pupil.standing !== null && !pupil.away);
    return here
      .map(({ name }) => ({ name, place: random() }))
      .toSorted((a, b) => a.place - b.place)
      .map(({ name }) => name);
  });
  const turn = computed(() => {
    if (kind.value === 'rows') return t('use-stage-turns.row-at', { at: (at.value % ROWS) + 1 });
    if (kind.value === 'lot') return lot.value[at.value % Math.max(1, lot.value.length)] ?? null;
    return t('use-stage-turns.everybody');
  });

  function next(wanted: 'rows' | 'lot' | 'all'): void {
    at.value = kind.value === wanted ? at.value + 1 : 0;
    kind.value = wanted;
  }

  return { turn, kind, next };
}
