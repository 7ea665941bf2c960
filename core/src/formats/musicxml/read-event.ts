import {
  DYNAMICS,
  equal,
  LETTERS,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  valueLength,
  valuesOfLength,
  type Articulation,
  type Dynamic,
  type Letter,
  type Note,
  type NoteValue,
  type Pitch,
  type Rational,
  type Syllable,
  type TuneEvent,
  type ValueName,
} from '../../music/index.ts';
import { CHORD_KINDS } from './chord-kinds.ts';
import { TYPE_OF } from './write-event.ts';
import { child, children, numberIn, textIn, type XmlElement } from './xml-reader.ts';

const BASE_OF = new Map(Object.entries(TYPE_OF).map(([base, type]) => [type, base as ValueName]));

/** MusicXML's own limit for divisions is 16,383; a note may last a few of them. */
const MOST_DIVISIONS = 1_000_000;
const MOST_IN_TUPLET = 64;

/** The length that a note sounds, in whole notes; null when the file gives none that can be counted. */
export function durationOf(note: XmlElement, divisions: number): Rational | null {
  const duration = numberIn(note, 'duration');
  const isCount = (count: number): boolean => Number.isInteger(count) && count > 0 && count <= MOST_DIVISIONS;
  if (duration === null || !isCount(duration) || !isCount(divisions)) return null;
  return rational(duration, divisions * 4);
}

/** The written value where it agrees with the length, else the fewest tied values that make up the length. */
export function valuesOf(note: XmlElement, length: Rational): readonly NoteValue[] | null {
  const base = BASE_OF.get(textIn(note, 'type'));
  const modification = child(note, 'time-modification');
  const actual = numberIn(modification, 'actual-notes');
  const normal = numberIn(modification, 'normal-notes');
  const isCount = (count: number | null): count is number =>
    count !== null && Number.isInteger(count) && count > 0 && count <= MOST_IN_TUPLET;
  const tuplet = isCount(actual) && isCount(normal) ? { actual, normal } : null;
  if (base !== undefined) {
    const written: NoteValue = { base, dots: Math.min(3, children(note, 'dot').length), tuplet };
    if (equal(valueLength(written), length)) return [written];
  }
  return valuesOfLength(length);
}

export function pitchOf(note: XmlElement): Pitch | null {
  const pitch = child(note, 'pitch');
  const letter = LETTERS.find((each) => each === textIn(pitch, 'step'));
  const octave = numberIn(pitch, 'octave');
  if (letter === undefined || octave === null || !Number.isInteger(octave)) return null;
  const alter = Math.round(numberIn(pitch, 'alter') ?? 0);
  return Math.abs(alter) > 2 || octave < 0 || octave > 9 ? null : { letter, octave, alter };
}

/** What stands before a note in the file and belongs to it. */
export interface Pending {
  readonly grace: readonly Pitch[];
  readonly chordSymbol: string | null;
  readonly dynamic: Dynamic | null;
}

/** One or more tied events for a note or rest element. */
export function eventsOf(note: XmlElement, values: readonly NoteValue[], pending: Pending): TuneEvent[] {
  const notations = children(note, 'notations').flatMap((element) => element.children);
  const fermata = notations.some((notation) => notation.name === 'fermata');
  const marks = notations
    .filter((notation) => notation.name === 'articulations')
    .flatMap((notation) => notation.children.map((mark) => mark.name));
  const breath = marks.includes('breath-mark');
  const pitch = pitchOf(note);
  return values.map((value, index): TuneEvent => {
    const [isFirst, isLast] = [index === 0, index === values.length - 1];
    const { grace, ...signs } = pending;
    const common = { ...(isFirst ? { ...signs, fermata } : {}), breath: isLast && breath };
    if (pitch === null) return { ...PLAIN_REST, ...common, value };
    const slurs = (type: string): number =>
      notations.filter((notation) => notation.name === 'slur' && notation.attributes.type === type).length;
    const tied =
      child(note, 'tie') !== undefined && children(note, 'tie').some((tie) => tie.attributes.type === 'start');
    return {
      ...PLAIN_NOTE,
      ...common,
      pitch,
      value,
      tied:
        !isLast ||
        tied ||
        notations.some((notation) => notation.name === 'tied' && notation.attributes.type === 'start'),
      slurStarts: isFirst ? slurs('start') : 0,
      slurEnds: isLast ? slurs('stop') : 0,
      articulations: isFirst ? articulationsIn(marks) : [],
      grace: isFirst ? grace : [],
      syllables: isFirst ? syllablesIn(note) : [],
    };
  });
}

function articulationsIn(marks: readonly string[]): Note['articulations'] {
  const known: readonly Articulation[] = ['staccato', 'accent', 'tenuto'];
  return marks.flatMap((mark) => known.find((each) => each === mark) ?? []);
}

const MOST_VERSES = 9;

function syllablesIn(note: XmlElement): readonly (Syllable | null)[] {
  const lyrics = children(note, 'lyric')
    .filter((lyric) => textIn(lyric, 'text') !== '')
    .slice(0, MOST_VERSES);
  const verses = lyrics.map((lyric, index) => Number(lyric.attributes.number ?? index + 1) || index + 1);
  const last = Math.min(MOST_VERSES, Math.max(0, ...verses));
  return Array.from({ length: last }, (_, verse) => {
    const lyric = lyrics[verses.indexOf(verse + 1)];
    if (lyric === undefined) return null;
    const syllabic = textIn(lyric, 'syllabic');
    const joins = syllabic === 'begin' || syllabic === 'middle';
    const holds = child(lyric, 'extend') !== undefined;
    return { text: textIn(lyric, 'text'), end: joins ? 'join' : holds ? 'hold' : 'word' };
  });
}

export function dynamicIn(direction: XmlElement): Dynamic | null {
  const names = children(direction, 'direction-type').flatMap((type) =>
    children(type, 'dynamics').flatMap((element) => element.children),
  );
  return DYNAMICS.find((dynamic) => names.some((name) => name.name === dynamic)) ?? null;
}

/** "Am7" from a harmony element. */
export function chordSymbolOf(harmony: XmlElement): string | null {
  const root = child(harmony, 'root');
  const letter = LETTERS.find((each): each is Letter => each === textIn(root, 'root-step'));
  if (letter === undefined) return null;
  const alter = numberIn(root, 'root-alter') ?? 0;
  const kind = child(harmony, 'kind');
  const name = kind?.text.trim() ?? '';
  if (name === 'none') return 'N.C.';
  const text = kind?.attributes.text ?? CHORD_KINDS.find(([each]) => each === name)?.[1] ?? '';
  const bass = child(harmony, 'bass');
  const bassStep = textIn(bass, 'bass-step');
  const under = bassStep === '' ? '' : `/${bassStep}${signOf(numberIn(bass, 'bass-alter') ?? 0)}`;
  return `${letter}${signOf(alter)}${text}${under}`;
}

function signOf(alter: number): string {
  return alter > 0 ? '#' : alter < 0 ? 'b' : '';
}
