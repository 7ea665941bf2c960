import type { ClassNotes, NoteOnStairs } from '@escalier/contract/notes';
import { findInstrument, nameNote, primaryFingering, type Instrument } from '@escalier/core/instruments';
import { byHeight, parsePitch, pitch, pitchName, samePitch, staffStep, type Pitch } from '@escalier/core/music';
import { bridgeTo, movesAround, plainestKey, type Bridge, type MovePair } from '@escalier/core/practice';
import { staffPlace } from '@escalier/core/words';
import { t } from './messages.ts';

type OwnNote = NonNullable<NoteOnStairs['own']>;

/** All that is worked out for introducing one note to one class. */
export interface NoteLesson {
  readonly on: Instrument;
  readonly note: Pitch;
  /** As the class says it. */
  readonly label: string;
  /** Where it stands on the stairs; null for a note beside them. */
  readonly place: { readonly position: number; readonly title: string } | null;
  /** What the class has, from low to high, without the note. */
  readonly known: readonly Pitch[];
  readonly elements: readonly string[];
  /** What the class's teacher says about it; null for nothing yet. */
  readonly own: OwnNote | null;
  /** From the nearest known note; null for the very first. */
  readonly bridge: Bridge | null;
  /** There and back with each known note, easiest first. */
  readonly pairs: readonly MovePair[];
  /** "on the first line". */
  readonly staffPlace: string;
  /** Lower and higher than what. */
  readonly comparison: string;
  name(p: Pitch): string;
}

/** The very first note is echoed with these from the start. */
const FIRST_VALUES = ['note quarter', 'note eighth', 'note half'];

/** Null when the note is no note of the class's instrument. */
export function lessonOf(notes: ClassNotes, wanted: string): NoteLesson | null {
  const instrument = findInstrument(notes.schoolClass.instrumentId);
  const note = parsePitch(wanted);
  if (instrument === null || note === null || primaryFingering(instrument, note) === null) return null;
  const onStairs = notes.notes.find((each) => samePitch(pitch(each.note), note)) ?? null;
  const first = notes.notes.filter((note) => note.position === notes.notes[0]?.position).map((note) => note.note);
  const isTogether = notes.schoolClass.style.teaching.firstNotes === 'three' && first.includes(wanted);
  const before = isTogether ? first : (onStairs?.knownNotes ?? notes.notes.map((note) => note.note));
  const elements = onStairs?.knownElements ?? notes.notes.at(-1)?.knownElements ?? [];
  const known = before
    .map(pitch)
    .filter((pitch) => !samePitch(pitch, note))
    .toSorted(byHeight);
  const key = plainestKey([...known, note]);
  const plain = (p: Pitch): string => nameNote(p, notes.schoolClass.style.naming, key, instrument);
  const name = (p: Pitch): string => {
    const isHighOne = [...known, note].some((pitch) => plain(pitch) === plain(p) && pitch.octave < p.octave);
    return isHighOne ? `${plain(p)}′` : plain(p);
  };
  return {
    on: instrument,
    note,
    label: name(note),
    place: onStairs === null ? null : { position: onStairs.position, title: onStairs.title },
    known,
    elements: known.length === 0 ? [...new Set([...elements, ...FIRST_VALUES])] : elements,
    own: onStairs?.own ?? null,
    bridge: bridgeTo(instrument, note, known),
    pairs: movesAround(instrument, note, known),
    staffPlace: staffPlace(staffStep(note)),
    comparison: comparison(note, known, name),
    name,
  };
}

/** "Lower than G, two steps on the staff." Steps, because a class counts lines and spaces. */
function comparison(note: Pitch, known: readonly Pitch[], name: (p: Pitch) => string): string {
  const under = known.findLast((pitch) => byHeight(pitch, note) < 0);
  const over = known.find((pitch) => byHeight(pitch, note) > 0);
  const parts = [
    ...(under === undefined
      ? []
      : [t('lesson.higher-than-name-steps', { name: name(under), steps: steps(note, under) })]),
    ...(over === undefined ? [] : [t('lesson.lower-than-name-steps', { name: name(over), steps: steps(note, over) })]),
  ];
  if (parts.length === 0) return t('lesson.the-very-first-note');
  const text = parts.join('; ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

function steps(a: Pitch, b: Pitch): string {
  const count = Math.abs(staffStep(a) - staffStep(b));
  if (count === 0) return t('lesson.in-the-same-place-with-another');
  return count === 1 ? t('lesson.the-next-step') : t('lesson.count-steps-away', { count });
}

/** What is asked of the worker for the echo patterns. */
export function echoNotes(lesson: NoteLesson): readonly string[] {
  return [...lesson.known, lesson.note].map(pitchName);
}
