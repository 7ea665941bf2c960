import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { joinBlocks, useMicrophone } from '../../sound/index.ts';
import { PlainError } from '../../ui/plain-error.ts';
import { listeningPool, type ListenedView, type ToListen } from '../../workers/listening.ts';
import { tuneText } from './tune-text.ts';

const LONGEST_SECONDS = 180;

/** Listens while a pupil plays; when they have ended, it is held against the tune. Nothing is kept. */
export function useHeardLive() {
  const microphone = useMicrophone();
  const pool = listeningPool();
  onScopeDispose(() => pool.cancel());
  const view = shallowRef<ListenedView | null>(null);
  const seconds = ref(0);
  const isThinking = ref(false);
  const error = ref<string | null>(null);
  let blocks: Float32Array[] = [];
  let rate = 1;
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
    await microphone.start(
      (perSecond) => (rate = perSecond),
      (block) => {
        blocks.push(block);
        seconds.value = Math.floor((blocks.length * block.length) / rate);
        if (seconds.value >= LONGEST_SECONDS) microphone.stop();
      },
    );
  }

  /** The tune has ended. */
  async function finish(asked: Pick<ToListen, 'instrumentId' | 'rule'>): Promise<void> {
    microphone.stop();
    const samples = joinBlocks(blocks);
    blocks = [];
    isThinking.value = true;
    try {
      view.value = await pool.listen({ ...asked, abc, samples, rate });
    } catch (problem) {
      if (!(problem instanceof PlainError)) throw problem;
      error.value = problem.message;
    } finally {
      isThinking.value = false;
    }
  }

  /** For the next pupil. */
  function forget(): void {
    microphone.stop();
    blocks = [];
    view.value = null;
    seconds.value = 0;
  }

  const problem = computed(() => microphone.error.value ?? error.value);
  return { view, seconds, isThinking, isOn: microphone.isOn, problem, start, finish, forget };
}
