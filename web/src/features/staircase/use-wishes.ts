import { ClassSettings } from '@escalier/contract/classes';
import { ClassKnowledge, ClassPage } from '@escalier/contract/class-pages';
import { lessonsBefore, type Lesson, type LocalDate } from '@escalier/core/calendar';
import { kindOfInstrument, INSTRUMENT_IDS, instrument, type InstrumentId } from '@escalier/core/instruments';
import { noteOrdersFor, type Pin } from '@escalier/core/staircase';
import type { LengthWords } from '@escalier/core/music';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { noteWords } from '../../ui/note-words.ts';
import { notesTyped } from '../../ui/typed-notes.ts';
import { stepsIn, type Wishes } from './use-proposal.ts';
import { t } from './messages.ts';

export const OWN_ORDER = 'own';

/** The class that a staircase is made for. */
export interface ForClass {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly lengthWords: LengthWords;
  /** From today to the end of its term. */
  readonly lessons: readonly Lesson[];
  readonly today: LocalDate;
}

/** The three questions, and what can be asked besides. */
export function useWishes() {
  const instrumentId = ref<InstrumentId>('soprano-recorder-baroque');
  const orders = computed(() => [
    ...noteOrdersFor(instrument(instrumentId.value)).map(({ id, name, notes }) => ({
      value: id,
      text: `${name}: ${notes.map(noteWords).join(' ')}`,
    })),
    { value: OWN_ORDER, text: t('use-wishes.my-own-order') },
  ]);
  const orderId = ref(orders.value[0]!.value);
  watch(instrumentId, () => (orderId.value = orders.value[0]!.value));
  const orderTyped = ref('B A G E D');
  const ownOrder = computed(() => notesTyped(orderTyped.value));
  const order = computed(
    () =>
      noteOrdersFor(instrument(instrumentId.value)).find((order) => order.id === orderId.value)?.notes ??
      ownOrder.value.notes,
  );
  const knownTyped = ref('');
  const knows = computed(() => notesTyped(knownTyped.value));
  const lessons = ref(27);
  const steps = ref(9);
  watch([lessons, order], () => (steps.value = stepsIn(lessons.value, order.value.length)));
  const pins = ref<readonly Pin[]>([]);

  const forClass = shallowRef<ForClass | null>(null);
  const lastDay = ref<LocalDate | ''>('');
  watch(lastDay, (day) => {
    if (forClass.value !== null && day !== '') lessons.value = lessonsUntil(day);
  });

  /** Lessons from today to a day, that day included. */
  function lessonsUntil(day: LocalDate): number {
    const { lessons: all, today } = forClass.value!;
    return lessonsBefore(all, today, day).length + all.filter((lesson) => lesson.date === day).length;
  }

  /** The step that the class will have come to on a day, counted from 1, when its lessons are shared out evenly. */
  function stepOn(day: LocalDate): number {
    const share = lessonsUntil(day) / Math.max(1, lessons.value);
    return Math.min(steps.value, Math.max(1, Math.floor(share * steps.value)));
  }

  /** A class brings its instrument, what it knows, and the lessons that are left. */
  async function takeClass(id: string): Promise<void> {
    const param = { id };
    const [page, { known }, { version }] = await Promise.all([
      ask(api.classes[':id'].$get({ param }), ClassPage),
      ask(api.classes[':id'].knowledge.$get({ param }), ClassKnowledge),
      ask(api.classes[':id'].settings.$get({ param }), ClassSettings),
    ]);
    const left = page.lessons.all.filter((lesson) => lesson.date >= page.today);
    const { name, style, today } = page;
    forClass.value = { id, name, version, lengthWords: style.lengthWords, lessons: left, today };
    instrumentId.value = kindOfInstrument(page.instrumentId) as InstrumentId;
    if (left.length > 0) lessons.value = left.length;
    knownTyped.value = known.notes.map(noteWords).join(' ');
  }

  const wishes = computed((): Wishes => ({
    instrumentId: instrumentId.value,
    order: order.value,
    knows: knows.value.notes,
    steps: steps.value,
    lessons: lessons.value,
    pins: pins.value,
  }));

  return {
    instrumentId,
    orders,
    orderId,
    orderTyped,
    ownOrder,
    order,
    knownTyped,
    knows,
    lessons,
    steps,
    pins,
    forClass,
    lastDay,
    stepOn,
    takeClass,
    wishes,
  };
}

export type WishForm = ReturnType<typeof useWishes>;

export const INSTRUMENTS = INSTRUMENT_IDS.map((id) => ({ value: id, text: instrument(id).shortName }));
