import {
  divide,
  metreText,
  rational,
  sameKey,
  sameMetre,
  tonic,
  tupletGroups,
  valueLength,
  type Bar,
  type Jump,
  type Key,
  type Mode,
  type Part,
  type Pitch,
  type Rational,
  type Tune,
  type TuneEvent,
} from '../../music/index.ts';
import { accidentalsShown, type Accidentals } from '../musicxml/accidentals.ts';
import { beamsOf } from '../musicxml/beams.ts';
import { wordLines } from './write-words.ts';

const UNIT = rational(1, 8);
const MODE_NAMES: Record<Mode, string> = {
  major: '',
  minor: 'm',
  dorian: 'Dor',
  phrygian: 'Phr',
  lydian: 'Lyd',
  mixolydian: 'Mix',
  locrian: 'Loc',
};
const ACCIDENTALS: Readonly<Record<string, string>> = {
  natural: '=',
  sharp: '^',
  flat: '_',
  'double-sharp': '^^',
  'flat-flat': '__',
};
const JUMPS: Record<Jump, string> = {
  'D.C.': 'D.C.',
  'D.C. al fine': 'D.C.alfine',
  'D.C. al coda': 'D.C.alcoda',
  'D.S.': 'D.S.',
  'D.S. al fine': 'D.S.alfine',
  'D.S. al coda': 'D.S.alcoda',
};

