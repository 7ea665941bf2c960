import {
  barLength,
  keyAlter,
  LETTERS,
  MOST_BARS,
  multiply,
  PLAIN_BAR,
  PLAIN_NOTE,
  PLAIN_REST,
  rational,
  valueOfLength,
  valuesOfLength,
  type Bar,
  type Key,
  type Metre,
  type Note,
  type NoteValue,
  type Pitch,
  type Tuplet,
  type TuneEvent,
} from '../../music/index.ts';
import type { AbcBarElement, AbcElement, AbcNoteElement, AbcPitch, AbcStaff } from './elements.ts';
import type { Words } from './read-words.ts';
import { ARTICULATION_OF, barSign, DYNAMIC_OF, readEnding, readKey, readLength, readMetre } from './signs.ts';
import { t } from '../messages.ts';

export type BarDraft = Omit<Bar, 'number'>;

const ACCIDENTALS: Readonly<Record<string, number>> = { sharp: 1, flat: -1, natural: 0, dblsharp: 2, dblflat: -2 };

/** Reads one voice, line after line, into bars; what it cannot carry goes into `leftOut`, by bar index. */
export class VoiceReader {
  readonly bars: BarDraft[] = [];
  readonly events: TuneEvent[][] = [];
  readonly leftOut: { readonly barIndex: number; readonly message: string }[] = [];
  /** Where each bar begins in the text. */
  readonly starts: number[] = [];
  #start: number | null = null;
  #key: Key;
  #metre: Metre;
  #current: TuneEvent[] = [];
  #frame: Partial<BarDraft> = {};
  #ending: readonly number[] | null = null;
  #tuplet: Tuplet | null = null;
  /** How often the section that ends with this bar is played, where it says so. */
  #times: number | null = null;
  /** Accidentals of this bar, by ABC's diatonic count. */
  readonly #accidentals = new Map<number, number>();

  readonly #words: Words;

  constructor(key: Key, metre: Metre, words: Words) {
    this.#key = key;
    this.#metre = metre;
    this.#words = words;
  }

  /** A change at the start of a line stands with the staff and not among its elements. */
  readLine(elements: readonly AbcElement[], staff: AbcStaff): void {
    const [key, metre] = [staff.key && readKey(staff.key), staff.meter && readMetre(staff.meter)];
    if (key) this.#key = key;
    if (metre) this.#metre = metre;
    for (const element of elements) this.#read(element);
    if (this.#current.length > 0) return;
    const last = this.bars.at(-1);
    if (last !== undefined) this.bars[this.bars.length - 1] = { ...last, lineEnd: true };
  }

  /** The last bar of a tune may lack its bar line. */
  finish(): void {
    if (this.#current.length > 0) this.#closeBar({});
    const last = this.bars.at(-1);
    if (last !== undefined) this.bars[this.bars.length - 1] = { ...last, barline: 'final', lineEnd: false };
  }

  #read(element: AbcElement): void {
    if (element.el_type === 'note') this.#start ??= element.startChar;
    switch (element.el_type) {
      case 'note':
        return this.#readNote(element);
      case 'bar':
        return this.#readBarLine(element);
      case 'key': {
        const key = readKey(element);
        if (key === null) return this.#leave(t('voice-reader.an-unusual-key-signature'));
        this.#key = key;
        return;
      }
      case 'meter': {
        const metre = readMetre(element);
        if (metre === null) return this.#leave(t('voice-reader.an-unusual-time-signature'));
        this.#metre = metre;
        return;
      }
      case 'clef':
      case 'stem':
      case 'tempo':
      case 'part':
      case 'scale':
      case 'style':
      case 'transpose':
      case 'overlay':
        return;
    }
  }

  #leave(message: string): void {
    this.leftOut.push({ barIndex: this.bars.length, message });
  }

