import type { RecordingDto } from '@escalier/contract/recordings';
import type { Outcome } from '@escalier/core/records';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError, ask } from '../../api.ts';
import { useNotices } from '../../ui/use-notices.ts';
import type { ListenedView } from '../../workers/listening.ts';
import { OUTCOME_WORDS, useHearing, type HeardDraft } from '../hearing/index.ts';
import type { useRecordings } from './use-recordings.ts';
import { t } from './messages.ts';

/** The teacher's decision about a recording, and on to the next that waits for one. */
export function useDecision(
  classId: Ref<string>,
  recordings: ReturnType<typeof useRecordings>,
  recording: Ref<RecordingDto | null>,
  view: Ref<ListenedView | null>,
) {
  const router = useRouter();
  const notices = useNotices();
  const hearing = useHearing();
  const remarks = ref<string[]>([]);
  /** To the pupil. */
  const words = ref('');
  watch(view, (heard) => (remarks.value = [...(heard?.remarks ?? [])]));
  watch(recording, (now, before) => now?.id !== before?.id && (words.value = now?.words ?? ''), { immediate: true });

  const isOpen = computed(() => recordings.open.value.some(({ id }) => id === recording.value?.id));
  const following = computed(() => {
    const { open } = recordings;
    const at = open.value.findIndex(({ id }) => id === recording.value?.id);
    return open.value[at + 1] ?? open.value.find(({ id }) => id !== recording.value?.id) ?? null;
  });
  async function goTo(next: RecordingDto | null): Promise<void> {
    const params = { classId: classId.value };
    if (next === null) await router.push({ name: 'recordings', params });
    else await router.replace({ name: 'recording', params: { ...params, recordingId: next.id } });
  }

  /** Recorded as every other result, with what was proposed beside it. */
  async function judge(outcome: Outcome): Promise<void> {
    const now = recording.value;
    const pupil = now === null ? null : recordings.pupilOf(now);
    const step = now === null ? null : recordings.stepOf(now);
    if (now === null || pupil === null || step === null || !isOpen.value) return;
    const heard = view.value;
    const draft: HeardDraft = {
      pupilId: pupil.id,
      stepId: step.id,
      outcome,
      remarks: [...remarks.value],
      ...(now.tuneId === step.tuneId ? {} : { tuneId: now.tuneId }),
      ...(heard === null || heard.tempo === null ? {} : { tempo: heard.tempo }),
      ...(heard === null || heard.faults.length === 0 || outcome === 'passed' ? {} : { faults: heard.faults }),
      listened: { recordingId: now.id, outcome: heard?.outcome ?? null, remarks: heard?.remarks ?? [] },
    };
    const next = following.value;
    const said = words.value.trim();
    if (!(await hearing.hear(classId.value, draft, pupil.name, step.position))) return;
    notices.say(`${pupil.name}: ${OUTCOME_WORDS[outcome]}.`);
    if (said !== now.words && !(await tell(now.id, said))) return;
    await goTo(next);
  }

  /** Two answers to one recording: somebody else's at the school, and one's own that is not there yet. */
  const clash = shallowRef<{ readonly id: string; readonly mine: string; readonly words: string } | null>(null);

  /** Words that do not reach the school are said so: they are not in the result. Resolves to whether they did. */
  async function tell(id: string, said: string): Promise<boolean> {
    const version = recordings.list.value?.recordings.find((recording) => recording.id === id)?.answerVersion ?? 0;
    try {
      await ask(api.recordings[':id'].$patch({ param: { id }, json: { words: said, version } }));
      recordings.change(id, { words: said, answerVersion: version + 1 });
      return true;
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      if (problem.code !== 'changed') {
        notices.fail(t('use-decision.the-result-is-saved-but-not', { said, message: problem.message }));
        return true;
      }
      await recordings.load();
      clash.value = { id, mine: said, words: problem.message };
      return false;
    }
  }

  async function keepMine(): Promise<void> {
    const { id, mine } = clash.value!;
    clash.value = null;
    await tell(id, mine);
  }

  return {
    remarks,
    words,
    isOpen,
    following,
    judge,
    hearing,
    clash,
    keepMine,
    keepTheirs: () => (clash.value = null),
    goOn: () => goTo(following.value),
  };
}
