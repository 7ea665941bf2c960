import {
  add,
  byHeight,
  compare,
  midiNumber,
  PLAIN_REST,
  subtract,
  valuesOfLength,
  ZERO,
  type Rational,
  type TuneEvent,
} from '../../music/index.ts';
import { chordSymbolOf, durationOf, dynamicIn, eventsOf, pitchOf, valuesOf, type Pending } from './read-event.ts';
import { child, children, numberIn, textIn, type XmlElement } from './xml-reader.ts';
import { t } from '../messages.ts';

export interface ReadPart {
  readonly bars: readonly (readonly TuneEvent[])[];
  readonly notes: number;
  readonly unpitched: number;
  readonly leftOut: readonly { readonly barIndex: number; readonly message: string }[];
}

/** Signs over the bars that a Tune does not carry. */
const LEFT_SIGNS: ReadonlyMap<string, string> = new Map([
  ['wedge', t('read-part.a-hairpin')],
  ['octave-shift', t('read-part.an-octave-sign')],
  ['pedal', t('read-part.a-pedal-sign')],
]);

/** Words that stand for a jump are read with the bar. */
function isRead(words: string): boolean {
  return /^(to coda|fine|d\.? ?[cs]\.?|d[ac] |[1-9]\.?$)/i.test(words);
}

const SIGN_GROUPS = ['ornaments', 'technical'];

const NOTHING_PENDING: Pending = { chordSymbol: null, dynamic: null, grace: [] };

/** The top voice on the first staff of a part, measure by measure; what else stands there is listed. */
export function readPart(part: XmlElement): ReadPart {
  const voice = firstVoice(part);
  const reader = new PartReader(voice);
  for (const measure of part.children.filter((child) => child.name === 'measure')) reader.readMeasure(measure);
  return reader;
}

/** Of the voices on the first staff that have enough notes, the highest: it carries the tune. */
function firstVoice(part: XmlElement): string {
  const voices = new Map<string, number[]>();
  const notes = part.children.flatMap((measure) => measure.children.filter((child) => child.name === 'note'));
  for (const note of notes.filter(isOnFirstStaff)) {
    const [voice, pitch] = [textIn(note, 'voice'), pitchOf(note)];
    voices.set(voice, [...(voices.get(voice) ?? []), ...(pitch === null ? [] : [midiNumber(pitch)])]);
  }
  const most = Math.max(0, ...[...voices.values()].map((heights) => heights.length));
  // A voice with a few notes only is a second one, however high.
  const melodies = [...voices].filter(([, heights]) => heights.length >= most / 2);
  const height = (heights: readonly number[]): number =>
    heights.reduce((sum, height) => sum + height, 0) / heights.length;
  return melodies.toSorted(([, a], [, b]) => height(b) - height(a))[0]?.[0] ?? '';
}

function isOnFirstStaff(note: XmlElement): boolean {
  return (numberIn(note, 'staff') ?? 1) === 1;
}

/** Names of ornaments and other signs at a note that a Tune does not carry. */
function signsLeft(note: XmlElement): readonly string[] {
  const groups = children(note, 'notations').flatMap((element) => element.children);
  const signs = groups.flatMap(({ name, children: inside }) => {
    if (SIGN_GROUPS.includes(name)) return inside.map((element) => element.name);
    return name === 'articulations'
      ? inside.map((element) => element.name).filter((each) => !KNOWN_MARKS.has(each))
      : [];
  });
  return signs
    .filter((name) => name !== 'accidental-mark' && name !== 'fingering')
    .map((name) => name.replaceAll('-', ' '));
}

const KNOWN_MARKS: ReadonlySet<string> = new Set(['staccato', 'accent', 'tenuto', 'breath-mark']);

class PartReader implements ReadPart {
  readonly bars: (readonly TuneEvent[])[] = [];
  readonly leftOut: { readonly barIndex: number; readonly message: string }[] = [];
  notes = 0;
  unpitched = 0;
  #divisions = 1;
  #events: TuneEvent[] = [];
  /** The first event of the note that was read last, and how many more stand in one place with it. */
  #chordFrom = 0;
  #inChord = 0;
  /** Where the file stands in the measure, and up to where the chosen voice is filled. */
  #now: Rational = ZERO;
  #filled: Rational = ZERO;
  /** Up to where any voice goes in this measure. */
  #furthest: Rational = ZERO;
  #pending: Pending = NOTHING_PENDING;
  readonly #voice: string;

