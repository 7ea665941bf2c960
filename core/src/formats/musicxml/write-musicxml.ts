import { XMLBuilder } from 'fast-xml-parser';
import {
  sameKey,
  sameMetre,
  toNumber,
  type Bar,
  type Metre,
  type Note,
  type Tune,
  type TuneEvent,
} from '../../music/index.ts';
import { valueLength, type ValueName } from '../../music/index.ts';
import { accidentalsShown } from './accidentals.ts';
import { beamsOf, type Beam } from './beams.ts';

/** Divisions of a quarter note: carries 64ths with dots and triplets, quintuplets and septuplets exactly. */
const DIVISIONS = 3360;

const TYPE_OF: Record<ValueName, string> = {
  breve: 'breve',
  whole: 'whole',
  half: 'half',
  quarter: 'quarter',
  eighth: 'eighth',
  sixteenth: '16th',
  'thirty-second': '32nd',
};

/** A node of fast-xml-parser's ordered form. */
type Xml = Record<string, unknown>;

function element(name: string, children: Xml[] | string | number = [], attributes: Record<string, string> = {}): Xml {
  const content = typeof children === 'object' ? children : [{ '#text': String(children) }];
  const named = Object.fromEntries(Object.entries(attributes).map(([key, value]) => [`@_${key}`, value]));
  return { [name]: content, ...(Object.keys(named).length > 0 ? { ':@': named } : {}) };
}

/** The id of a written note or rest in exported and engraved music: part, bar index, event index. */
export function eventId(part: number, barIndex: number, eventIndex: number): string {
  return `n${part}-${barIndex}-${eventIndex}`;
}

export function barId(barIndex: number): string {
  return `b${barIndex}`;
}

