import { PLAIN_RULE, writeWav } from '@escalier/core/listening';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { atRate, joinBlocks, useMicrophone } from '../sound/index.ts';
import { PlainError } from '../ui/plain-error.ts';
import { listeningPool, type ListenedView } from '../workers/listening.ts';
import { useSoundFile } from './use-sound-file.ts';

/** Seconds of the longest: what the school keeps of one has room for it. */
const LONGEST = 90;
const RATE = 16_000;

/** A pupil plays, hears themselves, and is told what was heard. Nothing leaves the device. Call it in `setup`. */
export function useOwnRecording() {
  const microphone = useMicrophone();
  const pool = listeningPool();
  const seconds = ref(0);
  const isThinking = ref(false);
  const problem = ref<string | null>(null);
  const view = shallowRef<ListenedView | null>(null);
  const sound = shallowRef<Blob | null>(null);
  const out = useSoundFile();
  let blocks: Float32Array[] = [];
  let rate = 1;
  onScopeDispose(() => pool.cancel());

  async function start(): Promise<void> {
    forget();
    await microphone.start(
      (perSecond) => (rate = perSecond),
      (block) => {
        blocks.push(block);
        seconds.value = Math.floor((blocks.length * block.length) / rate);
        if (seconds.value >= LONGEST) microphone.stop();
      },
    );
  }

  /** The tune has ended: what was heard is held against it. */
  async function finish(abc: string, instrumentId: string): Promise<void> {
    microphone.stop();
    const samples = joinBlocks(blocks);
    blocks = [];
    if (samples.length === 0) return;
    isThinking.value = true;
    try {
      sound.value = new Blob([writeWav(await atRate(samples, rate, RATE), RATE)], { type: 'audio/wav' });
      view.value = await pool.listen({ samples, rate, abc, instrumentId, rule: PLAIN_RULE });
    } catch (mishap) {
      if (!(mishap instanceof PlainError)) throw mishap;
      problem.value = mishap.message;
    } finally {
      isThinking.value = false;
    }
  }

  async function hear(): Promise<void> {
    if (out.isPlaying.value) out.stop();
    else if (sound.value !== null) await out.play(sound.value);
  }

  function forget(): void {
    microphone.stop();
    out.stop();
    blocks = [];
    [view.value, sound.value, problem.value, seconds.value] = [null, null, null, 0];
  }

  const error = computed(() => microphone.error.value ?? out.error.value ?? problem.value);
  return {
    isOn: microphone.isOn,
    seconds,
    isThinking,
    error,
    view,
    sound,
    isPlaying: out.isPlaying,
    start,
    finish,
    hear,
    forget,
  };
}
