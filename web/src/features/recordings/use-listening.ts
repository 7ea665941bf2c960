import type { RecordingDto } from '@escalier/contract/recordings';
import { PLAIN_RULE } from '@escalier/core/listening';
import { onScopeDispose, ref, type Ref } from 'vue';
import { api, ask } from '../../api.ts';
import { listeningPool, type ListenedView } from '../../workers/listening.ts';
import { PlainError } from '../../refusals/index.ts';
import type { ClassView } from '../classes/index.ts';
import { listeningRule, tuneText } from '../listening/index.ts';
import { decode } from './decode.ts';
import { soundOf } from './use-recordings.ts';
import { t } from './messages.ts';

/** Listens to recordings on this device; what comes of it goes to the school as a few words. */
export function useListening(
  page: Ref<ClassView | null>,
  change: (id: string, changed: Partial<RecordingDto>) => void,
) {
  const pool = listeningPool();
  onScopeDispose(() => pool.cancel());
  /** How many of the queue are done; null when nothing is under way. */
  const progress = ref<{ readonly done: number; readonly of: number } | null>(null);
  const failed = ref<ReadonlyMap<string, string>>(new Map());

  async function listen(recording: RecordingDto, sound?: Blob): Promise<ListenedView | null> {
    const step = page.value?.steps.find(({ id }) => id === recording.stepId);
    const pupil = page.value?.pupils.find(({ id }) => id === recording.pupilId);
    const [abc, file] = await Promise.all([tuneText(recording.tuneId), sound ?? soundOf(recording.id)]);
    const { samples, rate } = await decode(file);
    return pool.listen({
      samples,
      rate,
      abc,
      instrumentId: pupil?.playsInstead ?? page.value?.instrumentId ?? '',
      rule: page.value === null ? PLAIN_RULE : listeningRule(page.value, step ?? null),
    });
  }

  /** What the list shows of it is kept at the school, so that it is listened to once. */
  async function summarise(recording: RecordingDto, view: ListenedView): Promise<void> {
    const { outcome, remarks, words, sure } = view;
    const heard = { outcome, remarks: [...remarks], words, sure };
    change(recording.id, { heard });
    await ask(api.recordings[':id'].$patch({ param: { id: recording.id }, json: { heard } }));
  }

  /** What cannot be listened to is not tried again by itself; it can be by hand. */
  async function giveUp(recording: RecordingDto, { message }: PlainError): Promise<void> {
    const heard = {
      outcome: null,
      remarks: [],
      words: t('use-listening.escalier-could-not-listen-to-it', { message }),
      sure: 0,
      failed: true,
    };
    change(recording.id, { heard });
    await ask(api.recordings[':id'].$patch({ param: { id: recording.id }, json: { heard } }));
  }

  let stopped = false;
  /** Several at once, as many as the machine has room for. What fails keeps its sentence and can be tried again. */
  async function listenToAll(recordings: readonly RecordingDto[]): Promise<void> {
    if (recordings.length === 0 || progress.value !== null) return;
    stopped = false;
    failed.value = new Map();
    progress.value = { done: 0, of: recordings.length };
    let next = 0;
    const work = async (): Promise<void> => {
      for (let recording = recordings[next++]; recording !== undefined && !stopped; recording = recordings[next++]) {
        try {
          const view = await listen(recording);
          if (view !== null) await summarise(recording, view);
        } catch (problem) {
          if (!(problem instanceof PlainError)) throw problem;
          if (stopped) continue;
          failed.value = new Map([...failed.value, [recording.id, problem.message]]);
          await giveUp(recording, problem).catch(() => undefined);
        }
        if (progress.value !== null) progress.value = { ...progress.value, done: progress.value.done + 1 };
      }
    };
    await Promise.all([work(), work()]);
    progress.value = null;
  }

  function cancel(): void {
    stopped = true;
    pool.cancel();
  }

  return { listen, summarise, giveUp, listenToAll, cancel, progress, failed };
}
