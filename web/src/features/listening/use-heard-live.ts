import { computed, ref, shallowRef } from 'vue';
import { useListener, useTake } from '../../sound/index.ts';
import { PlainError } from '../../refusals/index.ts';
import type { ListenedView, ToListen } from '../../workers/listening.ts';
import { tuneText } from './tune-text.ts';

const LONGEST_SECONDS = 180;

/**
 * Listens while a pupil plays; when they have ended, it is held against the tune. Nothing is kept.
 * @param onFull told after the longest time: then it is finished as it is.
 */
export function useHeardLive(onFull: () => void) {
  const take = useTake(LONGEST_SECONDS, onFull);
  const { isThinking, problem: mishap, listen } = useListener();
  const view = shallowRef<ListenedView | null>(null);
  const error = ref<string | null>(null);
  let abc = '';

  /** @param tuneId is fetched before anybody plays, so that a playing is never lost to the network. */
  async function start(tuneId: string): Promise<void> {
    forget();
    error.value = null;
    try {
      abc = await tuneText(tuneId);
    } catch (problem) {
      if (!(problem instanceof PlainError)) throw problem;
      error.value = problem.message;
      return;
    }
    await take.start();
  }

  /** The tune has ended. */
  async function finish(asked: Pick<ToListen, 'instrumentId' | 'rule'>): Promise<void> {
    const played = take.finish();
    if (played === null) return;
    view.value = await listen((hear) => hear({ ...asked, ...played, abc }));
  }

  /** For the next pupil. */
  function forget(): void {
    take.forget();
    view.value = null;
  }

  const problem = computed(() => take.error.value ?? mishap.value ?? error.value);
  return { view, seconds: take.seconds, isThinking, isOn: take.isOn, problem, start, finish, forget };
}
