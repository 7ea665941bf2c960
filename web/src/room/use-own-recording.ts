import { PLAIN_RULE, writeWav } from '@escalier/core/listening';
import { computed, shallowRef } from 'vue';
import { atRate, useListener, useTake } from '../sound/index.ts';
import type { ListenedView, ToListen } from '../workers/listening.ts';
import { RECORDED_RATE } from './room-api.ts';
import { useSoundFile } from './use-sound-file.ts';

/** Seconds of the longest: what the school keeps of one has room for it. */
const LONGEST = 90;

/** What is played, on what, and how the class names its notes. */
type Played = Pick<ToListen, 'abc' | 'instrumentId' | 'naming'>;

/** A pupil plays, hears themselves, and is told what was heard. Nothing leaves the device. Call it in `setup`. */
export function useOwnRecording() {
  const take = useTake(LONGEST, () => void finish());
  const { isThinking, problem, listen } = useListener();
  const view = shallowRef<ListenedView | null>(null);
  const sound = shallowRef<Blob | null>(null);
  const out = useSoundFile();
  let played: Played = { abc: '', instrumentId: '' };

  async function start(what: Played): Promise<void> {
    forget();
    played = what;
    await take.start();
  }

  /** The tune has ended, or the time: what was heard is held against it. */
  async function finish(): Promise<void> {
    const made = take.finish();
    if (made === null) return;
    view.value = await listen(async (hear) => {
      const wav = writeWav(await atRate(made.samples, made.rate, RECORDED_RATE), RECORDED_RATE);
      sound.value = new Blob([wav], { type: 'audio/wav' });
      return hear({ ...made, ...played, rule: PLAIN_RULE });
    });
  }

  async function hear(): Promise<void> {
    if (out.isPlaying.value) out.stop();
    else if (sound.value !== null) await out.play(sound.value);
  }

  function forget(): void {
    take.forget();
    out.stop();
    [view.value, sound.value, problem.value] = [null, null, null];
  }

  const error = computed(() => take.error.value ?? out.error.value ?? problem.value);
  return {
    isOn: take.isOn,
    seconds: take.seconds,
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
