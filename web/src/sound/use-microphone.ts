import { onScopeDispose, ref } from 'vue';
import worklet from './microphone.worklet.ts?worker&url';
import { t } from '../ui/messages.ts';

/** Why the microphone cannot be heard. */
const WORDS: Readonly<Record<string, string>> = {
  NotAllowedError: t('use-microphone.the-browser-isnt-allowed-to-use'),
  NotFoundError: t('use-microphone.there-is-no-microphone'),
  NotReadableError: t('use-microphone.the-microphone-is-in-use-by'),
};

/**
 * The microphone, asked for only when it is started, without what telephones do to voices: they take a whistle for noise.
 * Blocks are given as they come; nothing is kept here. Call it in `setup`.
 */
export function useMicrophone() {
  const isOn = ref(false);
  const error = ref<string | null>(null);
  let open: { readonly stream: MediaStream; readonly context: AudioContext } | null = null;
  let asked = 0;

  function stop(): void {
    asked++;
    for (const track of open?.stream.getTracks() ?? []) track.stop();
    void open?.context.close();
    open = null;
    isOn.value = false;
  }

  /** @param begun is told the samples a second. @param hear gets each block, about 23 ms. */
  async function start(begun: (rate: number) => void, hear: (block: Float32Array<ArrayBuffer>) => void): Promise<void> {
    stop();
    const mine = asked;
    error.value = null;
    try {
      const audio = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
      const stream = await navigator.mediaDevices.getUserMedia({ audio });
      const context = new AudioContext();
      await context.audioWorklet.addModule(worklet);
      if (mine !== asked) {
        for (const track of stream.getTracks()) track.stop();
        return void context.close();
      }
      open = { stream, context };
      const node = new AudioWorkletNode(context, 'microphone', { numberOfOutputs: 0 });
      begun(context.sampleRate);
      node.port.addEventListener('message', ({ data }: MessageEvent<Float32Array<ArrayBuffer>>) => hear(data));
      node.port.start();
      context.createMediaStreamSource(stream).connect(node);
      isOn.value = true;
    } catch (problem) {
      const name = problem instanceof DOMException ? problem.name : '';
      error.value = WORDS[name] ?? t('use-microphone.the-microphone-couldnt-be-started');
    }
  }

  onScopeDispose(stop);
  return { isOn, error, start, stop };
}
