import { barId } from '@escalier/core/formats';
import { DEFAULT_BREATH_SECONDS, knowledgeByName, NOTHING_KNOWN } from '@escalier/core/reading';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { ScoreMark } from '../score/index.ts';
import { usePlayer } from '../sound/index.ts';
import { tuneWorker, type PieceTurn, type PlayedBacking, type TuneInfo } from '../workers/index.ts';
import { useRoom } from './use-room.ts';

/** A tune or a pattern that is read, shown and played. Call it in `setup`. */
export function useSheetPlayer(abc: Ref<string>, turns: Ref<readonly PieceTurn[] | null>) {
  const { facts, on } = useRoom();
  const info = shallowRef<TuneInfo | null>(null);
  const backing = shallowRef<PlayedBacking | null>(null);
  const instrumentId = computed(() => facts.value?.instrumentId ?? '');
  const known = computed(() =>
    facts.value === null ? NOTHING_KNOWN : knowledgeByName({ ...facts.value.known, notes: facts.value.notes }),
  );
  const player = usePlayer(
    computed(() => info.value?.playback ?? null),
    computed(() => on.value?.family ?? 'recorder'),
    turns,
    ref('play'),
    backing,
  );

  watch(
    [abc, instrumentId],
    async ([text, id]) => {
      player.stop();
      info.value = null;
      const read = await tuneWorker().read({ abc: text, instrumentId: id }, known.value, DEFAULT_BREATH_SECONDS);
      if (text !== abc.value || !read.ok) return;
      info.value = read.value;
      player.perMinute.value = Math.round(read.value.playback.perMinute);
    },
    { immediate: true },
  );

  async function withBacking(): Promise<void> {
    backing.value ??= await tuneWorker().backing({ abc: abc.value, instrumentId: instrumentId.value }, null);
    player.switchVoice('along');
  }

  /** As this class plays it: where two notes are offered, with the one that it knows. */
  const shown = computed(() => info.value?.abc ?? abc.value);
  /** The note that sounds, as it is written. */
  const sounding = computed(() => (player.now.value === null ? null : (info.value?.pitches[player.now.value] ?? null)));
  /** The bars that it is about in a bracket, and the note that sounds. */
  function pointing(bars: readonly [number, number] | null): readonly ScoreMark[] {
    return [
      ...(bars === null ? [] : [{ kind: 'bracket' as const, from: barId(bars[0]), to: barId(bars[1]), own: true }]),
      ...(player.now.value === null ? [] : [{ kind: 'now' as const, id: player.now.value }]),
    ];
  }
  return { info, shown, on, player, sounding, pointing, withBacking };
}