/** ABC 2.1, one line of music for each line of the sheet. A section played more than twice says so above its last bar. */
export function writeAbc(tune: Tune): string {
  const first = tune.bars[0]!;
  const head = [
    '%abc-2.1',
    'X:1',
    ...[tune.title, ...tune.otherTitles].map((title) => `T:${oneLine(title)}`),
    ...field('C', tune.composer),
    ...field('S', tune.source),
    ...field('G', tune.tags.join(', ')),
    ...(tune.licence === '' ? [] : [`%%abc-copyright ${oneLine(tune.licence)}`]),
    'L:1/8',
    `M:${metreText(first.metre)}`,
    ...(tune.tempo === null ? [] : [`Q:${tune.tempo.beat.num}/${tune.tempo.beat.den}=${tune.tempo.perMinute}`]),
    `K:${keyField(first.key)}`,
  ];
  const body = tune.parts.flatMap((part, index) => [
    ...(tune.parts.length > 1 ? [`V:${index + 1}`] : []),
    ...musicLines(tune.bars, part, index === 0),
  ]);
  return [...head, ...body].join('\n') + '\n';
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

function field(letter: string, text: string): string[] {
  return text === '' ? [] : [`${letter}:${oneLine(text)}`];
}

function keyField(key: Key): string {
  const { letter, alter } = tonic(key);
  return `${letter}${['b', '', '#'][alter + 1] ?? ''}${MODE_NAMES[key.mode]}`;
}

function musicLines(bars: readonly Bar[], part: Part, isLeading: boolean): string[] {
  const lines: string[] = [];
  let line = '';
  let lineBars: (readonly TuneEvent[])[] = [];
  for (const [index, bar] of bars.entries()) {
    line += barText(bars, part, index, isLeading);
    lineBars.push(part.bars[index]!);
    if (!bar.lineEnd && index < bars.length - 1) continue;
    lines.push(line, ...wordLines(lineBars));
    line = '';
    lineBars = [];
  }
  return lines;
}

function barText(bars: readonly Bar[], part: Part, index: number, isLeading: boolean): string {
  const [bar, before, after] = [bars[index]!, bars[index - 1], bars[index + 1]];
  const opens = bar.ending !== null && (before?.ending?.join() !== bar.ending.join() || (before?.timesPlayed ?? 1) > 1);
  const changes = [
    ...(before !== undefined && !sameKey(bar.key, before.key) ? [`[K:${keyField(bar.key)}]`] : []),
    ...(before !== undefined && !sameMetre(bar.metre, before.metre) ? [`[M:${metreText(bar.metre)}]`] : []),
  ].join('');
  const left = `${bar.repeatStart ? '|:' : ''}${opens ? `[${bar.ending.join(',')} ` : ''}`;
  return `${left}${changes}${isLeading ? signs(bar) : ''}${eventsText(part.bars[index]!, bar, isLeading ? annotations(bar) : '')}${rightBarline(bar, after)}`;
}

function signs(bar: Bar): string {
  return [
    bar.segno ? '!segno!' : '',
    bar.coda ? '!coda!' : '',
    bar.fine ? '!fine!' : '',
    bar.jump === null ? '' : `!${JUMPS[bar.jump]}!`,
  ].join('');
}

/** What stands above the first note of a bar as text. */
function annotations(bar: Bar): string {
  return [
    bar.timesPlayed > 2 ? `"^${bar.timesPlayed}x"` : '',
    bar.toCoda ? '"^To Coda"' : '',
    bar.entry === null ? '' : `"^${bar.entry}."`,
  ].join('');
}

function rightBarline(bar: Bar, after: Bar | undefined): string {
  if (bar.timesPlayed > 1) return ':|';
  if (after === undefined || bar.barline === 'final') return '|]';
  if (bar.barline === 'double' || (bar.ending !== null && after.ending === null)) return '||';
  return '|';
}

function eventsText(events: readonly TuneEvent[], bar: Bar, above: string): string {
  const accidentals = accidentalsShown(events, bar.key);
  const beams = beamsOf(events, bar.metre);
  const groups = tupletGroups(events);
  return events
    .map((event, index) => {
      const group = groups.find((group) => group.first === index);
      const { tuplet } = event.value;
      const tupletSign =
        group === undefined || tuplet === null ? '' : `(${tuplet.actual}:${tuplet.normal}:${group.last - index + 1}`;
      const isBeamed = ['begin', 'continue'].includes(beams[index]?.[0] ?? '') || index === events.length - 1;
      return `${tupletSign}${eventText(event, accidentals[index]!, index === 0 ? above : '')}${isBeamed ? '' : ' '}`;
    })
    .join('');
}

function eventText(event: TuneEvent, accidentals: Accidentals, above: string): string {
  const chord = above + (event.chordSymbol === null ? '' : `"${event.chordSymbol}"`);
  const marks = [
    event.dynamic === null ? '' : `!${event.dynamic}!`,
    event.fermata ? '!fermata!' : '',
    event.breath ? '!breath!' : '',
    ...(event.kind === 'note' ? event.articulations.map((name) => (name === 'staccato' ? '.' : `!${name}!`)) : []),
  ].join('');
  const length = lengthText(divide(valueLength({ ...event.value, tuplet: null }), UNIT));
  if (event.kind === 'rest') return `${chord}${marks}z${length}`;
  const named = (pitch: Pitch, sign: string | null): string =>
    `${sign === null ? '' : (ACCIDENTALS[sign] ?? '')}${nameOf(pitch)}`;
  const note = named(event.pitch, accidentals.note);
  const head = event.or === null ? note : `[${named(event.or, accidentals.or)}${note}]`;
  const grace = event.grace.length === 0 ? '' : `{${event.grace.map(graceText).join('')}}`;
  return `${'('.repeat(event.slurStarts)}${chord}${marks}${grace}${head}${length}${event.tied ? '-' : ''}${')'.repeat(event.slurEnds)}`;
}

function nameOf({ letter, octave }: Pitch): string {
  return octave >= 5 ? letter.toLowerCase() + "'".repeat(octave - 5) : letter + ','.repeat(4 - octave);
}

/** With its sign, whatever the key: a grace note is by itself. */
function graceText(pitch: Pitch): string {
  return `${['__', '_', '=', '^', '^^'][pitch.alter + 2]}${nameOf(pitch)}`;
}

function lengthText({ num, den }: Rational): string {
  if (den === 1) return num === 1 ? '' : String(num);
  return `${num === 1 ? '' : num}/${den === 2 ? '' : den}`;
}
