import {
  keyAlter,
  makeTune,
  PLAIN_BAR,
  type Key,
  type Metre,
  type Pitch,
  type Tempo,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';

export interface ShortTune {
  readonly title: string;
  readonly metre: Metre;
  readonly bars: readonly (readonly TuneEvent[])[];
  readonly tempo?: Tempo;
  /** Bars on a line of the sheet; all on one when not given. */
  readonly barsOnLine?: number;
}

/**
 * A tune made here, from full bars, in the key that needs the fewest signs.
 * @throws Error when the bars do not add up: that is a bug of the maker.
 */
export function shortTune({ title, metre, bars, tempo, barsOnLine }: ShortTune): Tune {
  const pitches = bars.flat().flatMap((event) => (event.kind === 'note' ? [event.pitch] : []));
  const key = plainestKey(pitches);
  const made = makeTune({
    title,
    composer: '',
    source: '',
    licence: '',
    tags: [],
    otherTitles: [],
    tempo: tempo ?? null,
    bars: bars.map((_, index) => ({
      ...PLAIN_BAR,
      key,
      metre,
      barline: index === bars.length - 1 ? 'final' : 'single',
      lineEnd: barsOnLine !== undefined && index % barsOnLine === barsOnLine - 1,
    })),
    parts: [{ name: '', bars }],
  });
  if (!made.ok) throw new Error(made.error.map((error) => error.message).join(' '));
  return made.value;
}

const KEYS: readonly Key[] = [0, 1, -1, 2, -2, 3, -3, 4, -4].map((fifths) => ({ fifths, mode: 'major' }));

/** The keys under which no note needs an accidental, those with the fewest signs first. */
export function keysOf(pitches: readonly Pitch[]): readonly Key[] {
  return KEYS.filter((key) => pitches.every((pitch) => pitch.alter === keyAlter(key, pitch.letter)));
}

/** The signature with the fewest signs under which no note needs an accidental; none where there is no such one. */
export function plainestKey(pitches: readonly Pitch[]): Key {
  return keysOf(pitches)[0] ?? KEYS[0]!;
}
