import { EMPTY_ENTRY, eventId, lastTyped, typeKey, type Entry, type EntryPlace } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { useManualRefHistory } from '@vueuse/core';
import { computed, shallowRef, watch } from 'vue';
import { notesSchedule, useSound } from '../../sound/index.ts';
import { tuneWorker } from '../../workers/index.ts';

const MOST_UNDONE = 500;
/** On which what is typed is heard. */
const { family, soundsAbove } = instrument('soprano-recorder-baroque');
const VOICES = { family, melody: true, click: false, drone: false };

/** A tune typed by keys: what is typed is heard at once, and can be taken back. */
export function useEntry(changed: (abc: string) => void) {
  const entry = shallowRef<Entry>(EMPTY_ENTRY);
  const places = shallowRef<readonly EntryPlace[]>([]);
  const problem = shallowRef<string | null>(null);
  const history = useManualRefHistory(entry, { capacity: MOST_UNDONE });
  const sound = useSound();

  /** The id of the last typed note on the sheet. */
  const lastId = computed(() => {
    const place = places.value[entry.value.cursor - 1];
    return place === undefined ? null : eventId(0, place.barIndex, place.eventIndex);
  });

  function set(next: Entry): void {
    if (next === entry.value) return;
    entry.value = next;
    history.commit();
  }

  /** Gives whether the key was one of the editor's. */
  function press(key: string, shift = false): boolean {
    const before = entry.value;
    const next = typeKey(before, key, shift);
    if (next === before) return false;
    set(next);
    const now = lastTyped(next);
    const heard = now === lastTyped(before) ? null : (now?.pitch ?? null);
    if (heard !== null) void sound.start(notesSchedule([heard], soundsAbove), VOICES);
    return true;
  }

  let asked = 0;
  watch(entry, async (now) => {
    const mine = ++asked;
    if (now.events.length === 0) {
      places.value = [];
      problem.value = null;
      changed('');
      return;
    }
    const written = await tuneWorker().writeEntry(now);
    if (mine !== asked) return;
    problem.value = written.ok ? null : (written.error[0]?.message ?? '');
    if (!written.ok) return;
    places.value = written.value.places;
    changed(written.value.abc);
  });

  /** Begins with a tune that is there. */
  function open(found: Entry): void {
    entry.value = found;
    history.clear();
    history.commit();
    history.clear();
  }

  return { entry, problem, lastId, history, set, press, open };
}
