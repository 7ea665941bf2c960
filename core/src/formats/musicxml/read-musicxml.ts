import { failure, makeTune, success, type Part, type Result, type Tempo } from '../../music/index.ts';
import { countable } from '../countable.ts';
import {
  shortened,
  type FormatProblem,
  type Notice,
  type PartOffer,
  type ReadOptions,
  type ReadTune,
} from '../notice.ts';
import { choosePart } from '../parts.ts';
import { irregularNotice, repaired } from '../repair.ts';
import { readFrame, type BarDraft, type FrameState } from './read-frame.ts';
import { readPart, type ReadPart } from './read-part.ts';
import { moveEvents, moveKeyBy, transpositionOf, transpositionWords } from './transposition.ts';
import { child, children, parseXml, textIn, type XmlElement } from './xml-reader.ts';
import { t } from '../messages.ts';

const MOST_CHARACTERS = 6_000_000;
const MOST_PARTS = 60;

/** Reads a MusicXML score, partwise, any version. Elements that a Tune does not carry are skipped and listed. */
export function readMusicXml(text: string, options: ReadOptions = {}): Result<ReadTune, readonly FormatProblem[]> {
  const whole = (message: string): Result<ReadTune, readonly FormatProblem[]> => failure([{ bar: null, message }]);
  if (text.trim() === '') return whole(t('read-musicxml.the-file-is-empty'));
  if (text.length > MOST_CHARACTERS) return whole(t('read-musicxml.the-file-is-too-long-for'));
  const parsed = parseXml(text);
  if (!parsed.ok) return whole(parsed.error);
  const score = parsed.value.name === 'score-timewise' ? partwise(parsed.value) : parsed.value;
  if (score.name !== 'score-partwise') return whole(t('read-musicxml.this-xml-is-not-a-music'));
  const parts = children(score, 'part').length;
  if (parts > MOST_PARTS)
    return whole(t('read-musicxml.the-score-has-parts-parts-the', { parts, mostParts: MOST_PARTS }));
  return countable(() => scoreToTune(score, options));
}

/** A score stored bar by bar, with the parts within, as one stored part by part. */
function partwise(score: XmlElement): XmlElement {
  const measures = children(score, 'measure');
  const ids = [
    ...new Set(measures.flatMap((measure) => children(measure, 'part').map((part) => part.attributes.id ?? ''))),
  ];
  const parts = ids.map((id): XmlElement => {
    const bars = measures.map((measure): XmlElement => {
      const part = children(measure, 'part').find((element) => (element.attributes.id ?? '') === id);
      return { ...measure, children: part?.children ?? [] };
    });
    return { name: 'part', attributes: { id }, children: bars, text: '' };
  });
  const head = score.children.filter((child) => child.name !== 'measure');
  return { ...score, name: 'score-partwise', children: [...head, ...parts] };
}

