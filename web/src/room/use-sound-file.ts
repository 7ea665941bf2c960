import { onScopeDispose, ref } from 'vue';
import { t } from './messages.ts';

/** Plays a sound that is here as bytes: the page's policy lets no address of them be played. Call it in `setup`. */
export function useSoundFile() {
  const isPlaying = ref(false);
  const error = ref<string | null>(null);
  let context: AudioContext | null = null;

  function stop(): void {
    void context?.close();
    context = null;
    isPlaying.value = false;
  }

  async function play(sound: Blob): Promise<void> {
    stop();
    error.value = null;
    const mine = new AudioContext();
    context = mine;
    isPlaying.value = true;
    try {
      const buffer = await mine.decodeAudioData(await sound.arrayBuffer());
      if (context !== mine) return;
      const source = mine.createBufferSource();
      source.buffer = buffer;
      source.connect(mine.destination);
      source.addEventListener('ended', () => {
        if (context === mine) stop();
      });
      source.start();
    } catch {
      stop();
      error.value = t('use-sound-file.this-device-cant-play-sound-at');
    }
  }

  onScopeDispose(stop);
  return { isPlaying, error, play, stop };
}
