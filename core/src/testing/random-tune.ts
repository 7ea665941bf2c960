import fc from 'fast-check';
import {
  barLength,
  beatLength,
  compare,
  DYNAMICS,
  keyAlter,
  LETTERS,
  makeTune,
  PLAIN_BAR,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  samePitch,
  subtract,
  valueLength,
  valuesOfLength,
  type Bar,
  type Key,
  type Metre,
  type Note,
  type NoteValue,
  type Rational,
  type Syllable,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';

const METRES: readonly Metre[] = [
  { count: 2, unit: 4 },
  { count: 3, unit: 4 },
  { count: 4, unit: 4 },
  { count: 6, unit: 8 },
];
const WORDS = ['goose', 'la', 'mill', 'wheel', 'so', "don't", 'é'];

/** Draws numbers from one list, so that a whole tune shrinks with it. */
class RandomSource {
  readonly #numbers: readonly number[];
  #at = 0;

  constructor(numbers: readonly number[]) {
    this.#numbers = numbers;
  }

  /** 0 to `sides` - 1. */
  roll(sides: number): number {
    const number = this.#numbers[this.#at % this.#numbers.length] ?? 0;
    this.#at += 1;
    return (number + this.#at * 7) % sides;
  }

  pick<Thing>(things: readonly Thing[]): Thing {
    return things[this.roll(things.length)]!;
  }

  chance(oneIn: number): boolean {
    return this.roll(oneIn) === 0;
  }
}

/** Valid tunes with all that a Tune can carry, one part or two. */
export const anyTune: fc.Arbitrary<Tune> = fc
  .array(fc.nat(9973), { minLength: 40, maxLength: 200 })
  .map((numbers) => randomTune(new RandomSource(numbers)));

function randomTune(random: RandomSource): Tune {
  const metre = random.pick(METRES);
  const key: Key = { fifths: random.roll(7) - 3, mode: random.pick(['major', 'minor', 'dorian', 'mixolydian']) };
  const count = 2 + random.roll(5);
  const pickup = random.chance(3) ? beatLength(metre) : null;
  const changeAt = pickup === null && random.chance(3) ? 1 + random.roll(count - 1) : null;
  const later = { key: { ...key, fifths: random.roll(7) - 3 }, metre: random.pick(METRES) };
  const frameAt = (index: number) => (changeAt !== null && index >= changeAt ? later : { key, metre });
  const lengths = Array.from({ length: count }, (_, index): Rational => {
    const full = barLength(frameAt(index).metre);
    if (pickup === null) return full;
    return index === 0 ? pickup : index === count - 1 ? subtract(full, pickup) : full;
  });
  const bars = randomBars(random, frameAt, count, pickup === null);
  const parts = Array.from({ length: random.chance(4) ? 2 : 1 }, (_, part) => ({
    name: `Part ${part + 1}`,
    bars: tied(
      random,
      lengths.map((length, index) => held(random, randomEvents(random, frameAt(index).key, length, index === 0))),
    ),
  }));
  const made = makeTune({
    title: random.pick(['Goose Walk', 'Über & under', '<Mill>']),
    otherTitles: random.pick([[], ['Gander Walk'], ['One', 'Two & three']]),
    composer: random.pick(['', 'Ann']),
    source: random.pick(['', 'a book']),
    licence: random.pick(['', 'CC0-1.0']),
    tags: random.pick([[], ['calm'], ['calm', 'sea']]),
    tempo: random.pick([null, { beat: rational(1, 4), perMinute: 84 }, { beat: rational(3, 8), perMinute: 66 }]),
    bars,
    parts,
  });
  if (!made.ok) throw new Error(made.error.map((error) => error.message).join(' '));
  return made.value;
}

/** A syllable that is sung on over the next note, which then has none. */
function held(random: RandomSource, events: readonly TuneEvent[]): TuneEvent[] {
  const list = [...events];
  for (let index = 0; index + 1 < list.length; index++) {
    const [first, second] = [list[index]!, list[index + 1]!];
    if (first.kind !== 'note' || second.kind !== 'note' || first.syllables.length !== 1 || !random.chance(6)) continue;
    list[index] = { ...first, syllables: [{ ...first.syllables[0]!, end: 'hold' }] };
    list[index + 1] = { ...second, syllables: [] };
  }
  return list;
}

function randomBars(
  random: RandomSource,
  frameAt: (index: number) => { readonly key: Key; readonly metre: Metre },
  count: number,
  mayRepeat: boolean,
): Omit<Bar, 'number'>[] {
  const shape = mayRepeat ? random.pick(['plain', 'repeat', 'endings', 'signs'] as const) : 'plain';
  return Array.from({ length: count }, (_, index): Omit<Bar, 'number'> => {
    const isLast = index === count - 1;
    const plain = {
      ...PLAIN_BAR,
      ...frameAt(index),
      lineEnd: !isLast && random.chance(3),
      entry: random.chance(11) ? 1 + random.roll(4) : null,
      barline: isLast ? ('final' as const) : ('single' as const),
    };
    if (shape === 'repeat' && index === 0) return { ...plain, repeatStart: true };
    if (shape === 'repeat' && isLast) return { ...plain, timesPlayed: 2 + random.roll(2) };
    if (shape === 'endings' && index === count - 2) return { ...plain, ending: [1], timesPlayed: 2 };
    if (shape === 'endings' && isLast) return { ...plain, ending: [2] };
    if (shape === 'signs' && index === 0) return { ...plain, segno: true, fine: count > 2 };
    if (shape === 'signs' && isLast) return { ...plain, jump: count > 2 ? 'D.S. al fine' : 'D.S.' };
    return plain;
  });
}

/** A tune begins with a note, so that none is all rests. */
function randomEvents(random: RandomSource, key: Key, length: Rational, isFirst: boolean): TuneEvent[] {
  const events: TuneEvent[] = [];
  let left = length;
  while (left.num > 0) {
    const triplet = compare(left, rational(1, 4)) >= 0 && left.den <= 4 && random.chance(7);
    const values = triplet ? tripletValues(random) : [fitting(random, left)];
    for (const value of values) {
      events.push(randomEvent(random, key, value, !(isFirst && events.length === 0)));
      left = subtract(left, valueLength(value));
    }
  }
  return slurred(random, events);
}

function tripletValues(random: RandomSource): NoteValue[] {
  const value = (base: NoteValue['base']): NoteValue => ({ base, dots: 0, tuplet: { actual: 3, normal: 2 } });
  return random.chance(2) ? [value('eighth'), value('eighth'), value('eighth')] : [value('quarter'), value('eighth')];
}

function fitting(random: RandomSource, left: Rational): NoteValue {
  const lengths = [rational(1, 8), rational(1, 4), rational(3, 8), rational(1, 2), rational(1, 16), rational(3, 4)];
  const wanted = random.pick(lengths);
  return valuesOfLength(compare(wanted, left) <= 0 ? wanted : left)![0]!;
}

function randomEvent(random: RandomSource, key: Key, value: NoteValue, mayRest: boolean): TuneEvent {
  const common = {
    value,
    fermata: random.chance(17),
    chordSymbol: random.chance(9) ? random.pick(['G', 'Am7', 'F#m', 'Bb']) : null,
    dynamic: random.chance(13) ? random.pick(DYNAMICS) : null,
    breath: random.chance(11),
  };
  if (random.chance(8) && mayRest) return { ...PLAIN_REST, ...common };
  const letter = random.pick(LETTERS);
  const alter = random.chance(6) ? random.roll(3) - 1 : keyAlter(key, letter);
  return {
    ...PLAIN_NOTE,
    ...common,
    pitch: { letter, alter, octave: 4 + random.roll(2) },
    or: random.chance(15) ? { letter: random.pick(LETTERS), alter: 0, octave: 3 } : null,
    grace: random.chance(12) ? [{ letter: random.pick(LETTERS), alter: 0, octave: 4 + random.roll(2) }] : [],
    articulations: random.chance(6) ? [random.pick(['staccato', 'accent', 'tenuto'] as const)] : [],
    syllables: random.chance(2) ? verses(random) : [],
  };
}

/** One verse, or a second one too. */
function verses(random: RandomSource): readonly (Syllable | null)[] {
  if (!random.chance(5)) return [randomSyllable(random)];
  return [random.chance(3) ? null : randomSyllable(random), randomSyllable(random)];
}

function randomSyllable(random: RandomSource): Syllable {
  return { text: random.pick(WORDS), end: random.chance(3) ? 'join' : 'word' };
}

/** A slur over two notes now and then, never over a rest. */
function slurred(random: RandomSource, events: readonly TuneEvent[]): TuneEvent[] {
  const list = [...events];
  for (let index = 0; index + 1 < list.length; index += 2) {
    const [first, second] = [list[index]!, list[index + 1]!];
    if (first.kind !== 'note' || second.kind !== 'note' || !random.chance(5)) continue;
    list[index] = { ...first, slurStarts: 1 };
    list[index + 1] = { ...second, slurEnds: 1 };
  }
  return list;
}

/** Ties where the next note is the same, over bar lines too. */
function tied(random: RandomSource, bars: readonly (readonly TuneEvent[])[]): TuneEvent[][] {
  const flat = bars.flatMap((events, bar) => events.map((event) => ({ event, bar })));
  const linked = flat.map(({ event, bar }, index) => {
    const next = flat[index + 1]?.event;
    if (event.kind === 'note' && next?.kind === 'note' && samePitch(event.pitch, next.pitch) && random.chance(2)) {
      return { event: { ...event, tied: true } satisfies Note, bar };
    }
    return { event, bar };
  });
  return bars.map((_, bar) => linked.filter((each) => each.bar === bar).map((each) => each.event));
}
