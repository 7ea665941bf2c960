import {
  keyAlter,
  LETTERS,
  staffStep,
  type Key,
  type Letter,
  type Metre,
  type NoteValue,
  type Pitch,
  type ValueName,
} from '../music/index.ts';
import { t } from './messages.ts';

/** One note or rest as it was typed; where it is longer than its bar it goes on into the next, tied. */
export interface EntryEvent {
  /** Null for a rest. */
  readonly pitch: Pitch | null;
  readonly value: NoteValue;
  /** Held over into the next note. */
  readonly tied: boolean;
  readonly chord: string | null;
  /** A repeated section begins before it, and ends after it. */
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  /** The line of the sheet ends with its bar. */
  readonly lineEnd: boolean;
}

/** A tune that is being typed: bars close by themselves when they are full. */
export interface Entry {
  readonly title: string;
  readonly composer: string;
  readonly key: Key;
  readonly metre: Metre;
  /** Beats a minute. */
  readonly perMinute: number;
  /** Beats before the first full bar; 0 for none. */
  readonly pickup: number;
  readonly events: readonly EntryEvent[];
  /** How many events stand before the place where the next one comes. */
  readonly cursor: number;
  /** The length of what comes next. */
  readonly value: NoteValue;
  /** Syllables of the words, in order of the notes that are struck: "Geese go by, walk-ing"; `_` holds, `*` leaves one out. */
  readonly words: string;
}

export const EMPTY_ENTRY: Entry = {
  title: t('entry.a-new-tune'),
  composer: '',
  key: { fifths: 1, mode: 'major' },
  metre: { count: 4, unit: 4 },
  perMinute: 84,
  pickup: 0,
  events: [],
  cursor: 0,
  value: { base: 'quarter', dots: 0, tuplet: null },
  words: '',
};

/** The digits of lengths: the part of a whole note that it is; 6 is a sixteenth. */
const DIGITS: Readonly<Record<string, ValueName>> = {
  '1': 'whole',
  '2': 'half',
  '4': 'quarter',
  '8': 'eighth',
  '6': 'sixteenth',
};

/** What each key does, for the help beside the sheet. */
export const ENTRY_KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: t('entry.a-to-g'), does: t('entry.a-note-as-near-as-possible') },
  { keys: '1 2 4 8 6', does: t('entry.note-length-from-here-on-whole') },
  { keys: '.', does: t('entry.dot-the-last-note') },
  { keys: 'R', does: t('entry.a-rest') },
  { keys: '↑ ↓', does: t('entry.move-the-last-note-up-or') },
  { keys: '# - =', does: t('entry.make-the-last-note-sharp-flat') },
  { keys: 'T', does: t('entry.tie-the-last-note-to-the') },
  { keys: '3', does: t('entry.make-the-last-three-notes-a') },
  { keys: '[ ]', does: t('entry.start-or-end-a-repeat-at') },
  { keys: 'Enter', does: t('entry.end-the-line') },
  { keys: '← →', does: t('entry.undo-and-redo') },
  { keys: 'Backspace', does: t('entry.delete-the-last-note') },
];

/** The entry after a key; the same entry where the key means nothing here. @param key as the browser names it. */
export function typeKey(entry: Entry, key: string, shift = false): Entry {
  const letter = LETTERS.find((each) => each === key.toUpperCase());
  if (letter !== undefined) return insert(entry, nearest(entry, letter));
  const base = DIGITS[key];
  if (base !== undefined) return { ...entry, value: { base, dots: 0, tuplet: null } };
  switch (key) {
    case 'r':
    case 'R':
    case '0':
      return insert(entry, null);
    case '.':
      return change(entry, ({ value }) => ({ value: { ...value, dots: (value.dots + 1) % 3 } }));
    case 'ArrowUp':
    case 'ArrowDown':
      return change(entry, ({ pitch }) => ({ pitch: pitch && shifted(entry.key, pitch, key, shift) }));
    case '#':
    case '+':
      return change(entry, ({ pitch }) => ({ pitch: pitch && { ...pitch, alter: 1 } }));
    case '-':
      return change(entry, ({ pitch }) => ({ pitch: pitch && { ...pitch, alter: -1 } }));
    case '=':
      return change(entry, ({ pitch }) => ({ pitch: pitch && { ...pitch, alter: 0 } }));
    case 't':
    case 'T':
      return change(entry, ({ pitch, tied }) => ({ tied: pitch !== null && !tied }));
    case '3':
      return triplet(entry);
    case '[':
      return change(entry, ({ repeatStart }) => ({ repeatStart: !repeatStart }));
    case ']':
      return change(entry, ({ repeatEnd }) => ({ repeatEnd: !repeatEnd }));
    case 'Enter':
      return change(entry, ({ lineEnd }) => ({ lineEnd: !lineEnd }));
    case 'ArrowLeft':
      return { ...entry, cursor: Math.max(0, entry.cursor - 1) };
    case 'ArrowRight':
      return { ...entry, cursor: Math.min(entry.events.length, entry.cursor + 1) };
    case 'Home':
      return { ...entry, cursor: 0 };
    case 'End':
      return { ...entry, cursor: entry.events.length };
    case 'Backspace':
      return remove(entry);
    default:
      return entry;
  }
}

