import { XMLBuilder } from 'fast-xml-parser';
import {
  quartersPerMinute,
  sameKey,
  sameMetre,
  tupletGroups,
  valueOfLength,
  type Bar,
  type Metre,
  type Tempo,
  type Tune,
  type TupletGroup,
  type Pitch,
} from '../../music/index.ts';
import { barId, eventId } from '../ids.ts';
import { accidentalsShown } from './accidentals.ts';
import { beamsOf } from './beams.ts';
import { CHORD_KINDS } from './chord-kinds.ts';
import { DIVISIONS, eventXml, graceXml, orXml, TYPE_OF } from './write-event.ts';
import { element, type Xml } from './xml.ts';

export interface MusicXmlOptions {
  /** For who plays along: on a sheet for pupils, letters above the notes are taken for their names. */
  readonly withoutChords?: boolean;
  /** Leaves out what the page shows beside the sheet. */
  readonly forEngraving?: boolean;
  /** Replaces the words under the first part: a line of text for each row, null where a row has nothing. */
  readonly underNote?: (barIndex: number, eventIndex: number) => readonly (string | null)[];
  /** Of a note's head, `#rrggbb`; all are black where it is not given. */
  readonly headColour?: (pitch: Pitch) => string;
}

/** MusicXML 4.0, partwise, with an id on every bar and event so that pictures and cursors can hang on it. */
export function writeMusicXml(tune: Tune, options: MusicXmlOptions = {}): string {
  const builder = new XMLBuilder({ preserveOrder: true, ignoreAttributes: false, format: true, indentBy: ' ' });
  const score = element(
    'score-partwise',
    [...heading(tune), ...tune.parts.map((_, part) => partXml(tune, part, options))],
    {
      version: '4.0',
    },
  );
  const doctype =
    '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">\n';
  return doctype + String(builder.build([score])).trim() + '\n';
}

function heading(tune: Tune): Xml[] {
  const fields = [
    ...tune.otherTitles.map((title) => element('miscellaneous-field', title, { name: 'other-title' })),
    ...(tune.tags.length === 0 ? [] : [element('miscellaneous-field', tune.tags.join(', '), { name: 'tags' })]),
  ];
  const identification = [
    ...(tune.composer === '' ? [] : [element('creator', tune.composer, { type: 'composer' })]),
    ...(tune.licence === '' ? [] : [element('rights', tune.licence)]),
    ...(tune.source === '' ? [] : [element('source', tune.source)]),
    ...(fields.length === 0 ? [] : [element('miscellaneous', fields)]),
  ];
  const parts = tune.parts.map((part, index) =>
    element('score-part', [partName(part.name, tune.parts.length)], { id: `P${index + 1}` }),
  );
  return [
    element('work', [element('work-title', tune.title)]),
    element('identification', identification),
    element('part-list', parts),
  ];
}

/** The name of a lone melody says nothing on a sheet. */
function partName(name: string, parts: number): Xml {
  return element('part-name', name, parts === 1 ? { 'print-object': 'no' } : {});
}

function partXml(tune: Tune, part: number, options: MusicXmlOptions): Xml {
  const measures = tune.bars.map((bar, index) => measureXml(tune, part, index, bar, options));
  return element('part', measures, { id: `P${part + 1}` });
}

