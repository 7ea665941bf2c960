import { movedOn } from '@escalier/core/home';
import { computed, shallowRef, watch } from 'vue';
import { tuneWorker, type HomePartView } from '../workers/index.ts';
import { today, useRoom } from './use-room.ts';

const DAY_MS = 86_400_000;

/** Today's ten minutes, and where in them the pupil is. */
export function useToday() {
  const { facts, own, progressOf, setProgress, loved, practised } = useRoom();
  const parts = shallowRef<readonly HomePartView[] | null>(null);
  /** Null before the start, the number of parts after the end. */
  const at = shallowRef<number | null>(null);
  const part = computed(() => (at.value === null ? null : (parts.value?.[at.value] ?? null)));
  const isOver = computed(() => at.value !== null && parts.value !== null && at.value >= parts.value.length);

  async function plan(): Promise<void> {
    const room = facts.value;
    if (room === null || own.value === null) return;
    parts.value = await tuneWorker().homeParts({
      instrumentId: room.instrumentId,
      now: room.now,
      known: room.known,
      chunkBeats: room.chunkBeats,
      naming: room.style.naming,
      tunes: room.tunes.map(({ abc, passed }) => ({ abc, passed })),
      task: room.task === null ? null : { tune: room.task.tune, bars: room.task.bars, tempo: room.task.tempo },
      progress: { ...progressOf(own.value.id) },
      loved: room.tunes.flatMap(({ id }, index) => (loved.value.includes(id) ? [index] : [])),
      day: Math.floor(Date.parse(today()) / DAY_MS),
    });
  }
  watch(facts, () => at.value === null && void plan(), { immediate: true });

  function start(): void {
    at.value = 0;
  }

  /** On to the next part. @param more it went well: tomorrow the next piece, or a little faster. */
  function next(more: boolean): void {
    const done = part.value;
    if (done === null || own.value === null) return;
    if (more) setProgress(own.value.id, movedOn(progressOf(own.value.id), done.part));
    at.value! += 1;
    if (isOver.value) practised();
  }

  function again(): void {
    at.value = null;
    void plan();
  }

  return { parts, at, part, isOver, start, next, again };
}
