import { useEventListener } from '@vueuse/core';
import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue';
import { EMPTY_STAGE, type Stage } from './stage.ts';

/** What goes from the teacher's window to that of the class: the whole stage, or only the place in the music. */
type Told =
  | { readonly kind: 'stage'; readonly stage: Stage }
  | { readonly kind: 'now'; readonly now: string | null; readonly beat: number | null; readonly whose: Stage['whose'] }
  /** A window of the class opens, or goes. */
  | { readonly kind: 'asks' }
  | { readonly kind: 'gone' }
  /** The teacher's window opens. */
  | { readonly kind: 'calls' };

function channelOf(classId: string): BroadcastChannel | null {
  return typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`escalier-stage-${classId}`);
}

/** Tells the class's window what to show, and whether one is there. */
export function useStageSender(classId: string, stage: Ref<Stage>) {
  const channel = channelOf(classId);
  const isSeen = ref(false);
  // What is watched is no plain data, and cannot be sent.
  const plain = (): Stage => JSON.parse(JSON.stringify(stage.value)) as Stage;
  const post = (told: Told): void => channel?.postMessage(told);
  channel?.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    if (data.kind === 'gone') isSeen.value = false;
    if (data.kind !== 'asks') return;
    isSeen.value = true;
    post({ kind: 'stage', stage: plain() });
  });
  // A window of the class that was open before: the lesson was opened anew.
  post({ kind: 'calls' });
  let last = '';
  watch(
    stage,
    (next) => {
      const { now, beat, whose, ...rest } = next;
      const content = JSON.stringify(rest);
      if (content === last) return post({ kind: 'now', now, beat, whose });
      last = content;
      post({ kind: 'stage', stage: plain() });
    },
    { immediate: true, flush: 'sync' },
  );
  onScopeDispose(() => channel?.close());
  return { isSeen };
}

/** What the teacher's window shows now; null as long as it says nothing. */
export function useStageReceiver(classId: string): Ref<Stage | null> {
  const stage = shallowRef<Stage | null>(null);
  const channel = channelOf(classId);
  const post = (told: Told): void => channel?.postMessage(told);
  channel?.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    if (data.kind === 'calls') post({ kind: 'asks' });
    else if (data.kind === 'stage') stage.value = data.stage;
    else if (data.kind === 'now') {
      const { now, beat, whose } = data;
      stage.value = { ...(stage.value ?? EMPTY_STAGE), now, beat, whose };
    }
  });
  post({ kind: 'asks' });
  useEventListener(window, 'pagehide', () => post({ kind: 'gone' }));
  useEventListener(window, 'pageshow', ({ persisted }) => persisted && post({ kind: 'asks' }));
  onScopeDispose(() => {
    post({ kind: 'gone' });
    channel?.close();
  });
  return stage;
}
