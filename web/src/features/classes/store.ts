import { ClassRecords } from '@escalier/contract/results';
import { ClassPage, type ClassSummary, classList } from '@escalier/contract/class-pages';
import { dayIn } from '@escalier/core/calendar';
import type { RecordEvent } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { useOutbox } from '../../offline/index.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useAway } from './away.ts';
import { warmUp } from './warm-up.ts';
import { byPupil, isWhole, mergeRecords, withoutErased, viewOf } from './project.ts';

/** State from the server: the list of classes, and the class that is open, with its records and what waits here. */
export const useClasses = defineStore('classes', () => {
  const outbox = useOutbox();
  const list = shallowRef<readonly ClassSummary[] | null>(null);
  /** The facts of the open class, as the school told them. */
  const facts = shallowRef<ClassPage | null>(null);
  const records = shallowRef<readonly RecordEvent[]>([]);
  /** The number of the school's last record that is here. */
  const last = ref(0);
  const wanted = ref<string | null>(null);

  const base = computed(() => byPupil(records.value));
  const pending = computed(() =>
    byPupil(outbox.waiting.filter((kept) => kept.classId === facts.value?.id).map((kept) => kept.event)),
  );
  const away = useAway();
  /** The facts with what is noted here and not at school yet. */
  const factsHere = computed((): ClassPage | null => {
    const told = facts.value;
    if (told === null || away.mine.length === 0) return told;
    const pupils = told.pupils.map((pupil) => ({ ...pupil, away: away.isAway(pupil.id, told.today) ?? pupil.away }));
    return { ...told, pupils };
  });
  const page = computed(() => (factsHere.value === null ? null : viewOf(factsHere.value, base.value, pending.value)));

  const { error: listError, load: loadList } = useLoad(async () => {
    list.value = await ask(api.classes.$get(), classList);
  });
  const { error, load } = useLoad(() => fetchClass(wanted.value!));

  async function fetchClass(classId: string): Promise<void> {
    const loaded = await ask(api.classes[':id'].$get({ param: { id: classId } }), ClassPage);
    const same = facts.value?.id === classId;
    const before = same ? { events: records.value, last: last.value } : await outbox.keptRecords(classId);
    let now = await newRecords(classId, before?.events ?? [], before?.last ?? 0);
    // A pupil who came from another class brings records older than the last.
    if (!isWhole(loaded, byPupil(now.events))) now = await newRecords(classId, now.events, 0);
    const events = withoutErased(now.events, loaded);
    if (events !== now.events) await outbox.keepRecords({ classId, events, last: now.last });
    if (wanted.value !== classId) return;
    // What came meanwhile stays.
    const known = facts.value?.id === classId;
    records.value = known ? mergeRecords(records.value, events) : events;
    last.value = known ? Math.max(last.value, now.last) : now.last;
    facts.value = loaded;
  }

  /** Takes in what the school has got since, and nothing else; the whole page only for a new day or a new pupil. */
  async function catchUp(): Promise<void> {
    const shown = facts.value;
    if (shown === null) return;
    const now = await newRecords(shown.id, records.value, last.value);
    if (facts.value?.id !== shown.id || wanted.value !== shown.id) return;
    records.value = mergeRecords(records.value, now.events);
    last.value = Math.max(last.value, now.last);
    const pupils = new Set(shown.pupils.map((pupil) => pupil.id));
    const isNewDay = dayIn(shown.timeZone)(new Date().toISOString()) !== shown.today;
    if (isNewDay || now.events.some((event) => !pupils.has(event.pupilId))) await load();
  }

  let catching: Promise<void> | null = null;
  let again = false;

  /** Other devices have recorded something; of many tellings at once two are enough. */
  async function lookAgain(): Promise<void> {
    again = true;
    catching ??= (async () => {
      try {
        while (again) {
          again = false;
          await catchUp();
        }
      } catch (problem) {
        // What is here stays on the screen; the next telling tries again.
        if (!(problem instanceof ApiError)) throw problem;
      } finally {
        catching = null;
      }
    })();
    await catching;
  }

  /** What is here of a class's records with what the school has got since. */
  async function newRecords(
    classId: string,
    events: readonly RecordEvent[],
    after: number,
  ): Promise<{ readonly events: readonly RecordEvent[]; readonly last: number }> {
    try {
      const query = { after: String(after) };
      const fresh = await ask(api.classes[':id'].records.$get({ param: { id: classId }, query }), ClassRecords);
      const all = mergeRecords(events, fresh.records);
      if (all !== events) await outbox.keepRecords({ classId, events: all, last: fresh.last });
      return { events: all, last: fresh.last };
    } catch (problem) {
      // Without a network what is here has to do.
      if (!(problem instanceof ApiError) || problem.code !== 'offline' || events.length === 0) throw problem;
      return { events, last: after };
    }
  }

  /** Brings classes to this device before they are opened, so that they are here when the network is not. */
  async function fetchAhead(classIds: readonly string[]): Promise<void> {
    for (const classId of classIds.filter((id) => id !== facts.value?.id)) {
      try {
        const page = await ask(api.classes[':id'].$get({ param: { id: classId } }), ClassPage);
        const kept = await outbox.keptRecords(classId);
        const { events } = await newRecords(classId, kept?.events ?? [], kept?.last ?? 0);
        await warmUp(viewOf(page, byPupil(events), byPupil([])));
      } catch (problem) {
        if (!(problem instanceof ApiError)) throw problem;
        return;
      }
    }
  }

  outbox.whenArrived((classId, event) => {
    if (classId === facts.value?.id) records.value = mergeRecords(records.value, [event]);
  });

  /** Keeps the picture of the same class while it is asked for again. */
  async function open(classId: string): Promise<void> {
    wanted.value = classId;
    void away.send().catch(() => undefined);
    if (facts.value?.id !== classId) facts.value = null;
    await load();
  }

  /** For signing out: nothing of the classes stays in memory. */
  function forget(): void {
    list.value = null;
    facts.value = null;
    wanted.value = null;
    records.value = [];
    last.value = 0;
  }

  /** All records of the class that is open: those of the school, and those that only this device has. */
  const events = computed((): readonly RecordEvent[] => [...records.value, ...[...pending.value.values()].flat()]);

  return { list, page, events, error, listError, loadList, open, lookAgain, fetchAhead, forget };
});
