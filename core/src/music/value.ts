import { add, divide, equal, multiply, rational, toNumber, type Rational } from './rational.ts';

/** As written: the note head and flag, the dots, and the tuplet it stands in. */
export interface NoteValue {
  readonly base: ValueName;
  readonly dots: number;
  /** A triplet is {actual: 3, normal: 2}: three in the time of two. */
  readonly tuplet: Tuplet | null;
}

export interface Tuplet {
  readonly actual: number;
  readonly normal: number;
}

export const VALUE_NAMES = [
  'maxima',
  'long',
  'breve',
  'whole',
  'half',
  'quarter',
  'eighth',
  'sixteenth',
  'thirty-second',
  'sixty-fourth',
] as const;
export type ValueName = (typeof VALUE_NAMES)[number];

const BRITISH: Record<ValueName, string> = {
  maxima: 'maxima',
  long: 'long',
  breve: 'breve',
  whole: 'semibreve',
  half: 'minim',
  quarter: 'crotchet',
  eighth: 'quaver',
  sixteenth: 'semiquaver',
  'thirty-second': 'demisemiquaver',
  'sixty-fourth': 'hemidemisemiquaver',
};

/** Longer than a whole note, both say nearly the same. */
const AMERICAN: Partial<Record<ValueName, string>> = { maxima: 'maxima', long: 'long', breve: 'double whole note' };

const MOST_DOTS = 3;
/** In whole notes. */
const MAXIMA = 8;

function baseLength(base: ValueName): Rational {
  return divide(rational(MAXIMA), rational(2 ** VALUE_NAMES.indexOf(base)));
}

/** The sounding length in whole notes; each dot adds half of what stands before it. */
export function valueLength(value: NoteValue): Rational {
  const base = baseLength(value.base);
  const dotted = multiply(base, rational(2 ** (value.dots + 1) - 1, 2 ** value.dots));
  return value.tuplet === null ? dotted : multiply(dotted, rational(value.tuplet.normal, value.tuplet.actual));
}

/** The single written value of this length, or null when it takes two tied notes. */
export function valueOfLength(length: Rational, tuplet: Tuplet | null = null): NoteValue | null {
  for (const base of VALUE_NAMES) {
    for (let dots = 0; dots <= MOST_DOTS; dots++) {
      const value: NoteValue = { base, dots, tuplet };
      if (equal(valueLength(value), length)) return value;
    }
  }
  return null;
}

/** In whole notes. */
const LONGEST = 64;

/**
 * The fewest written values, longest first, that tied together last `length`.
 * Null when even hemidemisemiquavers do not fill it, and for what is longer than any bar.
 */
export function valuesOfLength(length: Rational): readonly NoteValue[] | null {
  if (toNumber(length) > LONGEST) return null;
  const whole = valueOfLength(length);
  if (whole !== null) return [whole];
  for (const base of VALUE_NAMES) {
    const first: NoteValue = { base, dots: 0, tuplet: null };
    const rest = add(length, multiply(valueLength(first), rational(-1)));
    if (rest.num < 0) continue;
    const others = valuesOfLength(rest);
    return others === null ? null : [first, ...others];
  }
  return null;
}

/** Both vocabularies for note lengths. */
export const LENGTH_WORDS = ['american', 'british'] as const;
export type LengthWords = (typeof LENGTH_WORDS)[number];

/** "dotted crotchet" or "dotted quarter note", in the class's vocabulary. */
export function valueWords(value: NoteValue, words: LengthWords): string {
  const name = words === 'british' ? BRITISH[value.base] : (AMERICAN[value.base] ?? `${value.base} note`);
  const dots = ['', 'dotted ', 'double-dotted ', 'triple-dotted '][value.dots] ?? '';
  return `${dots}${name}${value.tuplet?.actual === 3 ? ' in a triplet' : ''}`;
}
