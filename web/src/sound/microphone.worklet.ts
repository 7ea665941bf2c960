/** What the scope of an audio worklet gives; the DOM's types do not name it. */
declare abstract class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

const BLOCK = 1024;

/** Gathers what the microphone hears into blocks, one channel. */
class Microphone extends AudioWorkletProcessor {
  private block = new Float32Array(BLOCK);
  private at = 0;

  process([input]: readonly (readonly Float32Array[])[]): boolean {
    const [side] = input ?? [];
    if (side === undefined) return true;
    for (const sample of side) {
      this.block[this.at++] = sample;
      if (this.at < BLOCK) continue;
      this.port.postMessage(this.block, [this.block.buffer]);
      this.block = new Float32Array(BLOCK);
      this.at = 0;
    }
    return true;
  }
}

registerProcessor('microphone', Microphone);
