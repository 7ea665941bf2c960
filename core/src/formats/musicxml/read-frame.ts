import {
  isTempo,
  metreOf,
  MODES,
  MOST_PASSES,
  PLAIN_BAR,
  rational,
  valueLength,
  type Bar,
  type Jump,
  type Key,
  type Metre,
  type Mode,
  type Tempo,
} from '../../music/index.ts';
import { TYPE_OF } from './write-event.ts';
import { child, children, numberIn, textIn, type XmlElement } from './xml-reader.ts';
import { t } from '../messages.ts';

export type BarDraft = Omit<Bar, 'number'>;

/** What is in force from bar to bar. */
export interface FrameState {
  key: Key;
  metre: Metre;
  ending: readonly number[] | null;
}

export interface ReadFrame {
  readonly bar: BarDraft;
  readonly tempo: Tempo | null;
  readonly startsLine: boolean;
  /** What could not be carried, in words. */
  readonly leftOut: readonly string[];
}

/** What stands over one measure of the leading part; changes `state` for the measures after it. */
export function readFrame(measure: XmlElement, state: FrameState): ReadFrame {
  const leftOut: string[] = [];
  for (const attributes of children(measure, 'attributes')) leftOut.push(...readAttributes(attributes, state));
  const barlines = children(measure, 'barline');
  const right = barlines.find((barline) => (barline.attributes.location ?? 'right') === 'right');
  const starts = barlines.map((barline) => child(barline, 'ending')).find((each) => each?.attributes.type === 'start');
  if (starts !== undefined) state.ending = endingNumbers(starts);
  const { ending } = state;
  const ends = barlines
    .map((barline) => child(barline, 'ending'))
    .some((each) => ['stop', 'discontinue'].includes(each?.attributes.type ?? ''));
  if (ends) state.ending = null;
  const bar: BarDraft = {
    ...PLAIN_BAR,
    key: state.key,
    metre: state.metre,
    ending,
    repeatStart: barlines.some((barline) => child(barline, 'repeat')?.attributes.direction === 'forward'),
    timesPlayed: timesPlayed(barlines),
    barline: barlineStyle(right),
    ...signsOver(measure),
  };
  return { bar, tempo: tempoIn(measure), startsLine: startsLine(measure), leftOut };
}

/** Ionian and aeolian are what major and minor are called among the church modes. */
function modeOf(name: string): Mode {
  if (name === 'aeolian') return 'minor';
  return MODES.find((mode) => mode === name) ?? 'major';
}

function readAttributes(attributes: XmlElement, state: FrameState): string[] {
  const leftOut: string[] = [];
  const key = child(attributes, 'key');
  const fifths = numberIn(key, 'fifths');
  if (fifths !== null && Number.isInteger(fifths) && Math.abs(fifths) <= 7) {
    state.key = { fifths, mode: modeOf(textIn(key, 'mode').toLowerCase()) };
  } else if (key !== undefined) leftOut.push(t('read-frame.an-unusual-key-signature'));
  const time = child(attributes, 'time');
  const metre = time === undefined ? null : metreIn(time);
  if (metre !== null) state.metre = metre;
  else if (time !== undefined && child(time, 'senza-misura') === undefined)
    leftOut.push(t('read-frame.an-impossible-time-signature'));
  return leftOut;
}

/** Also 3+2/8, and 3/8 + 2/4 as 3+4/8. */
function metreIn(time: XmlElement): Metre | null {
  const [above, below] = [
    children(time, 'beats'),
    children(time, 'beat-type').map((element) => Number(element.text.trim())),
  ];
  const unit = Math.max(0, ...below);
  const groups = above.flatMap((element, index) =>
    element.text.split('+').map((group) => Number(group.trim()) * (unit / below[index]!)),
  );
  return metreOf(groups.join('+'), unit);
}

