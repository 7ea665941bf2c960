import {
  toNumber,
  valueLength,
  type Note,
  type NoteValue,
  type Pitch,
  type Tuplet,
  type TuneEvent,
  type ValueName,
} from '../../music/index.ts';
import type { Accidentals } from './accidentals.ts';
import type { Beam } from './beams.ts';
import { element, type Xml } from './xml.ts';

/** Divisions of a quarter note: carries 64ths with dots and triplets, quintuplets and septuplets exactly. */
export const DIVISIONS = 3360;

export const TYPE_OF: Record<ValueName, string> = {
  maxima: 'maxima',
  long: 'long',
  breve: 'breve',
  whole: 'whole',
  half: 'half',
  quarter: 'quarter',
  eighth: 'eighth',
  sixteenth: '16th',
  'thirty-second': '32nd',
  'sixty-fourth': '64th',
};

export interface PlacedEvent {
  readonly id: string;
  readonly accidentals: Accidentals;
  readonly beams: readonly Beam[];
  readonly tiedFrom: boolean;
  readonly tuplet: readonly ('start' | 'stop')[];
  /** Undefined keeps the words of the tune. */
  readonly under: readonly (string | null)[] | undefined;
  /** Of the head, `#rrggbb`; null for a black one. */
  readonly headColour: string | null;
  /** Verses whose syllable before this note ended with a hyphen. */
  readonly joinedVerses: readonly number[];
}

/** Grace notes stand before their note as quavers of their own. */
export function graceXml({ grace }: Note): Xml[] {
  return grace.map((pitch) =>
    element('note', [
      element('grace', [], { slash: 'yes' }),
      pitchXml(pitch),
      element('voice', 1),
      element('type', 'eighth'),
    ]),
  );
}

export function eventXml(event: TuneEvent, placed: PlacedEvent): Xml {
  const { value } = event;
  const isNote = event.kind === 'note';
  const children = [
    isNote ? pitchXml(event.pitch) : element('rest'),
    element('duration', durationOf(value)),
    ...(placed.tiedFrom ? [element('tie', [], { type: 'stop' })] : []),
    ...(isNote && event.tied ? [element('tie', [], { type: 'start' })] : []),
    element('voice', 1),
    element('type', TYPE_OF[value.base]),
    ...Array.from({ length: value.dots }, () => element('dot')),
    ...(placed.accidentals.note === null ? [] : [element('accidental', placed.accidentals.note)]),
    ...(value.tuplet === null ? [] : [modificationXml(value.tuplet)]),
    ...(placed.headColour === null ? [] : [element('notehead', 'normal', { color: placed.headColour })]),
    ...placed.beams.map((beam, level) => element('beam', beam, { number: String(level + 1) })),
    ...notationsXml(event, placed),
    ...lyricsXml(event, placed),
  ];
  return element('note', children, { id: placed.id });
}

/** A note that is offered in place of another stands with it on one stem; it is not tied, beamed or sung by itself. */
export function orXml(event: Note, { accidentals }: Pick<PlacedEvent, 'accidentals'>): Xml[] {
  const { or, value } = event;
  if (or === null) return [];
  const { tuplet } = value;
  return [
    element('note', [
      element('chord'),
      pitchXml(or),
      element('duration', durationOf(value)),
      element('voice', 1),
      element('type', TYPE_OF[value.base]),
      ...Array.from({ length: value.dots }, () => element('dot')),
      ...(accidentals.or === null ? [] : [element('accidental', accidentals.or)]),
      ...(tuplet === null ? [] : [modificationXml(tuplet)]),
    ]),
  ];
}

function durationOf(value: NoteValue): number {
  return Math.round(toNumber(valueLength(value)) * 4 * DIVISIONS);
}

function modificationXml({ actual, normal }: Tuplet): Xml {
  return element('time-modification', [element('actual-notes', actual), element('normal-notes', normal)]);
}

function pitchXml(pitch: Pitch): Xml {
  const alter = pitch.alter === 0 ? [] : [element('alter', pitch.alter)];
  return element('pitch', [element('step', pitch.letter), ...alter, element('octave', pitch.octave)]);
}

function notationsXml(event: TuneEvent, placed: PlacedEvent): Xml[] {
  const articulations = [
    ...(event.kind === 'note' ? event.articulations.map((name) => element(name)) : []),
    ...(event.breath ? [element('breath-mark', 'comma')] : []),
  ];
  const slurs = (count: number, type: string): Xml[] =>
    Array.from({ length: count }, (_, n) => element('slur', [], { type, number: String(n + 1) }));
  const children = [
    ...(placed.tiedFrom ? [element('tied', [], { type: 'stop' })] : []),
    ...(event.kind === 'note' && event.tied ? [element('tied', [], { type: 'start' })] : []),
    ...(event.kind === 'note' ? [...slurs(event.slurEnds, 'stop'), ...slurs(event.slurStarts, 'start')] : []),
    ...placed.tuplet.map((type) => element('tuplet', [], { type })),
    ...(articulations.length === 0 ? [] : [element('articulations', articulations)]),
    ...(event.fermata ? [element('fermata')] : []),
  ];
  return children.length === 0 ? [] : [element('notations', children)];
}

function lyricsXml(event: TuneEvent, placed: PlacedEvent): Xml[] {
  const { under } = placed;
  if (under !== undefined) {
    return under.flatMap((text, row) => {
      const children = [element('syllabic', 'single'), element('text', text ?? '')];
      return text === null ? [] : [element('lyric', children, { number: String(row + 1) })];
    });
  }
  if (event.kind === 'rest') return [];
  return event.syllables.flatMap((syllable, verse) => {
    if (syllable === null) return [];
    const [joinedBefore, joinsOn] = [placed.joinedVerses.includes(verse), syllable.end === 'join'];
    const syllabic = joinsOn ? (joinedBefore ? 'middle' : 'begin') : joinedBefore ? 'end' : 'single';
    const children = [
      element('syllabic', syllabic),
      element('text', syllable.text),
      ...(syllable.end === 'hold' ? [element('extend')] : []),
    ];
    return [element('lyric', children, { number: String(verse + 1) })];
  });
}
