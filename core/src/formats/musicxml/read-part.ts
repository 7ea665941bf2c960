import {
  add,
  compare,
  PLAIN_REST,
  subtract,
  valuesOfLength,
  ZERO,
  type Rational,
  type TuneEvent,
} from '../../music/index.ts';
import { chordSymbolOf, durationOf, dynamicIn, eventsOf, pitchOf, valuesOf, type Pending } from './read-event.ts';
import { midiNumber } from '../../music/index.ts';
import { child, numberIn, textIn, type XmlElement } from './xml-reader.ts';

export interface ReadPart {
  readonly bars: readonly (readonly TuneEvent[])[];
  readonly notes: number;
  readonly unpitched: number;
  readonly leftOut: readonly { readonly barIndex: number; readonly message: string }[];
}

const NOTHING_PENDING: Pending = { chordSymbol: null, dynamic: null };

/** The first voice on the first staff of a part, measure by measure; what else stands there is listed. */
export function readPart(part: XmlElement): ReadPart {
  const voice = firstVoice(part);
  const reader = new PartReader(voice);
  for (const measure of part.children.filter((each) => each.name === 'measure')) reader.readMeasure(measure);
  return reader;
}

function firstVoice(part: XmlElement): string {
  for (const measure of part.children) {
    const note = measure.children.find((each) => each.name === 'note' && isOnFirstStaff(each));
    if (note !== undefined) return textIn(note, 'voice');
  }
  return '';
}

function isOnFirstStaff(note: XmlElement): boolean {
  return (numberIn(note, 'staff') ?? 1) === 1;
}

class PartReader implements ReadPart {
  readonly bars: (readonly TuneEvent[])[] = [];
  readonly leftOut: { readonly barIndex: number; readonly message: string }[] = [];
  notes = 0;
  unpitched = 0;
  #divisions = 1;
  #events: TuneEvent[] = [];
  /** Where the file stands in the measure, and up to where the chosen voice is filled. */
  #now: Rational = ZERO;
  #filled: Rational = ZERO;
  #pending: Pending = NOTHING_PENDING;
  readonly #voice: string;

  constructor(voice: string) {
    this.#voice = voice;
  }

  readMeasure(measure: XmlElement): void {
    this.#events = [];
    this.#now = ZERO;
    this.#filled = ZERO;
    for (const element of measure.children) this.#read(element);
    this.bars.push(this.#events);
  }

  #leave(message: string): void {
    const barIndex = this.bars.length;
    if (this.leftOut.some((each) => each.barIndex === barIndex && each.message === message)) return;
    this.leftOut.push({ barIndex, message });
  }

  #read(element: XmlElement): void {
    switch (element.name) {
      case 'note':
        return this.#readNote(element);
      case 'attributes':
        this.#divisions = numberIn(element, 'divisions') ?? this.#divisions;
        return;
      case 'backup':
      case 'forward':
        return this.#moveBy(element);
      case 'harmony':
        this.#pending = { ...this.#pending, chordSymbol: chordSymbolOf(element) };
        return;
      case 'direction':
        this.#pending = { ...this.#pending, dynamic: dynamicIn(element) ?? this.#pending.dynamic };
        return;
      default:
        return;
    }
  }

  #moveBy(element: XmlElement): void {
    const length = durationOf(element, this.#divisions);
    if (length === null) return;
    const there = element.name === 'backup' ? subtract(this.#now, length) : add(this.#now, length);
    this.#now = compare(there, ZERO) < 0 ? ZERO : there;
  }

  #readNote(note: XmlElement): void {
    if (child(note, 'grace') !== undefined) return this.#leave('grace notes');
    if (child(note, 'cue') !== undefined) return this.#leave('cue notes');
    const length = durationOf(note, this.#divisions);
    if (length === null) return this.#leave('a note without a length');
    if (child(note, 'chord') !== undefined) return this.#readChordNote(note);
    const start = this.#now;
    this.#now = add(this.#now, length);
    if (!isOnFirstStaff(note)) return this.#leave('the second staff');
    if (textIn(note, 'voice') !== this.#voice) return this.#leave('a second voice');
    if (child(note, 'unpitched') !== undefined) this.unpitched += 1;
    const values = valuesOf(note, length);
    if (values === null) return this.#leave('a note whose length cannot be written');
    this.#fillUpTo(start);
    this.#events.push(...eventsOf(note, values, this.#pending));
    if (pitchOf(note) !== null) this.notes += 1;
    this.#pending = NOTHING_PENDING;
    this.#filled = this.#now;
  }

  /** Of a chord the highest note stays, as it carries the tune. */
  #readChordNote(note: XmlElement): void {
    if (!isOnFirstStaff(note) || textIn(note, 'voice') !== this.#voice) return;
    this.#leave('a chord: its highest note stays');
    const [pitch, last] = [pitchOf(note), this.#events.at(-1)];
    if (pitch === null || last?.kind !== 'note' || midiNumber(pitch) <= midiNumber(last.pitch)) return;
    this.#events[this.#events.length - 1] = { ...last, pitch };
  }

  /** Where the voice is silent without a rest, rests are put. */
  #fillUpTo(start: Rational): void {
    if (compare(start, this.#filled) <= 0) return;
    const values = valuesOfLength(subtract(start, this.#filled)) ?? [];
    this.#events.push(...values.map((value): TuneEvent => ({ ...PLAIN_REST, value })));
  }
}
