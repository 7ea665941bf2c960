/** Seconds of a sample in which the tone stands, and of the seam where it is joined to itself. */
const STEADY_FROM = 0.7;
const SEAM = 0.12;

/**
 * A short sample made as long as any note needs it: its steady part is repeated, each time faded into the next with
 * equal power, so that no seam is heard. The attack stays as it is.
 * @param samples one channel at `rate` a second, longer than the steady part's beginning and two seams.
 * @throws RangeError when it is shorter than that.
 */
export function sustained(samples: Float32Array, rate: number, seconds: number): Float32Array<ArrayBuffer> {
  const from = Math.round(STEADY_FROM * rate);
  const seam = Math.round(SEAM * rate);
  const steady = samples.subarray(from);
  if (steady.length < 2 * seam) throw new RangeError('the sample is too short to be sustained');
  const long = new Float32Array(Math.round(seconds * rate));
  long.set(samples.subarray(0, Math.min(samples.length, long.length)));
  for (let end = samples.length; end < long.length; end += steady.length - seam) {
    const start = end - seam;
    for (let index = 0; index < steady.length && start + index < long.length; index++) {
      const share = Math.min(1, index / seam);
      const before = index < seam ? long[start + index]! * Math.cos((share * Math.PI) / 2) : 0;
      long[start + index] = before + steady[index]! * Math.sin((share * Math.PI) / 2);
    }
  }
  return long;
}
