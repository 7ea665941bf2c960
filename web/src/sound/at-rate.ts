/** The same sound at another rate, both in samples a second. */
export async function atRate(
  samples: Float32Array<ArrayBuffer>,
  rate: number,
  wanted: number,
): Promise<Float32Array<ArrayBuffer>> {
  const length = Math.max(1, Math.floor((samples.length / rate) * wanted));
  const context = new OfflineAudioContext(1, length, wanted);
  const source = context.createBufferSource();
  const buffer = context.createBuffer(1, samples.length, rate);
  buffer.copyToChannel(samples, 0);
  source.buffer = buffer;
  source.connect(context.destination);
  source.start();
  return (await context.startRendering()).getChannelData(0);
}