function measureXml(tune: Tune, part: number, barIndex: number, bar: Bar, options: MusicXmlOptions): Xml {
  const before = tune.bars[barIndex - 1];
  const events = tune.parts[part]!.bars[barIndex]!;
  const shown = accidentalsShown(events, bar.key);
  const beams = beamsOf(events, bar.metre);
  const groups = tupletGroups(events);
  const content = [
    ...(before?.lineEnd === true ? [element('print', [], { 'new-system': 'yes' })] : []),
    ...attributesXml(bar, before),
    ...leftBarline(bar, before),
    ...signsBefore(tune, part, barIndex, bar, options.forEngraving === true),
    ...events.flatMap((event, index) => [
      ...(event.chordSymbol === null || options.withoutChords === true ? [] : [harmonyXml(event.chordSymbol)]),
      ...(event.dynamic === null ? [] : [directionXml(element('dynamics', [element(event.dynamic)]), 'below')]),
      ...(event.kind === 'note' ? graceXml(event) : []),
      eventXml(event, {
        id: eventId(part, barIndex, index),
        accidentals: shown[index]!,
        beams: beams[index] ?? [],
        tiedFrom: isTiedInto(tune, part, barIndex, index),
        tuplet: tupletEdges(groups, index),
        joinedVerses: joinedVerses(tune, part, barIndex, index),
        headColour: event.kind === 'note' ? (options.headColour?.(event.pitch) ?? null) : null,
        under: part === 0 && options.underNote !== undefined ? options.underNote(barIndex, index) : undefined,
      }),
      ...(event.kind === 'note' ? orXml(event, { accidentals: shown[index]! }) : []),
    ]),
    ...signsAfter(bar),
    ...rightBarline(bar, tune.bars[barIndex + 1]),
  ];
  const implicit: Record<string, string> = bar.number === 0 || before?.number === bar.number ? { implicit: 'yes' } : {};
  return element('measure', content, {
    number: String(bar.number),
    ...implicit,
    ...(part === 0 ? { id: barId(barIndex) } : {}),
  });
}

function attributesXml(bar: Bar, before: Bar | undefined): Xml[] {
  const children = [
    ...(before === undefined ? [element('divisions', DIVISIONS)] : []),
    ...(before === undefined || !sameKey(bar.key, before.key)
      ? [element('key', [element('fifths', bar.key.fifths), element('mode', bar.key.mode)])]
      : []),
    ...(before === undefined || !sameMetre(bar.metre, before.metre) ? [timeXml(bar.metre)] : []),
    ...(before === undefined ? [element('clef', [element('sign', 'G'), element('line', 2)])] : []),
  ];
  return children.length === 0 ? [] : [element('attributes', children)];
}

function timeXml(metre: Metre): Xml {
  return element('time', [element('beats', metre.groups?.join('+') ?? metre.count), element('beat-type', metre.unit)]);
}

function leftBarline(bar: Bar, before: Bar | undefined): Xml[] {
  const opens = bar.ending !== null && before?.ending?.join() !== bar.ending.join();
  if (!bar.repeatStart && !opens) return [];
  const children = [
    ...(bar.repeatStart ? [element('bar-style', 'heavy-light')] : []),
    ...(opens ? [element('ending', [], { number: bar.ending.join(','), type: 'start' })] : []),
    ...(bar.repeatStart ? [element('repeat', [], { direction: 'forward' })] : []),
  ];
  return [element('barline', children, { location: 'left' })];
}

function rightBarline(bar: Bar, after: Bar | undefined): Xml[] {
  const closes = bar.ending !== null && after?.ending?.join() !== bar.ending.join();
  const repeats = bar.timesPlayed > 1;
  if (!closes && !repeats && bar.barline === 'single') return [];
  const style =
    repeats || bar.barline === 'final' ? 'light-heavy' : bar.barline === 'double' ? 'light-light' : 'regular';
  const times: Record<string, string> = bar.timesPlayed > 2 ? { times: String(bar.timesPlayed) } : {};
  const children = [
    element('bar-style', style),
    ...(closes
      ? [element('ending', [], { number: bar.ending.join(','), type: repeats ? 'stop' : 'discontinue' })]
      : []),
    ...(repeats ? [element('repeat', [], { direction: 'backward', ...times })] : []),
  ];
  return [element('barline', children, { location: 'right' })];
}

function directionXml(type: Xml, placement: 'above' | 'below', sound: Record<string, string> = {}): Xml {
  const children = [element('direction-type', [type])];
  if (Object.keys(sound).length > 0) children.push(element('sound', [], sound));
  return element('direction', children, { placement });
}