function endingNumbers(ending: XmlElement): readonly number[] | null {
  const numbers = (ending.attributes.number ?? '')
    .split(/[ ,]+/)
    .map(Number)
    .filter((each) => Number.isInteger(each) && each > 0 && each <= MOST_PASSES);
  return numbers.length === 0 ? null : [...new Set(numbers)];
}

function timesPlayed(barlines: readonly XmlElement[]): number {
  const back = barlines
    .map((barline) => child(barline, 'repeat'))
    .find((each) => each?.attributes.direction === 'backward');
  if (back === undefined) return 1;
  const times = Number(back.attributes.times ?? 2);
  return Number.isInteger(times) && times >= 2 && times <= MOST_PASSES ? times : 2;
}

function barlineStyle(right: XmlElement | undefined): Bar['barline'] {
  const style = textIn(right, 'bar-style');
  if (style === 'light-light') return 'double';
  return style === 'light-heavy' && child(right, 'repeat') === undefined ? 'final' : 'single';
}

function startsLine(measure: XmlElement): boolean {
  return children(measure, 'print').some(
    (print) => print.attributes['new-system'] === 'yes' || print.attributes['new-page'] === 'yes',
  );
}

function signsOver(measure: XmlElement): Partial<BarDraft> {
  const directions = children(measure, 'direction');
  const types = directions.flatMap((each) => children(each, 'direction-type').flatMap((type) => type.children));
  const words = types.filter((type) => type.name === 'words').map((type) => type.text.trim().toLowerCase());
  const sounds = [...children(measure, 'sound'), ...directions.flatMap((direction) => children(direction, 'sound'))];
  const sounding = (name: string): boolean => sounds.some((sound) => sound.attributes[name] !== undefined);
  const entry = types.find((type) => type.name === 'rehearsal' && /^[1-9]$/.test(type.text.trim()));
  const jump = jumpIn(words, sounding('dacapo'), sounding('dalsegno'));
  return {
    ...(types.some((type) => type.name === 'segno') ? { segno: true } : {}),
    ...(types.some((type) => type.name === 'coda') ? { coda: true } : {}),
    ...(sounding('tocoda') || words.includes('to coda') ? { toCoda: true } : {}),
    ...(sounding('fine') || words.includes('fine') ? { fine: true } : {}),
    ...(entry === undefined ? {} : { entry: Number(entry.text) }),
    ...(jump === null ? {} : { jump }),
  };
}

function jumpIn(words: readonly string[], dacapo: boolean, dalsegno: boolean): Jump | null {
  const text = words.find((word) => /^d\. ?[cs]\.|^d[ac][a ]/.test(word)) ?? '';
  const from = dacapo || /^d\. ?c\./.test(text) ? 'D.C.' : dalsegno || /^d\. ?s\./.test(text) ? 'D.S.' : null;
  if (from === null) return null;
  if (text.includes('fine')) return `${from} al fine`;
  return text.includes('coda') ? `${from} al coda` : from;
}

function tempoIn(measure: XmlElement): Tempo | null {
  const directions = children(measure, 'direction');
  const marks = directions.flatMap((each) =>
    children(each, 'direction-type').flatMap((type) => children(type, 'metronome')),
  );
  for (const mark of marks) {
    const base = Object.entries(TYPE_OF).find(([, type]) => type === textIn(mark, 'beat-unit'))?.[0];
    const perMinute = numberIn(mark, 'per-minute');
    if (base === undefined || perMinute === null || !isTempo(perMinute)) continue;
    const dots = Math.min(2, children(mark, 'beat-unit-dot').length);
    return { beat: valueLength({ base: base as keyof typeof TYPE_OF, dots, tuplet: null }), perMinute };
  }
  const sounds = [...children(measure, 'sound'), ...directions.flatMap((direction) => children(direction, 'sound'))];
  const tempo = Number(sounds.find((sound) => sound.attributes.tempo !== undefined)?.attributes.tempo);
  return isTempo(tempo) ? { beat: rational(1, 4), perMinute: tempo } : null;
}
