import { InstrumentList, beltsOfClasses } from '@escalier/contract/instruments';
import { cautionList } from '@escalier/contract/schools';
import { classTuneList } from '@escalier/contract/class-pages';
import { tuneList } from '@escalier/contract/tunes';
import type { Breathing } from '@escalier/core/handouts';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useClasses } from '../classes/index.ts';
import { useSubstituteLines } from '../lesson/index.ts';
import { useSession } from '../schools/index.ts';
import type { Facts } from './print-request.ts';

/** A class, and what the school knows beside it that may stand on paper. Call it in `setup`. */
export function usePrintFacts(classId: Ref<string>) {
  const session = useSession();
  const classes = useClasses();
  const page = computed(() => (classes.page?.id === classId.value ? classes.page : null));
  const found = shallowRef<Omit<Facts, 'lesson'> | null>(null);
  const { lines } = useSubstituteLines(classId);

  const { error, load } = useLoad(async () => {
    const id = classId.value;
    const [tunes, changed, { cautions }, belts, { instruments }] = await Promise.all([
      ask(api.tunes.$get(), tuneList),
      ask(api.classes[':id'].tunes.$get({ param: { id } }), classTuneList),
      ask(api.school.cautions.$get(), cautionList),
      ask(api.belts.earned.$get(), beltsOfClasses),
      ask(api.instruments.$get(), InstrumentList),
      classes.open(id),
    ]);
    const due = belts.find((belt) => belt.id === id)?.earned.filter(({ givenAt }) => givenAt === null) ?? [];
    const abc = new Map(tunes.map((tune) => [tune.id, tune.abc]));
    const breathing = new Map(
      changed.map(({ tuneId, breathSeconds, breaths }): [string, Breathing] => [
        tuneId,
        { seconds: breathSeconds, kept: breaths },
      ]),
    );
    found.value = {
      school: session.me?.school ?? '',
      teacher: session.me?.name ?? '',
      cautions: cautions
        .filter((caution) => caution.shown && caution.places.includes('lesson'))
        .map((caution) => caution.text),
      abcOf: (tuneId) => abc.get(tuneId) ?? null,
      breathingOf: (tuneId) => breathing.get(tuneId) ?? null,
      beltsDueOf: (pupilId) => due.filter((each) => each.pupilId === pupilId).map(({ belt }) => belt),
      numberOf: (pupilId) =>
        instruments.find(({ loans }) => loans.some((loan) => loan.pupilId === pupilId))?.number ?? null,
    };
  });
  watch(classId, load, { immediate: true });

  const facts = computed((): Facts | null => found.value && { ...found.value, lesson: lines.value });
  return { page, facts, error, load };
}
