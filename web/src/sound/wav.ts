/** A WAV file of 16 bits and one channel. Samples from -1 to 1 at `rate` a second. */
export function encodeWav(samples: Float32Array, rate: number): Uint8Array<ArrayBuffer> {
  const headerBytes = 44;
  const bytes = new Uint8Array(headerBytes + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string): void => {
    for (let index = 0; index < letters.length; index++) view.setUint8(at + index, letters.charCodeAt(index));
  };
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, samples.length * 2, true);
  for (const [index, sample] of samples.entries()) {
    view.setInt16(headerBytes + index * 2, Math.round(Math.max(-1, Math.min(1, sample)) * 32767), true);
  }
  return bytes;
}
