import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Levels of the second and third partial under the first, in dB, from the lowest sample to the highest. */
const TARGET = { low: { midi: 58, second: -19, third: -21 }, high: { midi: 98, second: -31, third: -40 } };
/** So far a partial is lifted or lowered; beyond it the breath noise around it would be heard. */
const MOST_DB = 18;
const STEADY = { from: 0.9, to: 1.5 };
const Q = 3;

/** The samples of a mono 16-bit WAV file, -1 to 1. */
export function wavSamples(file) {
  const bytes = readFileSync(file);
  const start = bytes.indexOf('data') + 8;
  return Float64Array.from(
    { length: (bytes.length - start) >> 1 },
    (_, at) => bytes.readInt16LE(start + 2 * at) / 32_768,
  );
}

/** The strength of a partial in the steady part, by one bin of a Fourier transform under a Hann window. */
export function partial(samples, rate, hertz) {
  const [from, to] = [Math.round(STEADY.from * rate), Math.round(STEADY.to * rate)];
  let [re, im] = [0, 0];
  for (let at = from; at < to; at++) {
    const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * (at - from)) / (to - from));
    const phase = (2 * Math.PI * hertz * at) / rate;
    re += samples[at] * window * Math.cos(phase);
    im -= samples[at] * window * Math.sin(phase);
  }
  return (4 * Math.hypot(re, im)) / (to - from);
}

/** The pitch nearest to a MIDI number, within 30 cents. */
export function pitchOf(samples, rate, midi) {
  const hertz = 440 * 2 ** ((midi - 69) / 12);
  const cents = Array.from({ length: 61 }, (_, at) => at - 30);
  const best = cents.toSorted(
    (a, b) => partial(samples, rate, hertz * 2 ** (b / 1200)) - partial(samples, rate, hertz * 2 ** (a / 1200)),
  )[0];
  return hertz * 2 ** (best / 1200);
}

/** Second and third partial under the first, in dB. */
export function overtones(samples, rate, midi) {
  const hertz = pitchOf(samples, rate, midi);
  const first = partial(samples, rate, hertz);
  return [2, 3].map((number) => 20 * Math.log10(partial(samples, rate, number * hertz) / first));
}

function targetAt(midi) {
  const share = (midi - TARGET.low.midi) / (TARGET.high.midi - TARGET.low.midi);
  return ['second', 'third'].map((name) => TARGET.low[name] + share * (TARGET.high[name] - TARGET.low[name]));
}

/** Brings the overtones of a sample to where its neighbours have them, so that no scale breaks in tone. */
export function evenOut(from, to, rate, midi) {
  const hertz = pitchOf(wavSamples(from), rate, midi);
  const gains = [0, 0];
  for (let round = 0; round < 3; round++) {
    const bands = gains.flatMap((gain, at) => ['equalizer', String((at + 2) * hertz), `${Q}q`, gain.toFixed(1)]);
    execFileSync('sox', [from, to, ...bands], { stdio: 'ignore' });
    const [is, wanted] = [overtones(wavSamples(to), rate, midi), targetAt(midi)];
    for (const at of [0, 1]) gains[at] = Math.max(-MOST_DB, Math.min(MOST_DB, gains[at] + wanted[at] - is[at]));
  }
  return overtones(wavSamples(to), rate, midi);
}
