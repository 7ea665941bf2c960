import { beatsInBar, isCompound, rational, type Metre, type Rational } from '../music/index.ts';

/** How a backing moves. */
export const FEELS = ['march', 'waltz', 'jig', 'lullaby', 'off-beat', 'ballad', 'drone'] as const;
export type FeelId = (typeof FEELS)[number];

interface HitBase {
  /** In beats from one of the bar. */
  readonly at: Rational;
  readonly length: Rational;
  /** 0 to 1. */
  readonly strength: number;
}

/** What is struck in a bar: a bass note, the whole chord, one of its notes, or a drum by its General MIDI number. */
export type Hit = HitBase &
  (
    | { readonly voice: 'bass'; readonly tone: 'root' | 'fifth' }
    | { readonly voice: 'chord' }
    | { readonly voice: 'tone'; readonly step: number }
    | { readonly voice: 'drum'; readonly drum: number }
  );

const DRUM = { kick: 36, stick: 37, snare: 38, hat: 42, shaker: 70, frame: 64, frameHigh: 63 };
const SHORT = rational(1, 2);
const ONE = rational(1);

const whole = (beats: number): Rational => rational(beats);
const bass = (at: Rational, length: Rational, tone: 'root' | 'fifth' = 'root', strength = 0.8): Hit => ({
  voice: 'bass',
  at,
  length,
  tone,
  strength,
});
const chord = (at: Rational, length: Rational, strength = 0.55): Hit => ({ voice: 'chord', at, length, strength });
const tone = (at: Rational, length: Rational, step: number, strength = 0.5): Hit => ({
  voice: 'tone',
  at,
  length,
  step,
  strength,
});
const drum = (at: Rational, kind: keyof typeof DRUM, strength = 0.4): Hit => ({
  voice: 'drum',
  drum: DRUM[kind],
  length: rational(1, 4),
  at,
  strength,
});

/** One bar of a feel; a metre that the feel is not made for is beaten through evenly. */
export function patternOf(feel: FeelId, metre: Metre): readonly Hit[] {
  const beats = isCompound(metre) || metre.groups === undefined ? beatsInBar(metre) : metre.count;
  const all = Array.from({ length: beats }, (_, index) => index);
  return PATTERNS[feel](all, isCompound(metre));
}

type Pattern = (beats: readonly number[], isCompound: boolean) => readonly Hit[];

/** The middle of a bar of four, where the bass moves to the fifth. */
const isMiddle = (beat: number, beats: readonly number[]): boolean =>
  beats.length % 2 === 0 && beat * 2 === beats.length;

const PATTERNS: Readonly<Record<FeelId, Pattern>> = {
  march: (beats) =>
    beats.flatMap((beat) => {
      const low = beats.length > 2 ? beat === 0 || isMiddle(beat, beats) : beat === 0;
      return [
        low ? bass(whole(beat), ONE, beat === 0 ? 'root' : 'fifth') : chord(whole(beat), SHORT),
        drum(whole(beat), low ? 'kick' : 'snare', low ? 0.45 : 0.3),
      ];
    }),
  waltz: (beats) =>
    beats.flatMap((beat) => [
      beat === 0 ? bass(whole(0), ONE) : chord(whole(beat), SHORT, 0.45),
      drum(whole(beat), beat === 0 ? 'kick' : 'hat', beat === 0 ? 0.4 : 0.25),
    ]),
  jig: (beats) =>
    beats.flatMap((beat) => [
      bass(whole(beat), rational(2, 3), beat % 2 === 0 ? 'root' : 'fifth'),
      chord(rational(3 * beat + 2, 3), rational(1, 3), 0.45),
      drum(whole(beat), 'frame', 0.45),
      drum(rational(3 * beat + 2, 3), 'frameHigh', 0.25),
    ]),
  lullaby: (beats, compound) => {
    const each = compound ? 3 : 1;
    return [
      bass(whole(0), whole(beats.length), 'root', 0.6),
      ...beats.flatMap((beat) =>
        Array.from({ length: each }, (_, part) =>
          tone(
            rational(each * beat + part, each),
            rational(1, each),
            ARPEGGIO[(each * beat + part) % ARPEGGIO.length]!,
          ),
        ),
      ),
    ];
  },
  'off-beat': (beats) =>
    beats.flatMap((beat) => [
      ...(beat === 0 || isMiddle(beat, beats) ? [bass(whole(beat), ONE, beat === 0 ? 'root' : 'fifth')] : []),
      chord(rational(2 * beat + 1, 2), rational(1, 4), 0.5),
      drum(rational(2 * beat + 1, 2), 'hat', 0.25),
      ...(isMiddle(beat, beats) ? [drum(whole(beat), 'stick', 0.45)] : []),
    ]),
  ballad: (beats) => [
    ...beats.flatMap((beat) =>
      beat === 0 || isMiddle(beat, beats) ? [bass(whole(beat), whole(2), 'root', 0.65)] : [],
    ),
    ...beats.flatMap((beat) =>
      beat === 0 || isMiddle(beat, beats)
        ? [chord(whole(beat), whole(beats.length % 2 === 0 ? beats.length / 2 : beats.length), 0.5)]
        : [],
    ),
    ...beats.map((beat) => drum(whole(beat), isMiddle(beat, beats) ? 'stick' : 'shaker', 0.25)),
  ],
  drone: (beats) => [
    bass(whole(0), whole(beats.length), 'root', 0.55),
    chord(whole(0), whole(beats.length), 0.35),
    drum(whole(0), 'frame', 0.3),
  ],
};

const ARPEGGIO = [0, 1, 2, 1];