/** The last note before the cursor, which signs and arrows are about; null before there is one. */
export function lastTyped({ events, cursor }: Entry): EntryEvent | null {
  return events[cursor - 1] ?? null;
}

/** The chord symbol over the last note. */
export function chordAt(entry: Entry, chord: string): Entry {
  return change(entry, () => ({ chord: chord.trim() === '' ? null : chord.trim() }));
}

function insert(entry: Entry, pitch: Pitch | null): Entry {
  const { events, cursor, value } = entry;
  const event: EntryEvent = {
    pitch,
    value,
    tied: false,
    chord: null,
    repeatStart: false,
    repeatEnd: false,
    lineEnd: false,
  };
  const next = [...events.slice(0, cursor), event, ...events.slice(cursor)];
  return { ...entry, events: next, cursor: cursor + 1, value: { ...value, dots: 0, tuplet: null } };
}

function remove(entry: Entry): Entry {
  if (entry.cursor === 0) return entry;
  const events = entry.events.filter((_, index) => index !== entry.cursor - 1);
  return { ...entry, events, cursor: entry.cursor - 1 };
}

function change(entry: Entry, how: (event: EntryEvent) => Partial<EntryEvent>): Entry {
  const last = lastTyped(entry);
  if (last === null) return entry;
  const changed = { ...last, ...how(last) };
  return { ...entry, events: entry.events.map((event, index) => (index === entry.cursor - 1 ? changed : event)) };
}

function triplet(entry: Entry): Entry {
  const from = entry.cursor - 3;
  if (from < 0) return entry;
  const isOne = entry.events.slice(from, entry.cursor).every(({ value }) => value.tuplet !== null);
  const tuplet = isOne ? null : { actual: 3, normal: 2 };
  const events = entry.events.map((event, index) =>
    index >= from && index < entry.cursor ? { ...event, value: { ...event.value, tuplet } } : event,
  );
  return { ...entry, events };
}

const MIDDLE: Pitch = { letter: 'B', alter: 0, octave: 4 };
const LOWEST = staffStep({ letter: 'C', alter: 0, octave: 4 });

/** The octave in which a letter is nearest to the note before; in the key's own spelling. */
function nearest(entry: Entry, letter: Letter): Pitch {
  const before = entry.events.slice(0, entry.cursor).findLast(({ pitch }) => pitch !== null)?.pitch ?? MIDDLE;
  const alter = keyAlter(entry.key, letter);
  const choices = [-1, 0, 1].map((octave): Pitch => ({ letter, alter, octave: before.octave + octave }));
  // Below the lowest note of recorder and whistle nobody means one.
  const away = (pitch: Pitch): number =>
    Math.abs(staffStep(pitch) - staffStep(before)) + (staffStep(pitch) < LOWEST ? 7 : 0);
  return choices.toSorted((a, b) => away(a) - away(b))[0]!;
}

function shifted(key: Key, pitch: Pitch, arrow: 'ArrowUp' | 'ArrowDown', byOctave: boolean): Pitch {
  const step = staffStep(pitch) + (arrow === 'ArrowUp' ? 1 : -1) * (byOctave ? 7 : 1);
  const letter = LETTERS[((step % 7) + 7) % 7]!;
  return { letter, octave: Math.floor(step / 7), alter: byOctave ? pitch.alter : keyAlter(key, letter) };
}