function scoreToTune(score: XmlElement, options: ReadOptions): Result<ReadTune, readonly FormatProblem[]> {
  const elements = children(score, 'part');
  const moves = elements.map(transpositionOf);
  const parts = elements.map(readPart).map((part, index) => ({
    notes: part.notes,
    unpitched: part.unpitched,
    leftOut: part.leftOut,
    bars: part.bars.map((events) => moveEvents(events, moves[index]!)),
  }));
  const offers = parts.map((part, index): PartOffer => ({
    index,
    name: nameOf(score, elements[index]!, index),
    notes: part.notes,
  }));
  if (parts.length > 0 && parts.every((part) => part.notes === 0) && parts.some((part) => part.unpitched > 0)) {
    return failure([{ bar: null, message: t('read-musicxml.the-score-is-written-for-percussion') }]);
  }
  const chosen = choosePart(
    offers,
    parts.map((part) => part.bars.length),
    options.take,
  );
  if (!chosen.ok) return chosen;
  const [lead] = chosen.value.take;
  const moved = transpositionWords(moves[lead]!);
  const { bars, tempo, leftOut } = readFrames(elements[lead]!);
  const { draft, leftOut: unfit } = repaired({
    ...headOf(score),
    tempo,
    bars: bars.map((bar) => ({ ...bar, key: moveKeyBy(bar.key, moves[lead]!) })),
    parts: chosen.value.take.map((index): Part => ({ name: offers[index]!.name, bars: parts[index]!.bars })),
  });
  const made = makeTune(draft);
  if (!made.ok) return made;
  const numberOf = (barIndex: number): number | null => made.value.bars[barIndex]?.number ?? null;
  const notices = [...leftOut, ...unfit, ...chosen.value.take.flatMap((index) => parts[index]!.leftOut)];
  return success({
    tune: made.value,
    leftOut: shortened([
      ...irregularNotice(made.value).map(({ bar, message }) => ({ bar, message })),
      ...(moved === null ? [] : [{ bar: null, message: moved }]),
      ...notices.map(({ barIndex, message }): Notice => ({
        bar: numberOf(barIndex),
        message: t('read-musicxml.left-out-message', { message }),
      })),
      ...chosen.value.leftOut,
    ]),
    parts: offers,
    tunes: [made.value.title],
  });
}

interface Frames {
  readonly bars: readonly BarDraft[];
  readonly tempo: Tempo | null;
  readonly leftOut: ReadPart['leftOut'];
}

function readFrames(part: XmlElement): Frames {
  const state: FrameState = { key: { fifths: 0, mode: 'major' }, metre: { count: 4, unit: 4 }, ending: null };
  const bars: BarDraft[] = [];
  const leftOut: { barIndex: number; message: string }[] = [];
  let tempo: Tempo | null = null;
  for (const [barIndex, measure] of children(part, 'measure').entries()) {
    const frame = readFrame(measure, state);
    const before = bars.at(-1);
    if (frame.startsLine && before !== undefined) bars[bars.length - 1] = { ...before, lineEnd: true };
    bars.push(frame.bar);
    tempo ??= frame.tempo;
    leftOut.push(...frame.leftOut.map((message) => ({ barIndex, message })));
  }
  const last = bars.at(-1);
  if (last !== undefined) bars[bars.length - 1] = { ...last, barline: 'final', lineEnd: false };
  return { bars, tempo, leftOut };
}

function headOf(score: XmlElement) {
  const identification = child(score, 'identification');
  const creators = children(identification, 'creator');
  const composer = creators.find((each) => each.attributes.type === 'composer') ?? creators[0];
  const fields = children(child(identification, 'miscellaneous'), 'miscellaneous-field');
  const tags = fields.find((field) => field.attributes.name === 'tags')?.text ?? '';
  const title = textIn(child(score, 'work'), 'work-title') || textIn(score, 'movement-title') || creditTitle(score);
  return {
    title: title === '' ? 'Untitled' : title,
    otherTitles: fields.filter((field) => field.attributes.name === 'other-title').map((field) => field.text.trim()),
    composer: composer?.text.trim() ?? '',
    source: textIn(identification, 'source'),
    licence: textIn(identification, 'rights'),
    tags: tags
      .split(',')
      .map((tag) => tag.trim())
      .filter((tag) => tag !== ''),
  };
}

/** Programs that leave the work's title out print it on the first page all the same. */
function creditTitle(score: XmlElement): string {
  const titled = children(score, 'credit').find((credit) => textIn(credit, 'credit-type') === 'title');
  return textIn(titled, 'credit-words');
}

function nameOf(score: XmlElement, part: XmlElement, index: number): string {
  const listed = children(child(score, 'part-list'), 'score-part').find(
    (element) => element.attributes.id === part.attributes.id,
  );
  const name = textIn(listed, 'part-name');
  return name === '' ? t('read-musicxml.part-index', { index: index + 1 }) : name;
}
