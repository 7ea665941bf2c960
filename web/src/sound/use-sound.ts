import { useLocalStorage } from '@vueuse/core';
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { play, setLoudness, type Playing, type Voices } from './player.ts';
import type { Schedule } from './schedule.ts';
import { t } from '../ui/messages.ts';

/** Kept on this device: a projector's loudspeakers are not a tablet's. */
const muted = useLocalStorage('escalier.muted', false);
let followed = false;

/** Sound off and on for everything; the picture and the clock go on without it. */
export function useMute() {
  return muted;
}

/** Plays schedules one at a time and says where it is; stops when the page is left. */
export function useSound() {
  const now = ref<string | null>(null);
  const error = ref<string | null>(null);
  const playing = shallowRef<Playing | null>(null);
  let asked = 0;

  function stop(): void {
    asked += 1;
    playing.value?.stop();
    playing.value = null;
    now.value = null;
  }

  async function start(schedule: Schedule, voices: Voices, loop = false, onEnd?: () => void): Promise<void> {
    stop();
    const mine = asked;
    error.value = null;
    try {
      followMute();
      const started = await play(schedule, voices, loop, {
        // A picture that was due before the stop may still come after it.
        onCue: (id) => {
          if (mine === asked) now.value = id;
        },
        onEnd: () => {
          if (mine !== asked) return;
          stop();
          onEnd?.();
        },
      });
      if (mine === asked) playing.value = started;
      else started.stop();
    } catch {
      if (mine === asked) error.value = t('use-sound.this-device-cant-play-sound-at');
    }
  }

  onBeforeUnmount(stop);
  return { now, error, playing, start, stop };
}

function followMute(): void {
  if (followed) return;
  followed = true;
  watch(muted, () => void setLoudness(0, muted.value), { immediate: true });
}
