import { ref } from 'vue';
import type { Seconds } from '@escalier/core/units';
import { joinBlocks } from './join-blocks.ts';
import { untilQuiet } from './quiet.ts';
import { useMicrophone } from './use-microphone.ts';

/** What the microphone gave from start to end: one channel, -1 to 1, `rate` a second. */
export interface Take {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly rate: number;
}

/**
 * Records from the microphone into memory. Call it in `setup`.
 * @param longest after which it stops by itself. @param onFull told of that; the take waits for `finish`.
 * @param quiet after so long a silence it stops, too, once something was played; never where it is not given.
 */
export function useTake(longest: Seconds, onFull: () => void = () => undefined, quiet: Seconds | null = null) {
  const microphone = useMicrophone();
  const seconds = ref(0);
  let blocks: Float32Array[] = [];
  let rate = 1;
  let samples = 0;

  /** Begins anew: what was not finished is gone. */
  async function start(): Promise<void> {
    forget();
    const silence = quiet === null ? null : untilQuiet(quiet);
    await microphone.start(
      (perSecond) => (rate = perSecond),
      (block) => {
        // A few come after it has ended: they are no part of it.
        if (!microphone.isOn.value) return;
        blocks.push(block);
        samples += block.length;
        seconds.value = Math.floor(soFar());
        const isOver = silence?.heard(block, rate) === true || soFar() >= longest;
        if (!isOver || !microphone.isOn.value) return;
        microphone.stop();
        onFull();
      },
    );
  }

  /** How much of it there is. */
  function soFar(): Seconds {
    return samples / rate;
  }

  /** Ends it and hands it over; null where nothing came. */
  function finish(): Take | null {
    microphone.stop();
    const taken = joinBlocks(blocks);
    [blocks, samples] = [[], 0];
    return taken.length === 0 ? null : { samples: taken, rate };
  }

  function forget(): void {
    microphone.stop();
    [blocks, samples] = [[], 0];
    seconds.value = 0;
  }

  return { isOn: microphone.isOn, error: microphone.error, seconds, soFar, start, finish, forget };
}
