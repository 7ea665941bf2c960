import type { InstrumentId } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import {
  findingsOf,
  beltsFor,
  lessonsToTeach,
  newsOfSteps,
  scorePlan,
  type Pin,
  type Plan,
  type StaircaseRules,
} from '@escalier/core/staircase';
import { computed, ref, shallowRef } from 'vue';
import { WorkerEnded } from '../../workers/index.ts';
import { newStep, type DraftStep } from './draft.ts';
import { useLibraryProfiles } from './use-library-profiles.ts';

/** What a teacher asks for. */
export interface Wishes {
  readonly instrumentId: InstrumentId;
  readonly order: readonly string[];
  readonly knows: readonly string[];
  readonly steps: number;
  readonly lessons: number;
  readonly pins: readonly Pin[];
}

/** One lesson more than teaching takes, to hear the class. */
const HEARING_LESSONS = 1;
/** What a step takes as a rule: two lessons to teach, one to hear. */
const LESSONS_A_STEP = 3;

/** How many steps a class can climb in so many lessons; at least a note of the order each. */
export function stepsIn(lessons: number, notes: number): number {
  return Math.max(
    2,
    Math.min(20, Math.max(Math.floor(lessons / LESSONS_A_STEP), Math.min(notes, Math.floor(lessons / 2)))),
  );
}

/** Lessons are shared out by what the steps need, so that all of them are used. */
export function shareLessons(rises: readonly number[], lessons: number): readonly number[] {
  const needed = rises.map((rise) => lessonsToTeach(rise) + HEARING_LESSONS);
  const all = needed.reduce((sum, each) => sum + each, 0);
  const shared = needed.map((each) => Math.max(1, Math.floor((each * lessons) / Math.max(1, all))));
  let left = lessons - shared.reduce((sum, each) => sum + each, 0);
  for (let index = 0; left > 0 && shared.length > 0; index = (index + 1) % shared.length, left -= 1)
    shared[index]! += 1;
  return shared;
}

/** The best staircase for what is asked, found in a worker; any step can be exchanged for one of the next in line. */
export function useProposal() {
  const library = useLibraryProfiles();
  const plan = shallowRef<Plan | null>(null);
  const share = ref(0);
  const working = ref(false);
  const error = ref<string | null>(null);
  let asked: Wishes | null = null;

  async function make(wishes: Wishes): Promise<void> {
    working.value = true;
    error.value = null;
    share.value = 0;
    try {
      if (library.profiles.value === null || asked?.instrumentId !== wishes.instrumentId)
        await library.read(wishes.instrumentId);
      asked = wishes;
      plan.value = await library.worker.ask(
        'plan',
        { ...rulesOf(wishes), tunes: library.profiles.value ?? [], seed: 1 },
        (done) => (share.value = done),
      );
    } catch (problem) {
      if (!(problem instanceof WorkerEnded)) throw problem;
      error.value = problem.message;
      library.profiles.value = null;
    } finally {
      working.value = false;
    }
  }

  function rulesOf({ order, knows, pins, steps }: Wishes): StaircaseRules {
    return { order: [...order], knows: { ...NOTHING_KNOWN, notes: new Set(knows) }, pins: [...pins], steps };
  }

  /** Puts another tune in the place of a step's. */
  function exchange(index: number, tuneId: string): void {
    const list = plan.value!.steps.map((step) => step.tune).with(index, tuneId);
    const { problems } = plan.value!;
    plan.value = { ...scorePlan(library.profiles.value!, rulesOf(asked!), list), problems };
  }

  const profiles = computed(() => (plan.value?.steps ?? []).flatMap((step) => library.byId.value.get(step.tune) ?? []));
  const steps = computed((): readonly DraftStep[] => {
    if (plan.value === null || asked === null) return [];
    const belts = beltsFor(profiles.value.length);
    const lessons = shareLessons(
      plan.value.steps.map((step) => step.news.rise.total),
      asked.lessons,
    );
    return profiles.value.map((profile, index) => newStep(profile, belts[index]!, lessons[index]!));
  });
  const news = computed(() => newsOfSteps(profiles.value, { ...NOTHING_KNOWN, notes: new Set(asked?.knows ?? []) }));
  const findings = computed(() =>
    asked === null
      ? []
      : findingsOf({
          steps: profiles.value,
          lessons: steps.value.map((step) => step.lessons),
          order: asked.order,
          knows: { ...NOTHING_KNOWN, notes: new Set(asked.knows) },
        }),
  );

  return { library, plan, share, working, error, make, exchange, cancel: library.worker.cancel, steps, news, findings };
}