function signsBefore(tune: Tune, part: number, barIndex: number, bar: Bar, forEngraving: boolean): Xml[] {
  if (part > 0) return [];
  return [
    ...(barIndex === 0 && tune.tempo !== null ? [tempoXml(tune.tempo, forEngraving)] : []),
    ...(bar.entry === null ? [] : [directionXml(element('rehearsal', bar.entry), 'above')]),
    ...(bar.segno ? [directionXml(element('segno'), 'above', { segno: 'segno' })] : []),
    ...(bar.coda ? [directionXml(element('coda'), 'above', { coda: 'coda' })] : []),
  ];
}

/** On the engraved sheet the tempo stands beside it, as text; a file carries the metronome mark too. */
function tempoXml(tempo: Tempo, forEngraving: boolean): Xml {
  const { beat, perMinute } = tempo;
  const quarters = { tempo: String(quartersPerMinute(tempo)) };
  const value = valueOfLength(beat);
  if (forEngraving || value === null) return element('sound', [], quarters);
  const metronome = element('metronome', [
    element('beat-unit', TYPE_OF[value.base]),
    ...Array.from({ length: value.dots }, () => element('beat-unit-dot')),
    element('per-minute', perMinute),
  ]);
  return directionXml(metronome, 'above', quarters);
}

function signsAfter(bar: Bar): Xml[] {
  return [
    ...(bar.toCoda ? [directionXml(element('words', 'To Coda'), 'above', { tocoda: 'coda' })] : []),
    ...(bar.fine ? [directionXml(element('words', 'Fine'), 'above', { fine: 'yes' })] : []),
    ...(bar.jump === null
      ? []
      : [
          directionXml(
            element('words', bar.jump),
            'above',
            bar.jump.startsWith('D.C.') ? { dacapo: 'yes' } : { dalsegno: 'segno' },
          ),
        ]),
  ];
}

function harmonyXml(symbol: string): Xml {
  const match = /^([A-G])([#b]?)([^/]*)(?:\/([A-G])([#b]?))?$/.exec(symbol);
  if (match === null) return directionXml(element('words', symbol), 'above');
  const [, step, sign, rest, bass, bassSign] = match;
  const kind = CHORD_KINDS.find(([, suffix]) => suffix === rest)?.[0] ?? 'other';
  return element('harmony', [
    element('root', [element('root-step', step), ...chordAlter('root-alter', sign)]),
    element('kind', kind, { text: rest! }),
    ...(bass === undefined
      ? []
      : [element('bass', [element('bass-step', bass), ...chordAlter('bass-alter', bassSign)])]),
  ]);
}

function chordAlter(name: string, sign: string | undefined): Xml[] {
  return sign === undefined || sign === '' ? [] : [element(name, sign === '#' ? 1 : -1)];
}

function isTiedInto(tune: Tune, part: number, barIndex: number, eventIndex: number): boolean {
  const { bars } = tune.parts[part]!;
  const before = bars[barIndex]![eventIndex - 1] ?? (eventIndex === 0 ? bars[barIndex - 1]?.at(-1) : undefined);
  return before?.kind === 'note' && before.tied;
}

function tupletEdges(groups: readonly TupletGroup[], index: number): ('start' | 'stop')[] {
  return groups.flatMap((group) => [
    ...(group.first === index ? (['start'] as const) : []),
    ...(group.last === index ? (['stop'] as const) : []),
  ]);
}

/** The verses whose last syllable before this event goes on with a hyphen. */
function joinedVerses(tune: Tune, part: number, barIndex: number, eventIndex: number): readonly number[] {
  const { bars } = tune.parts[part]!;
  const event = bars[barIndex]![eventIndex]!;
  if (event.kind === 'rest') return [];
  return event.syllables.flatMap((syllable, verse) => {
    if (syllable === null) return [];
    for (let bar = barIndex; bar >= 0; bar--) {
      const events = bar === barIndex ? bars[bar]!.slice(0, eventIndex) : bars[bar]!;
      const last = events.findLast((other) => other.kind === 'note' && (other.syllables[verse] ?? null) !== null);
      if (last !== undefined) return last.kind === 'note' && last.syllables[verse]?.end === 'join' ? [verse] : [];
    }
    return [];
  });
}