export interface MusicXmlOptions {
  /** Replaces the words under the notes: what to print under an event of the first part, null for nothing. */
  readonly underNote?: (barIndex: number, eventIndex: number) => string | null;
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
  const identification = [
    ...(tune.composer === '' ? [] : [element('creator', tune.composer, { type: 'composer' })]),
    ...(tune.licence === '' ? [] : [element('rights', tune.licence)]),
    ...(tune.source === '' ? [] : [element('source', tune.source)]),
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
  const content = [
    ...(before?.lineEnd === true ? [element('print', [], { 'new-system': 'yes' })] : []),
    ...attributesXml(bar, before),
    ...leftBarline(bar, before),
    ...signsBefore(tune, part, barIndex, bar),
    ...events.flatMap((event, index) => [
      ...(event.chordSymbol === null ? [] : [harmonyXml(event.chordSymbol)]),
      ...(event.dynamic === null ? [] : [directionXml(element('dynamics', [element(event.dynamic)]), 'below')]),
      eventXml(event, {
        id: eventId(part, barIndex, index),
        accidental: shown[index] ?? null,
        beams: beams[index] ?? [],
        tiedFrom: isTiedInto(tune, part, barIndex, index),
        tuplet: tupletEdge(events, index),
        under: part === 0 && options.underNote !== undefined ? options.underNote(barIndex, index) : undefined,
      }),
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
  return element('time', [element('beats', metre.count), element('beat-type', metre.unit)]);
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

function signsBefore(tune: Tune, part: number, barIndex: number, bar: Bar): Xml[] {
  if (part > 0) return [];
  return [
    ...(barIndex === 0 && tune.tempo !== null ? [tempoXml(tune.tempo.perMinute, toNumber(tune.tempo.beat))] : []),
    ...(bar.segno ? [directionXml(element('segno'), 'above', { segno: 'segno' })] : []),
    ...(bar.coda ? [directionXml(element('coda'), 'above', { coda: 'coda' })] : []),
  ];
}

function tempoXml(perMinute: number, beat: number): Xml {
  return element('sound', [], { tempo: String(perMinute * beat * 4) });
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
  const match = /^([A-G])([#b]?)(.*)$/.exec(symbol);
  if (match === null) return directionXml(element('words', symbol), 'above');
  const [, step, sign, rest] = match;
  const kinds = new Map([
    ['', 'major'],
    ['m', 'minor'],
    ['7', 'dominant'],
    ['m7', 'minor-seventh'],
    ['dim', 'diminished'],
  ]);
  const alter = sign === '' ? [] : [element('root-alter', sign === '#' ? 1 : -1)];
  return element('harmony', [
    element('root', [element('root-step', step), ...alter]),
    element('kind', kinds.get(rest!) ?? 'other', { text: rest! }),
  ]);
}

interface Placed {
  readonly id: string;
  readonly accidental: string | null;
  readonly beams: readonly Beam[];
  readonly tiedFrom: boolean;
  readonly tuplet: 'start' | 'stop' | null;
  /** Undefined keeps the words of the tune. */
  readonly under: string | null | undefined;
}

function eventXml(event: TuneEvent, placed: Placed): Xml {
  const { value } = event;
  const isNote = event.kind === 'note';
  const children = [
    isNote ? pitchXml(event) : element('rest'),
    element('duration', Math.round(toNumber(valueLength(value)) * 4 * DIVISIONS)),
    ...(placed.tiedFrom ? [element('tie', [], { type: 'stop' })] : []),
    ...(isNote && event.tied ? [element('tie', [], { type: 'start' })] : []),
    element('voice', 1),
    element('type', TYPE_OF[value.base]),
    ...Array.from({ length: value.dots }, () => element('dot')),
    ...(placed.accidental === null ? [] : [element('accidental', placed.accidental)]),
    ...(value.tuplet === null
      ? []
      : [
          element('time-modification', [
            element('actual-notes', value.tuplet.actual),
            element('normal-notes', value.tuplet.normal),
          ]),
        ]),
    ...placed.beams.map((beam, level) => element('beam', beam, { number: String(level + 1) })),
    ...notationsXml(event, placed),
    ...lyricsXml(event, placed.under),
  ];
  return element('note', children, { id: placed.id });
}

function pitchXml({ pitch }: Note): Xml {
  const alter = pitch.alter === 0 ? [] : [element('alter', pitch.alter)];
  return element('pitch', [element('step', pitch.letter), ...alter, element('octave', pitch.octave)]);
}

function notationsXml(event: TuneEvent, placed: Placed): Xml[] {
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
    ...(placed.tuplet === null ? [] : [element('tuplet', [], { type: placed.tuplet })]),
    ...(articulations.length === 0 ? [] : [element('articulations', articulations)]),
    ...(event.fermata ? [element('fermata')] : []),
  ];
  return children.length === 0 ? [] : [element('notations', children)];
}

function lyricsXml(event: TuneEvent, under: string | null | undefined): Xml[] {
  if (under === null || event.kind === 'rest') return [];
  if (under !== undefined)
    return [element('lyric', [element('syllabic', 'single'), element('text', under)], { number: '1' })];
  return event.syllables.flatMap((syllable, verse) => {
    if (syllable === null) return [];
    const text = [
      element('syllabic', syllable.end === 'join' ? 'begin' : 'single'),
      element('text', syllable.text),
      ...(syllable.end === 'hold' ? [element('extend')] : []),
    ];
    return [element('lyric', text, { number: String(verse + 1) })];
  });
}

function isTiedInto(tune: Tune, part: number, barIndex: number, eventIndex: number): boolean {
  const { bars } = tune.parts[part]!;
  const before = bars[barIndex]![eventIndex - 1] ?? (eventIndex === 0 ? bars[barIndex - 1]?.at(-1) : undefined);
  return before?.kind === 'note' && before.tied;
}

/** A tuplet's bracket opens where the events before have filled whole groups, and closes when the group is full. */
function tupletEdge(events: readonly TuneEvent[], index: number): 'start' | 'stop' | null {
  const tuplet = events[index]!.value.tuplet;
  if (tuplet === null) return null;
  let first = index;
  while (first > 0 && events[first - 1]!.value.tuplet?.actual === tuplet.actual) first -= 1;
  let filled = 0;
  for (let at = first; at <= index; at++) {
    const before = filled;
    filled += tuplet.actual * groupShare(events, first, at);
    if (at === index && Math.abs(before % tuplet.actual) < 1e-9) return 'start';
    if (at === index && Math.abs(filled % tuplet.actual) < 1e-9) return 'stop';
  }
  return null;
}

/** An event's share of its group, whose unit is the written value of the group's first event. */
function groupShare(events: readonly TuneEvent[], first: number, at: number): number {
  const { actual } = events[first]!.value.tuplet!;
  const unit = toNumber(valueLength({ ...events[first]!.value, tuplet: null }));
  return toNumber(valueLength({ ...events[at]!.value, tuplet: null })) / unit / actual;
}
