import { type DatedLessonEvent, datedLessonEvent, datedLessonEvents } from '@escalier/contract/lessons';
import type { LocalDate } from '@escalier/core/calendar';
import { lessonHistory, lessonRun, type LessonEvent, type LessonEventKind } from '@escalier/core/lesson';
import { useEventListener } from '@vueuse/core';
import { defineStore } from 'pinia';
import { v7 as newId } from 'uuid';
import { computed, ref, shallowRef } from 'vue';
import * as z from 'zod/mini';
import { api, ApiError, ask } from '../../api.ts';
import { deviceAccount, useKeptList, useLive } from '../../offline/index.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useSession } from '../schools/index.ts';
import { useSealedWords } from './sealed-words.ts';

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
const Kept: z.ZodMiniType<Kept> = z.extend(datedLessonEvent, {
  account: z.string(),
  classId: z.string(),
  sent: z.boolean(),
});

/** What a rehearsal takes over from the lesson itself. */
const OF_PLAN: ReadonlySet<LessonEventKind> = new Set(['planned', 'usual', 'patterns', 'ready']);

/** Events that the school has stay here for so long, for a reload without a network. */
const KEPT_MS = 2 * 86_400_000;
const AGAIN_MS = 5000;
const MOST_AT_ONCE = 100;

/** What will not be taken another time either. */
function isRefusal({ status, code }: ApiError): boolean {
  return status >= 400 && status < 500 && status !== 408 && status !== 429 && code !== 'signed-out';
}

/**
 * What happens in the lessons of a class: seen at once on this device, with a network or without, and told to the school
 * and by it to the other devices.
 */
export const useLessons = defineStore('lessons', () => {
  const classId = ref('');
  const told = shallowRef<readonly DatedLessonEvent[]>([]);
  const isLoaded = ref(false);
  const kept = useKeptList('escalier-lessons', Kept);
  /** Remarks have free words: in memory, and sealed on the disk until the school has them. */
  const session = useSession();
  const words = useSealedWords(() => session.sealKey ?? '');
  const spoken = shallowRef<readonly Kept[]>([]);
  const mine = computed(() => {
    const account = deviceAccount.get() ?? '';
    return [...kept.list.value, ...spoken.value].filter((each) => each.account === account);
  });
  /** The school's sentence, when it would not take something. */
  const refused = ref<string | null>(null);
  const waiting = computed(() => mine.value.filter((each) => !each.sent).length);

  /** What happens while a lesson is only tried out: it goes nowhere, and is gone afterwards. Null for a real one. */
  const rehearsal = shallowRef<readonly DatedLessonEvent[] | null>(null);

  const all = computed((): readonly DatedLessonEvent[] => {
    const own = mine.value.filter((each) => each.classId === classId.value);
    const once = new Map(
      [...told.value, ...own].map((each) => [each.event.id, { date: each.date, event: each.event }]),
    );
    return [...once.values()];
  });

  const { error, load } = useLoad(async () => {
    const id = classId.value;
    const found = await ask(api.classes[':id'].lessons.$get({ param: { id } }), datedLessonEvents);
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
    kept.change((all) => all.filter((each) => !each.sent || now - Date.parse(each.event.at) < KEPT_MS));
    await Promise.all([load(), readWords().then(send)]);
  }

  async function readWords(): Promise<void> {
    const said = await words.read(Kept);
    const known = new Set(spoken.value.map(({ event }) => event.id));
    spoken.value = [...spoken.value, ...said.filter(({ event }) => !known.has(event.id))];
  }

  /** Notes what happens; it is seen at once. */
  function note(date: LocalDate, happening: Happening): void {
    const event = { ...happening, id: newId(), at: new Date().toISOString() } as LessonEvent;
    if (rehearsal.value !== null) return void (rehearsal.value = [...rehearsal.value, { date, event }]);
    const account = deviceAccount.get() ?? '';
    const entry = { account, classId: classId.value, date, event, sent: false };
    if (event.kind === 'remark') {
      spoken.value = [...spoken.value, entry];
      void words.keep(event.id, entry);
    } else kept.change((all) => [...all, entry]);
    void send();
  }

  let sending = false;
  let later: ReturnType<typeof setTimeout> | undefined;

  /**
   * In their order, all of a class at once; without a network they wait and are tried again. What the school does not take
   * with others is tried by itself, so that one does not take the others with it.
   */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    clearTimeout(later);
    let most = MOST_AT_ONCE;
    try {
      for (let next = mine.value.find((each) => !each.sent); next !== undefined;) {
        const target = next.classId;
        const batch = mine.value.filter((each) => !each.sent && each.classId === target).slice(0, most);
        // What was read is plain data of the wire already.
        const events = batch.map(({ date, event }) => ({ date, ...event })) as unknown as LessonBody;
        try {
          await ask(api.classes[':id'].lessons.$post({ param: { id: target }, json: { events } }));
        } catch (problem) {
          if (!(problem instanceof ApiError)) throw problem;
          if (!isRefusal(problem)) return void (later = setTimeout(() => void send(), AGAIN_MS));
          if (batch.length > 1) {
            most = 1;
            continue;
          }
          refused.value = problem.message;
        }
        const done = new Set(batch.map(({ event }) => event.id));
        kept.change((all) => all.map((each) => (done.has(each.event.id) ? { ...each, sent: true } : each)));
        spoken.value = spoken.value.filter((each) => !done.has(each.event.id));
        words.drop(done);
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

  /** A lesson as it stands; while it is rehearsed, as the rehearsal has it. */
  function runOn(date: LocalDate) {
    const real = all.value.filter(({ event }) => rehearsal.value === null || OF_PLAN.has(event.kind));
    return lessonRun(
      [...real, ...(rehearsal.value ?? [])].filter((event) => event.date === date).map(({ event }) => event),
    );
  }
  const rehearse = (on: boolean): void => void (rehearsal.value = on ? [] : null);
  const historyBefore = (date: LocalDate) => lessonHistory(all.value, date);

  return {
    classId,
    isLoaded,
    error,
    waiting,
    refused,
    all,
    rehearsal,
    rehearse,
    open,
    load,
    note,
    send,
    runOn,
    historyBefore,
  };
});

type LessonBody = Parameters<(typeof api.classes)[':id']['lessons']['$post']>[0]['json']['events'];
