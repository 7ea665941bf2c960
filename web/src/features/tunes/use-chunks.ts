import { eventId } from '@escalier/core/formats';
import type { Chunk } from '@escalier/core/practice';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { usePlayer } from '../../sound/index.ts';
import type { PieceTurn, TuneInfo } from '../../workers/index.ts';
import { lastEventOf } from './layers.ts';

const OWN_TIMES = 2;

/** A tune taught piece by piece: which piece it is now, and how it is played. */
export function useChunks(info: Ref<TuneInfo | null>, player: ReturnType<typeof usePlayer>) {
  const own = shallowRef<readonly Chunk[]>([]);
  const at = ref<number | null>(null);
  watch(info, () => {
    own.value = [];
    at.value = null;
  });
  const all = computed((): readonly Chunk[] => [...(info.value?.chunks ?? []), ...own.value]);
  const chosen = computed(() => (at.value === null ? null : (all.value[at.value] ?? null)));

  /** Both turns of a piece that the teacher starts, as often as it comes; one after the other without a gap. */
  function turnsOf({ from, to, starts, times, tempo }: Chunk): readonly PieceTurn[] {
    const piece = {
      from: eventId(0, from.barIndex, from.eventIndex),
      to: eventId(0, to.barIndex, to.eventIndex),
      perMinute: tempo,
    };
    const turns: readonly PieceTurn['who'][] = starts === 'teacher' ? ['teacher', 'class'] : [starts];
    return Array.from({ length: times }, () => turns.map((turn) => ({ ...piece, who: turn }))).flat();
  }

  function play(): void {
    if (chosen.value !== null) void player.playTurns(turnsOf(chosen.value));
  }

  function choose(index: number): void {
    at.value = index;
    play();
  }

  /** On with the next piece, from the first. */
  function next(): void {
    const index = at.value === null ? 0 : at.value + 1;
    if (index < all.value.length) choose(index);
  }

  /** The first piece that joins others. */
  function joinFirst(): void {
    const index = all.value.findIndex(({ why }) => why.kind === 'join');
    if (index >= 0) choose(index);
  }

  /** A piece of the teacher's own, from one bar of the sheet to another. */
  function add(first: number, last: number): void {
    if (info.value === null) return;
    const [from, to] = first <= last ? [first, last] : [last, first];
    const { barNumbers, reading, chunks } = info.value;
    const piece: Chunk = {
      bars: [barNumbers[from] ?? 0, barNumbers[to] ?? 0],
      from: { barIndex: from, eventIndex: 0 },
      to: { barIndex: to, eventIndex: lastEventOf(info.value, to) },
      starts: 'teacher',
      times: OWN_TIMES,
      tempo: chunks[0]?.tempo ?? reading.tempo.perMinute,
      why: { kind: 'own' },
    };
    own.value = [...own.value, piece];
    choose(all.value.length - 1);
  }

  /** Another tempo or number of times for the piece. */
  function change(more: Partial<Pick<Chunk, 'tempo' | 'times' | 'starts'>>): void {
    const [index, chunk] = [at.value, chosen.value];
    if (index === null || chunk === null) return;
    const computedOnes = info.value?.chunks.length ?? 0;
    const changed: Chunk = { ...chunk, ...more };
    if (index >= computedOnes) own.value = own.value.map((each) => (each === chunk ? changed : each));
    else {
      own.value = [...own.value, { ...changed, why: { kind: 'own' } }];
      at.value = all.value.length - 1;
    }
  }

  return { all, at, chosen, choose, next, joinFirst, play, add, change };
}
