import { usualLengths } from '@escalier/core/words';
import { ClassSettings, USUAL_HEARING } from '@escalier/contract/classes';
import { type StaircaseChoice, staircaseList } from '@escalier/contract/staircases';
import { ClassCalendar, type TermDto, termList } from '@escalier/contract/terms';
import { USUAL_LADDER, USUAL_POSTURE, USUAL_TEACHING } from '@escalier/core/practice';
import { shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { mergeChanges, saveMerged } from '../../ui/merge.ts';
import { useLoad } from '../../ui/use-load.ts';

export type ClassDraft = Omit<ClassSettings, 'id'>;

/** What a class is set to, with what there is to choose from; a new class begins with what is usual. */
export function useClassSettings(classId: () => string | null) {
  const draft = shallowRef<ClassDraft | null>(null);
  const terms = shallowRef<readonly TermDto[]>([]);
  const staircases = shallowRef<readonly StaircaseChoice[]>([]);
  const calendar = shallowRef<ClassCalendar | null>(null);
  /** As the school has it. */
  let read: ClassDraft | null = null;
  const { error, load } = useLoad(async () => {
    const id = classId();
    [terms.value, staircases.value] = await Promise.all([
      ask(api.terms.$get(), termList),
      ask(api.staircases.$get(), staircaseList),
    ]);
    if (id === null) {
      draft.value ??= newClass(terms.value, staircases.value);
      return;
    }
    const param = { id };
    const [settings, dates] = await Promise.all([
      ask(api.classes[':id'].settings.$get({ param }), ClassSettings),
      ask(api.calendar[':id'].$get({ param }), ClassCalendar),
    ]);
    draft.value = settings;
    read = settings;
    calendar.value = dates;
  });

  /** Gives the id of the class. */
  async function saveClass(): Promise<string> {
    const id = classId();
    const mine = draft.value!;
    if (id === null) {
      const json = { ...sent(mine), staircaseId: mine.staircaseId };
      return (await ask(api.classes.$post({ json }), ClassSettings)).id;
    }
    const put = (row: ClassDraft) =>
      ask(
        api.classes[':id'].settings.$put({ param: { id }, json: { ...sent(row), version: row.version } }),
        ClassSettings,
      );
    const again = async () => {
      const theirs = await ask(api.classes[':id'].settings.$get({ param: { id } }), ClassSettings);
      draft.value = mergeChanges<ClassDraft>(read ?? mine, mine, theirs).merged;
      read = theirs;
      return theirs;
    };
    const { staircaseId } = mine;
    await saveMerged<ClassDraft, unknown>({ before: read ?? mine, mine, put, again });
    if (staircaseId !== read?.staircaseId) await climbAnother(id, staircaseId);
    await load();
    return id;
  }

  return { draft, terms, staircases, calendar, error, load, saveClass };
}

async function climbAnother(id: string, staircaseId: string): Promise<void> {
  const param = { id };
  const { version } = await ask(api.classes[':id'].settings.$get({ param }), ClassSettings);
  await ask(api.classes[':id'].staircase.$put({ param, json: { staircaseId, version } }));
}

function sent({ name, grade, termId, meetings, style, brings }: ClassDraft) {
  return {
    name,
    grade,
    termId,
    meetings: meetings.map((meeting) => ({ ...meeting })),
    style: {
      ...style,
      ladder: [...style.ladder],
      teaching: { ...style.teaching, rows: [...style.teaching.rows], echo: { ...style.teaching.echo } },
    },
    brings: {
      notes: [...brings.notes],
      elements: [...brings.elements],
      signs: [...brings.signs],
      moves: [...brings.moves],
      tuneIds: [...brings.tuneIds],
    },
  };
}

function newClass(terms: readonly TermDto[], staircases: readonly StaircaseChoice[]): ClassDraft {
  return {
    name: '',
    grade: '',
    termId: terms[0]?.id ?? '',
    staircaseId: staircases[0]?.id ?? '',
    meetings: [],
    version: 0,
    brings: { notes: [], elements: [], signs: [], moves: [], tuneIds: [] },
    style: {
      naming: 'letters',
      counting: null,
      lengthWords: usualLengths(),
      goOnShare: 70,
      posture: USUAL_POSTURE,
      passRule: 'both',
      ladder: USUAL_LADDER,
      hearing: USUAL_HEARING,
      points: { kind: 'none' },
      teaching: USUAL_TEACHING,
    },
  };
}