  constructor(voice: string) {
    this.#voice = voice;
  }

  readMeasure(measure: XmlElement): void {
    this.#events = [];
    this.#now = ZERO;
    this.#filled = ZERO;
    this.#furthest = ZERO;
    for (const element of measure.children) this.#read(element);
    this.#fillUpTo(this.#furthest);
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
        return this.#leaveWords(element);
      default:
        return;
    }
  }

  #readGrace(note: XmlElement): void {
    const pitch = pitchOf(note);
    if (pitch === null || !isOnFirstStaff(note) || textIn(note, 'voice') !== this.#voice) return;
    if (child(note, 'chord') !== undefined) return this.#leave(t('read-part.a-chord-of-grace-notes-one'));
    this.#pending = { ...this.#pending, grace: [...this.#pending.grace, pitch] };
  }

  #moveBy(element: XmlElement): void {
    const length = durationOf(element, this.#divisions);
    if (length === null) return;
    const there = element.name === 'backup' ? subtract(this.#now, length) : add(this.#now, length);
    this.#now = compare(there, ZERO) < 0 ? ZERO : there;
  }

  /** What is written over the bars and is no sign that a Tune has. */
  #leaveWords(direction: XmlElement): void {
    for (const type of children(direction, 'direction-type').flatMap((element) => element.children)) {
      const text = type.text.trim();
      if (type.name === 'words' && text !== '' && !isRead(text))
        this.#leave(t('read-part.the-words-text', { text: text.slice(0, 60) }));
      if (LEFT_SIGNS.has(type.name) && type.attributes.type !== 'stop') this.#leave(LEFT_SIGNS.get(type.name)!);
    }
  }

  #readNote(note: XmlElement): void {
    if (child(note, 'grace') !== undefined) return this.#readGrace(note);
    if (child(note, 'cue') !== undefined) return this.#leave(t('read-part.cue-notes'));
    const length = durationOf(note, this.#divisions);
    if (length === null) return this.#leave(t('read-part.a-note-without-a-length'));
    if (child(note, 'chord') !== undefined) return this.#readChordNote(note);
    const start = this.#now;
    this.#now = add(this.#now, length);
    if (compare(this.#now, this.#furthest) > 0) this.#furthest = this.#now;
    if (!isOnFirstStaff(note)) return this.#leave(t('read-part.the-second-staff'));
    if (textIn(note, 'voice') !== this.#voice) return this.#leave(t('read-part.a-second-voice'));
    if (child(note, 'unpitched') !== undefined) this.unpitched += 1;
    const values = valuesOf(note, length);
    if (values === null) return this.#leave(t('read-part.a-note-whose-length-cant-be'));
    for (const sign of signsLeft(note)) this.#leave(t('read-part.the-sign-sign', { sign }));
    this.#fillUpTo(start);
    this.#chordFrom = this.#events.length;
    this.#inChord = 0;
    this.#events.push(...eventsOf(note, values, this.#pending));
    if (pitchOf(note) !== null) this.notes += 1;
    this.#pending = NOTHING_PENDING;
    this.#filled = this.#now;
  }

  /**
   * Of two notes in one place the higher carries the tune and the other is offered in its place; of more the highest
   * stays.
   */
  #readChordNote(note: XmlElement): void {
    if (!isOnFirstStaff(note) || textIn(note, 'voice') !== this.#voice) return;
    const [pitch, last] = [pitchOf(note), this.#events.at(-1)];
    if (pitch === null || last?.kind !== 'note') return;
    this.#inChord += 1;
    if (this.#inChord > 1) this.#leave(t('read-part.a-chord-its-highest-note-is'));
    const [low, high] = [pitch, last.pitch].toSorted(byHeight);
    // A note of a length that takes several written values is several events, tied.
    const or = this.#inChord > 1 ? null : low!;
    this.#events = this.#events.map((event, at) =>
      event.kind === 'note' && at >= this.#chordFrom ? { ...event, pitch: high!, or } : event,
    );
  }

  /** Where the voice is silent without a rest, rests are put. */
  #fillUpTo(start: Rational): void {
    if (compare(start, this.#filled) <= 0) return;
    const values = valuesOfLength(subtract(start, this.#filled)) ?? [];
    this.#events.push(...values.map((value): TuneEvent => ({ ...PLAIN_REST, value })));
  }
}
