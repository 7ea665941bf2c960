import { ref } from 'vue';
import type { Seconds } from '@escalier/core/units';
import { joinBlocks } from './join-blocks.ts';
import { useMicrophone } from './use-microphone.ts';

/** What the microphone gave from start to end: one channel, -1 to 1, `rate` a second. */
export interface Take {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly rate: number;
}

/**
 * Records from the microphone into memory. Call it in `setup`.
 * @param longest after which it stops by itself. @param onFull told of that; the take waits for `finish`.
 */
export function useTake(longest: Seconds, onFull: () => void = () => undefined) {
  const microphone = useMicrophone();
  const seconds = ref(0);
  let blocks: Float32Array[] = [];
  let rate = 1;

  /** Begins anew: what was not finished is gone. */
  async function start(): Promise<void> {
    forget();
    await microphone.start(
      (perSecond) => (rate = perSecond),
      (block) => {
        blocks.push(block);
        seconds.value = Math.floor((blocks.length * block.length) / rate);
        if (seconds.value < longest || !microphone.isOn.value) return;
        microphone.stop();
        onFull();
      },
    );
  }

  /** Ends it and hands it over; null where nothing came. */
  function finish(): Take | null {
    microphone.stop();
    const samples = joinBlocks(blocks);
    blocks = [];
    return samples.length === 0 ? null : { samples, rate };
  }

  function forget(): void {
    microphone.stop();
    blocks = [];
    seconds.value = 0;
  }

  return { isOn: microphone.isOn, error: microphone.error, seconds, start, finish, forget };
}
