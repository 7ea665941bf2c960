/** What a microphone gave, as one. */
export function joinBlocks(blocks: readonly Float32Array[]): Float32Array<ArrayBuffer> {
  const samples = new Float32Array(blocks.reduce((sum, block) => sum + block.length, 0));
  let at = 0;
  for (const block of blocks) {
    samples.set(block, at);
    at += block.length;
  }
  return samples;
}
