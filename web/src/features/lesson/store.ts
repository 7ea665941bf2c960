import type { LocalDate } from '@escalier/core/calendar';
import { lessonHistory, lessonRun, type LessonEvent } from '@escalier/core/lesson';
import type { DatedLessonEvent } from '@escalier/server/api';
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { v7 as newId } from 'uuid';
import { computed, ref, shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { deviceAccount, useLive } from '../../offline/index.ts';
import { useLoad } from '../../ui/use-load.ts';

type Bare<Event> = Event extends LessonEvent ? Omit<Event, 'id' | 'at'> : never;
/** What happens, before it has its id and its moment. */
export type Happening = Bare<LessonEvent>;

/** An event that was made on this device. */
interface Kept extends DatedLessonEvent {
  readonly account: string;
  readonly classId: string;
  /** The school has it. */
  readonly sent: boolean;
}

/** Events that the school has stay here for so long, for a reload without a network. */
const KEPT_MS = 2 * 86_400_000;
const AGAIN_MS = 5000;

/**
 * What happens in the lessons of a class: seen at once on this device, with a network or without, and told to the school
 * and by it to the other devices.
 */
export const useLessons = defineStore('lessons', () => {
  const classId = ref('');
  const told = shallowRef<readonly DatedLessonEvent[]>([]);
  const isLoaded = ref(false);
  const kept = useLocalStorage<readonly Kept[]>('escalier-lessons', []);
  const mine = computed(() => kept.value.filter(({ account }) => account === (deviceAccount.get() ?? '')));
  const waiting = computed(() => mine.value.filter((each) => !each.sent).length);

  const all = computed((): readonly DatedLessonEvent[] => {
    const own = mine.value.filter((each) => each.classId === classId.value);
    const once = new Map(
      [...told.value, ...own].map((each) => [each.event.id, { date: each.date, event: each.event }]),
    );
    return [...once.values()];
  });

  const { error, load } = useLoad(async () => {
    const id = classId.value;
    const found = await ask(api.classes[':id'].lessons.$get({ param: { id } }));
    if (id !== classId.value) return;
    told.value = found;
    isLoaded.value = true;
  });

  async function open(id: string): Promise<void> {
    if (classId.value !== id) {
      classId.value = id;
      told.value = [];
      isLoaded.value = false;
    }
    const now = Date.now();
    kept.value = kept.value.filter((each) => !each.sent || now - Date.parse(each.event.at) < KEPT_MS);
    await Promise.all([load(), send()]);
  }

  /** Notes what happens; it is seen at once. */
  function note(date: LocalDate, happening: Happening): void {
    const event = { ...happening, id: newId(), at: new Date().toISOString() } as LessonEvent;
    const account = deviceAccount.get() ?? '';
    kept.value = [...kept.value, { account, classId: classId.value, date, event, sent: false }];
    void send();
  }

  let sending = false;
  let later: ReturnType<typeof setTimeout> | undefined;

  /** In their order, all of a class at once; without a network they wait and are tried again. */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    clearTimeout(later);
    try {
      for (let next = mine.value.find((each) => !each.sent); next !== undefined;) {
        const target = next.classId;
        const batch = mine.value.filter((each) => !each.sent && each.classId === target).slice(0, 100);
        // What was read is plain data of the wire already.
        const events = batch.map(({ date, event }) => ({ date, ...event })) as unknown as LessonBody;
        try {
          await ask(api.classes[':id'].lessons.$post({ param: { id: target }, json: { events } }));
        } catch (problem) {
          if (!(problem instanceof ApiError)) throw problem;
          const isRefused = problem.status >= 400 && problem.status < 500 && problem.code !== 'signed-out';
          if (!isRefused) return void (later = setTimeout(() => void send(), AGAIN_MS));
        }
        const done = new Set(batch.map(({ event }) => event.id));
        // Free words do not stay here longer than they have to.
        kept.value = kept.value
          .map((each) => (done.has(each.event.id) ? { ...each, sent: true } : each))
          .filter((each) => !each.sent || each.event.kind !== 'remark');
        next = mine.value.find((each) => !each.sent);
      }
    } finally {
      sending = false;
    }
  }

  useEventListener(window, 'online', () => void send());
  // Another tab of this device has written its own.
  useEventListener(window, 'focus', () => void send());
  useLive((changed) => {
    if (classId.value !== '' && (changed === null || changed === classId.value)) void load();
  });

  const runOn = (date: LocalDate) =>
    lessonRun(all.value.filter((each) => each.date === date).map(({ event }) => event));
  const historyBefore = (date: LocalDate) => lessonHistory(all.value, date);

  return { classId, isLoaded, error, waiting, all, open, load, note, send, runOn, historyBefore };
});

type LessonBody = Parameters<(typeof api.classes)[':id']['lessons']['$post']>[0]['json']['events'];
