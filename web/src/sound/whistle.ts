/**
 * The voice of a tin whistle, put together from its partials: a strong first one, a second that grows weaker the higher
 * the note, little above, a breath of noise, and a short chiff at the start. No vibrato: a child tunes to it.
 */

/** Levels of the partials in dB under the first, at the bottom of the range and at its top. */
const PARTIALS = [
  { low: 0, high: 0 },
  { low: -13, high: -24 },
  { low: -19, high: -34 },
  { low: -28, high: -46 },
  { low: -36, high: -56 },
] as const;
const LOW_MIDI = 70;
const HIGH_MIDI = 100;
const BREATH = 0.012;
const CHIFF = { seconds: 0.045, level: 0.12 };
const ATTACK_SECONDS = 0.025;
/** Root mean square: as loud as the samples of the recorder. */
const LOUDNESS = 0.16;
/** The tone is tiled from a piece with a whole number of periods; the length that fits best is looked for in here. */
const TILE = { shortest: 8000, longest: 10_000 };

/**
 * One note, as long as asked for.
 * @param midi number of the pitch, 40 to 110. @param rate samples a second. @param random for the breath: 0 to 1.
 */
export function whistleTone(
  midi: number,
  rate: number,
  seconds: number,
  random: () => number,
): Float32Array<ArrayBuffer> {
  const tile = toneTile(midi, rate);
  const samples = new Float32Array(Math.round(seconds * rate));
  let breath = 0;
  for (let at = 0; at < samples.length; at++) {
    const time = at / rate;
    // Breath is noise without its sharpest part.
    breath += 0.35 * (2 * random() - 1 - breath);
    const chiff = time < CHIFF.seconds ? CHIFF.level * (1 - time / CHIFF.seconds) : 0;
    const rise = Math.min(1, time / ATTACK_SECONDS);
    samples[at] = rise * tile[at % tile.length]! + (BREATH + chiff) * breath;
  }
  return samples;
}

function toneTile(midi: number, rate: number): Float32Array {
  const hertz = 440 * 2 ** ((midi - 69) / 12);
  const { length, periods } = bestTile(hertz, rate);
  const levels = PARTIALS.map(({ low, high }) => 10 ** ((low + (high - low) * shareAt(midi)) / 20));
  const heard = levels.filter((_, number) => (number + 1) * hertz < 0.45 * rate);
  const scale = (LOUDNESS * Math.SQRT2) / Math.hypot(...heard);
  return Float32Array.from({ length }, (_, at) => {
    const phase = (2 * Math.PI * periods * at) / length;
    return scale * heard.reduce((sum, level, number) => sum + level * Math.sin((number + 1) * phase), 0);
  });
}

function shareAt(midi: number): number {
  return Math.max(0, Math.min(1, (midi - LOW_MIDI) / (HIGH_MIDI - LOW_MIDI)));
}

/** The piece that holds a whole number of periods most nearly: off by less than a tenth of a cent. */
function bestTile(hertz: number, rate: number): { readonly length: number; readonly periods: number } {
  let best = { length: TILE.shortest, periods: 0, off: Infinity };
  for (let length = TILE.shortest; length <= TILE.longest; length++) {
    const exact = (hertz * length) / rate;
    const periods = Math.round(exact);
    const off = Math.abs(exact / periods - 1);
    if (off < best.off) best = { length, periods, off };
  }
  return best;
}
