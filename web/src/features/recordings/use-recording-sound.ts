import { useRafFn } from '@vueuse/core';
import { onScopeDispose, ref, type Ref } from 'vue';
import { soundAddress } from './use-recordings.ts';

const SLOW = 0.6;
/** A little before a place, so that one hears what leads to it. */
const LEAD_SECONDS = 0.8;
/** Pressed again so soon, the place before is meant. */
const NEAR_SECONDS = 1;

/** Plays a recording: slower at the same pitch (the browser stretches it), and from place to place. @param spots seconds. */
export function useRecordingSound(spots: Ref<readonly number[]>) {
  const audio = new Audio();
  audio.preservesPitch = true;
  const isPlaying = ref(false);
  const slow = ref(false);
  const at = ref(0);
  const clock = useRafFn(() => (at.value = audio.currentTime), { immediate: false });
  audio.addEventListener('play', () => {
    isPlaying.value = true;
    clock.resume();
  });
  for (const over of ['pause', 'ended'] as const)
    audio.addEventListener(over, () => {
      isPlaying.value = false;
      at.value = audio.currentTime;
      clock.pause();
    });
  onScopeDispose(() => audio.pause());

  function open(id: string): void {
    audio.pause();
    audio.src = soundAddress(id);
    audio.playbackRate = slow.value ? SLOW : 1;
    at.value = 0;
  }
  const play = (): Promise<void> => audio.play().catch(() => undefined);
  async function toggle(): Promise<void> {
    if (isPlaying.value) audio.pause();
    else await play();
  }
  function seek(seconds: number): void {
    audio.currentTime = Math.max(0, seconds);
    at.value = audio.currentTime;
    if (!isPlaying.value) void play();
  }
  function jump(by: 1 | -1): void {
    const now = audio.currentTime + LEAD_SECONDS;
    const next =
      by > 0
        ? (spots.value.find((spot) => spot > now + 0.05) ?? spots.value[0])
        : (spots.value.findLast((spot) => spot < now - NEAR_SECONDS) ?? spots.value.at(-1));
    if (next !== undefined) seek(next - LEAD_SECONDS);
  }
  function switchSlow(): void {
    slow.value = !slow.value;
    audio.playbackRate = slow.value ? SLOW : 1;
  }
  return { open, toggle, stop: () => audio.pause(), seek, jump, switchSlow, isPlaying, slow, at };
}