  #readNote(element: AbcNoteElement): void {
    if (element.rest?.type === 'multimeasure') return this.#readBarRests(element.rest.text ?? 1);
    if (element.rest?.type === 'spacer') return;
    if (element.startTriplet !== undefined) this.#tuplet = tupletOf(element);
    this.#addEvents(element);
    if (element.endTriplet === true) this.#tuplet = null;
  }

  #readBarRests(count: number): void {
    if (count > MOST_BARS) return this.#leave(t('voice-reader.count-bars-of-rest', { count }));
    for (let bar = 1; bar <= count; bar++) {
      const values = valuesOfLength(barLength(this.#metre)) ?? [];
      this.#current.push(...values.map((value) => ({ ...PLAIN_REST, value })));
      if (bar < count) this.#closeBar({});
    }
  }

  #addEvents(element: AbcNoteElement): void {
    const values = this.#valuesOf(element.duration);
    if (values === null)
      return this.#leave(t('voice-reader.a-note-of-length-duration-which', { duration: element.duration }));
    const common = {
      fermata: element.decoration?.includes('fermata') ?? false,
      chordSymbol: plainSigns(element.chord?.find((chord) => chord.position === 'default')?.name),
      dynamic: element.decoration?.map((name) => DYNAMIC_OF.get(name)).find((found) => found !== undefined) ?? null,
    };
    const breath = element.decoration?.includes('breath') ?? false;
    this.#readDecorations(element);
    this.#readAnnotations(element);
    const pitches = element.pitches ?? [];
    if (pitches.length > 2)
      this.#leave(t('voice-reader.a-chord-of-pitches-count-notes', { pitchesCount: pitches.length }));
    const sounding = pitches.at(-1);
    if (element.rest !== undefined || sounding === undefined) {
      this.#current.push(...values.map((value) => ({ ...PLAIN_REST, ...common, breath, value })));
      return;
    }
    this.#current.push(...this.#notesOf(element, sounding, values, common));
    if (breath) this.#markBreath();
  }

  /** Texts above a note that stand for signs: several at one note come as lines of one. */
  #readAnnotations(element: AbcNoteElement): void {
    for (const text of (element.chord ?? []).flatMap((chord) => chord.name.split('\n'))) {
      const [, times, entry] = /^(?:([2-9])x|([1-9])\.)$/.exec(text) ?? [];
      if (times !== undefined) this.#times = Number(times);
      if (entry !== undefined) this.#frame = { ...this.#frame, entry: Number(entry) };
      if (/^to coda$/i.test(text)) this.#frame = { ...this.#frame, toCoda: true };
    }
  }

  /** A length that takes two written values becomes two tied notes. */
  #notesOf(element: AbcNoteElement, abcPitch: AbcPitch, values: readonly NoteValue[], common: Partial<Note>): Note[] {
    const [low, ...others] = element.pitches ?? [];
    const or = low !== undefined && others.length === 1 ? this.#pitchOf(low) : null;
    const pitch = this.#pitchOf(abcPitch);
    return values.map((value, index): Note => {
      const [isFirst, isLast] = [index === 0, index === values.length - 1];
      return {
        ...PLAIN_NOTE,
        ...(isFirst ? common : {}),
        pitch,
        or,
        value,
        tied: !isLast || abcPitch.startTie !== undefined,
        slurStarts: isFirst ? slurs(abcPitch.startSlur, element.startSlur) : 0,
        slurEnds: isLast ? slurs(abcPitch.endSlur, element.endSlur) : 0,
        articulations: isFirst ? articulationsOf(element) : [],
        grace: isFirst ? (element.gracenotes ?? []).map((gracenote) => this.#graceOf(gracenote)) : [],
        syllables: isFirst ? this.#words.syllablesAt(element.startChar, this.bars.length) : [],
      };
    });
  }

  #readDecorations(element: AbcNoteElement): void {
    for (const decoration of element.decoration ?? []) {
      const sign = barSign(decoration);
      if (sign !== null) this.#frame = { ...this.#frame, ...sign };
      else if (
        decoration !== 'fermata' &&
        decoration !== 'breath' &&
        !ARTICULATION_OF.has(decoration) &&
        !DYNAMIC_OF.has(decoration)
      ) {
        this.#leave(t('voice-reader.the-sign-decoration', { decoration }));
      }
    }
  }

  /** A breath mark stands with the note after which one breathes, or at the bar line after it. */
  #markBreath(): void {
    const list = this.#current.length > 0 ? this.#current : this.events.at(-1);
    const last = list?.at(-1);
    if (list !== undefined && last !== undefined) list[list.length - 1] = { ...last, breath: true };
  }

  #valuesOf(duration: number): readonly NoteValue[] | null {
    const length = readLength(duration);
    if (length === null) return null;
    if (this.#tuplet === null) return valuesOfLength(length);
    const { actual, normal } = this.#tuplet;
    const value = valueOfLength(multiply(length, rational(normal, actual)), this.#tuplet);
    return value === null ? null : [value];
  }

  #pitchOf(abcPitch: AbcPitch): Pitch {
    const { letter, octave } = staffPlaceOf(abcPitch);
    const written = ACCIDENTALS[abcPitch.accidental ?? ''];
    if (written !== undefined) this.#accidentals.set(abcPitch.pitch, written);
    const alter = this.#accidentals.get(abcPitch.pitch) ?? keyAlter(this.#key, letter);
    return { letter, alter, octave };
  }

  /** A sign on a grace note holds for it alone. */
  #graceOf(abcPitch: AbcPitch): Pitch {
    const { letter, octave } = staffPlaceOf(abcPitch);
    const inBar = this.#accidentals.get(abcPitch.pitch) ?? keyAlter(this.#key, letter);
    return { letter, octave, alter: ACCIDENTALS[abcPitch.accidental ?? ''] ?? inBar };
  }

  #readBarLine(element: AbcBarElement): void {
    for (const decoration of element.decoration ?? []) {
      const sign = barSign(decoration);
      if (sign !== null) this.#frame = { ...this.#frame, ...sign };
      if (decoration === 'breath') this.#markBreath();
    }
    const endsRepeat = element.type === 'bar_right_repeat' || element.type === 'bar_dbl_repeat';
    const startsRepeat = element.type === 'bar_left_repeat' || element.type === 'bar_dbl_repeat';
    const barline =
      element.type === 'bar_thin_thick' ? 'final' : element.type === 'bar_thin_thin' ? 'double' : ('single' as const);
    if (this.#current.length > 0) this.#closeBar({ barline, ...(endsRepeat ? { timesPlayed: this.#times ?? 2 } : {}) });
    if (element.endEnding === true) this.#ending = null;
    if (element.startEnding !== undefined) this.#openEnding(element.startEnding);
    if (startsRepeat) this.#frame = { ...this.#frame, repeatStart: true };
  }

  #openEnding(text: string): void {
    const ending = readEnding(text);
    if (ending === null) this.#leave(t('voice-reader.an-ending-called-text', { text }));
    this.#ending = ending;
  }

  #closeBar(end: Partial<BarDraft>): void {
    const ending = this.#ending === null ? {} : { ending: this.#ending };
    this.bars.push({ ...PLAIN_BAR, key: this.#key, metre: this.#metre, ...ending, ...this.#frame, ...end });
    this.events.push(this.#current);
    this.starts.push(this.#start ?? 0);
    this.#start = null;
    this.#current = [];
    this.#frame = {};
    this.#times = null;
    this.#accidentals.clear();
  }
}

function slurs(...lists: readonly (readonly unknown[] | undefined)[]): number {
  return lists.reduce((sum, list) => sum + (list?.length ?? 0), 0);
}

/** abcjs counts the places of the staff from middle C. */
function staffPlaceOf({ pitch }: AbcPitch): Pick<Pitch, 'letter' | 'octave'> {
  return { letter: LETTERS[((pitch % 7) + 7) % 7]!, octave: 4 + Math.floor(pitch / 7) };
}

function tupletOf(element: AbcNoteElement): Tuplet {
  const actual = element.startTriplet ?? 3;
  return { actual, normal: Math.round(actual * (element.tripletMultiplier ?? 2 / 3)) };
}

function articulationsOf(element: AbcNoteElement): Note['articulations'] {
  return (element.decoration ?? []).flatMap((name) => ARTICULATION_OF.get(name) ?? []);
}

/** abcjs sets typographic signs into chord names. */
function plainSigns(name: string | undefined): string | null {
  return name === undefined ? null : name.replaceAll('♭', 'b').replaceAll('♯', '#');
}
