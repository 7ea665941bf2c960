import { usualLengths } from '@escalier/core/words';
import { StepPage } from '@escalier/contract/class-pages';
import { type EarnedBelt, InstrumentList, beltsOfClasses } from '@escalier/contract/instruments';
import { findInstrument } from '@escalier/core/instruments';
import {
  hearingReach,
  planLesson,
  wasHeld,
  type LessonFacts,
  type LessonPlan,
  type LessonStep,
} from '@escalier/core/lesson';
import { knowledgeByName } from '@escalier/core/reading';
import type { LessonSpeech } from '@escalier/core/words';
import { computed, onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { noteWordsIn } from '../../ui/note-words.ts';
import { tuneWorker } from '../../workers/index.ts';
import { unitPlan, useClasses, useLiveClass, type ClassView } from '../classes/index.ts';
import { factsOf, goOnOf, lessonToPlan, partOf, stepOfClass } from './facts.ts';
import { useLessons } from './store.ts';
import { t } from './messages.ts';

type CleaningCall = InstrumentList['cleaning'][number];

/**
 * A lesson of a class: from what it is planned, its plan, and what has to be prepared.
 * @param pinned its day; the next that has not ended where none is given.
 */
export function usePlan(classId: Ref<string>, pinned: Ref<string | null> = ref(null)) {
  const classes = useClasses();
  const lessons = useLessons();
  useLiveClass(classId);
  watch(classId, (id) => void lessons.open(id), { immediate: true });

  const page = computed((): ClassView | null => (classes.page?.id === classId.value ? classes.page : null));
  const lesson = computed(() => {
    if (page.value === null) return null;
    const wanted = page.value.lessons.all.find(({ date }) => date === pinned.value);
    return wanted ?? lessonToPlan(page.value, (date) => wasHeld(lessons.runOn(date)));
  });
  const history = computed(() => (lesson.value === null ? null : lessons.historyBefore(lesson.value.date)));
  const run = computed(() => (lesson.value === null ? null : lessons.runOn(lesson.value.date)));
  const step = computed(() => (page.value === null ? null : stepOfClass(page.value)));

  /** What the step asks for comes from its tune, a moment after the page. */
  const read = shallowRef<{ readonly key: string; readonly step: LessonStep | null } | null>(null);
  const stepKey = computed(() => `${classId.value} ${step.value?.id ?? ''} ${step.value?.tuneId ?? ''}`);
  watch(
    [stepKey, () => history.value?.rungsDone(step.value?.position ?? 0).join()],
    async ([key]) => {
      const [open, now] = [page.value, step.value];
      if (open === null) return;
      if (now === null) return void (read.value = { key, step: null });
      const found = await readStep(open, now.position, history.value?.rungsDone(now.position) ?? []);
      if (key === stepKey.value) read.value = { key, step: found };
    },
    { immediate: true },
  );
  const lessonStep = computed(() => (read.value?.key === stepKey.value ? read.value.step : null));
  const isReady = computed(() => page.value !== null && read.value?.key === stepKey.value);

  const toHand = shallowRef<readonly EarnedBelt[]>([]);
  const calls = shallowRef<readonly CleaningCall[]>([]);
  /** What has to be cleaned before this lesson. */
  const cleaning = computed(
    () => calls.value.find((call) => call.classId === classId.value && call.date === lesson.value?.date) ?? null,
  );
  onMounted(() => void prepare());
  /** The plan stands without them. */
  async function prepare(): Promise<void> {
    const earned = await orNothing(() => ask(api.belts.earned.$get(), beltsOfClasses));
    toHand.value =
      earned?.find(({ id }) => id === classId.value)?.earned.filter(({ givenAt }) => givenAt === null) ?? [];
    const list = await orNothing(() => ask(api.instruments.$get(), InstrumentList));
    calls.value = list?.cleaning ?? [];
  }

  const facts = computed((): LessonFacts | null => {
    const [open, next] = [page.value, lesson.value];
    if (open === null || next === null || history.value === null || !isReady.value) return null;
    const planned = unitPlan(open).lessons.find(({ date }) => date === next.date) ?? null;
    return factsOf(open, {
      lesson: next,
      step: lessonStep.value,
      history: history.value,
      ready: run.value?.ready ?? [],
      part: partOf(planned, step.value, history.value),
      toClean: cleaning.value?.instrumentIds.length ?? 0,
      beltsToHand: toHand.value.length,
    });
  });
  const proposed = computed((): LessonPlan | null => (facts.value === null ? null : planLesson(facts.value)));
  /** As it runs, or as the teacher keeps it, or as it is proposed. */
  const plan = computed(() => run.value?.plan ?? run.value?.planned ?? proposed.value);

  const reach = computed(() =>
    plan.value === null || facts.value === null ? null : hearingReach(plan.value, facts.value),
  );

  const speech = computed((): LessonSpeech => ({
    say: (name) => sayFor(page.value, name),
    lengths: page.value?.style.lengthWords ?? usualLengths(),
    tune: step.value?.title ?? '',
    easier: step.value?.tunes.find(({ role }) => role === 'easier')?.title ?? null,
    extra: step.value?.tunes.find(({ role }) => role === 'extra')?.title ?? null,
    nameOf: (id) => page.value?.pupils.find((pupil) => pupil.id === id)?.name ?? t('use-plan.a-pupil'),
  }));
  const goOn = computed(() => (page.value === null || page.value.steps.length === 0 ? null : goOnOf(page.value)));

  return {
    reload: () => classes.open(classId.value),
    page,
    lesson,
    history,
    run,
    step,
    lessonStep,
    facts,
    proposed,
    plan,
    reach,
    speech,
    goOn,
    toHand,
    cleaning,
    lessons,
  };
}

/** A note as the class names it. */
function sayFor(page: ClassView | null, name: string): string {
  return noteWordsIn(name, page?.style.naming ?? 'letters', findInstrument(page?.instrumentId ?? ''));
}

async function orNothing<Value>(work: () => Promise<Value>): Promise<Value | null> {
  try {
    return await work();
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    return null;
  }
}

async function readStep(
  page: ClassView,
  position: number,
  rungsDone: LessonStep['rungsDone'],
): Promise<LessonStep | null> {
  const tune = await orNothing(() =>
    ask(api.classes[':id'].steps[':position'].$get({ param: { id: page.id, position: String(position) } }), StepPage),
  );
  if (tune === null) return null;
  const known = knowledgeByName(tune.known);
  const of = page.steps.find((step) => step.position === position)!;
  const titleOf = (role: string): string | null => of.tunes.find((tune) => tune.role === role)?.title ?? null;
  return tuneWorker().stepForLesson({ abc: tune.abc, instrumentId: page.instrumentId }, known, {
    position,
    title: of.title,
    rungs: [...page.style.ladder],
    rungsDone: [...rungsDone],
    easier: titleOf('easier'),
    extra: titleOf('extra'),
    challenge: page.style.teaching.challenge,
  });
}
