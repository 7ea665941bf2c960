import {
  failure,
  isTempo,
  makeTune,
  rational,
  success,
  type Key,
  type Metre,
  type Part,
  type Result,
  type Tempo,
  type Tune,
  type TuneProblem,
} from '../../music/index.ts';
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
import { parseWithAbcjs, type AbcElement, type AbcTune } from './elements.ts';
import { MOST_CHARACTERS, tooMuchInAbc } from './limits.ts';
import { readKey, readLength, readMetre } from './signs.ts';
import { Words } from './read-words.ts';
import { SourceText } from './source-text.ts';
import { VoiceReader } from './voice-reader.ts';
import { t } from '../messages.ts';

/**
 * Reads the first tune of an ABC 2.1 text. Faults name bars and places in the text; signs that a Tune does not carry
 * are left out and listed.
 */
export function readAbc(text: string, options: ReadOptions = {}): Result<ReadTune, readonly FormatProblem[]> {
  const whole = (message: string): Result<ReadTune, readonly FormatProblem[]> => failure([{ bar: null, message }]);
  if (text.trim() === '') return whole(t('read-abc.the-file-is-empty'));
  if (text.length > MOST_CHARACTERS) return whole(t('read-abc.the-file-is-too-long-for'));
  if (!/^X:/m.test(text) || !/^K:/m.test(text)) return whole(t('read-abc.this-is-not-abc-a-tune'));
  const starts = [...text.matchAll(/^X:/gm)].map((match) => match.index);
  const chosen = Math.min(options.tune ?? 0, starts.length - 1);
  const start = starts[chosen]!;
  const source = synonymsReplaced(text.slice(start, starts[chosen + 1]));
  const tooMuch = tooMuchInAbc(source);
  if (tooMuch !== null) return whole(tooMuch);
  return countable(() => {
    const parsed = parsedOrNull(source);
    if (parsed === null) return whole(t('read-abc.this-tunes-abc-cant-be-read'));
    const read = tuneOf(parsed, new SourceText(source, linesIn(text.slice(0, start))), options);
    if (!read.ok) return read;
    const tunes = starts.map((at, index) => fieldsInHead(text.slice(at, starts[index + 1]), 'T')[0] ?? 'Untitled');
    return success({ ...read.value, tunes, leftOut: [...read.value.leftOut, ...moreTunes(tunes, chosen)] });
  });
}

/** abcjs throws on a few texts that no musician would write. */
function parsedOrNull(source: string): AbcTune | null {
  try {
    return parseWithAbcjs(source);
  } catch {
    return null;
  }
}

/** Signs of ABC 2.1 that abcjs knows by another name. Each has the length of what it stands for. */
function synonymsReplaced(text: string): string {
  return text
    .replace(/!dacoda!/g, '"^To Coda"')
    .replace(/!dacapo!/g, '!D.C.!')
    .replace(/!dalsegno!/g, '!D.S.!');
}

function linesIn(text: string): number {
  return text.split('\n').length - 1;
}

function tuneOf(parsed: AbcTune, source: SourceText, options: ReadOptions): Result<ReadTune, readonly FormatProblem[]> {
  const staves = parsed.lines.flatMap((line) => line.staff ?? []);
  if (staves.some((staff) => staff.clef?.type === 'perc')) {
    return failure([{ bar: null, message: t('read-abc.the-tune-is-written-for-percussion') }]);
  }
  const key = (staves[0]?.key === undefined ? null : readKey(staves[0].key)) ?? { fifths: 0, mode: 'major' };
  const metre = (staves[0]?.meter === undefined ? null : readMetre(staves[0].meter)) ?? { count: 4, unit: 4 };
  const words = new Words(source);
  const voices = readVoices(parsed, key, metre, words);
  const offers = voices.map((voice, index): PartOffer => ({ index, name: partName(index), notes: notesIn(voice) }));
  const chosen = choosePart(
    offers,
    voices.map((voice) => voice.bars.length),
    options.take,
  );
  if (!chosen.ok) return chosen;
  const melody = voices[chosen.value.take[0]];
  if (melody === undefined) return failure([{ bar: null, message: t('read-abc.the-tune-has-no-notes') }]);
  const { draft, leftOut: unfit } = repaired({
    ...headOf(parsed),
    otherTitles: fieldsInHead(source.source, 'T').slice(1),
    bars: melody.bars,
    parts: chosen.value.take.map((index): Part => ({ name: partName(index), bars: voices[index]!.events })),
  });
  const made = makeTune(draft);
  if (!made.ok) return failure(made.error.map((error) => placed(error, melody, source)));
  const notices = [...melody.leftOut, ...unfit].map(({ barIndex, message }): Notice => {
    const bar = made.value.bars[barIndex]?.number ?? null;
    return {
      bar,
      message: t('read-abc.left-out-message', { message }),
      at: source.placeOf(melody.starts[barIndex] ?? 0),
    };
  });
  const irregular = irregularNotice(made.value).map(({ bar, message, barIndex }): Notice => ({
    bar,
    message,
    at: source.placeOf(melody.starts[barIndex] ?? 0),
  }));
  const leftOut = [
    ...irregular,
    ...notices,
    ...lostWords(words, source),
    ...orderOfParts(source),
    ...warningsOf(parsed, source),
    ...chosen.value.leftOut,
  ];
  return success({ tune: made.value, leftOut: shortened(leftOut), parts: offers, tunes: [made.value.title] });
}

function headOf({
  metaText,
  lines,
}: AbcTune): Pick<Tune, 'title' | 'composer' | 'source' | 'licence' | 'tags' | 'tempo'> {
  const tags = (metaText.group ?? '').split(',').map((tag) => tag.trim());
  return {
    title: metaText.title ?? 'Untitled',
    composer: metaText.composer ?? '',
    source: metaText.source ?? '',
    licence: metaText['abc-copyright'] ?? '',
    tags: tags.filter((tag) => tag !== ''),
    tempo: tempoOf({ metaText, lines }),
  };
}

/** What the lines of a field say in the head of a tune, which ends with its key. */
function fieldsInHead(tune: string, field: 'T' | 'P'): readonly string[] {
  const head = tune.slice(0, Math.max(0, tune.search(/^K:/m)));
  return [...head.matchAll(new RegExp(`^${field}:(.*)$`, 'gm'))].flatMap(([, text]) => text!.trim() || []);
}

function partName(index: number): string {
  return t('read-abc.part-index', { index: index + 1 });
}

function notesIn(voice: VoiceReader): number {
  return voice.events.flat().filter((event) => event.kind === 'note').length;
}

function placed(error: TuneProblem, melody: VoiceReader, source: SourceText): FormatProblem {
  if (error.bar === null) return error;
  const at = melody.starts[error.index ?? -1];
  return { bar: error.bar, message: error.message, ...(at === undefined ? {} : { at: source.placeOf(at) }) };
}

function readVoices(parsed: AbcTune, key: Key, metre: Metre, words: Words): readonly VoiceReader[] {
  const readers: VoiceReader[] = [];
  for (const line of parsed.lines) {
    const voices = (line.staff ?? []).flatMap((staff) => staff.voices.map((elements) => ({ staff, elements })));
    for (const [index, { staff, elements }] of voices.entries()) {
      const reader = (readers[index] ??= new VoiceReader(key, metre, words));
      reader.readLine(elements, staff);
    }
  }
  for (const reader of readers) reader.finish();
  return readers.filter((_, index) => index === 0 || !isFiller(parsed, index));
}

/** Where ABC lays a second voice over a few bars, abcjs fills the others with rests that nobody sees. */
function isFiller(parsed: AbcTune, voiceIndex: number): boolean {
  return parsed.lines.some((line) => {
    const elements: readonly AbcElement[] = (line.staff ?? []).flatMap((staff) => staff.voices)[voiceIndex] ?? [];
    return elements.some((element) => element.el_type === 'note' && element.rest?.type === 'invisible');
  });
}

function tempoOf({ metaText: { tempo } }: AbcTune): Tempo | null {
  if (tempo?.bpm === undefined || !isTempo(tempo.bpm)) return null;
  const beat = readLength(tempo.duration?.[0] ?? 0.25) ?? rational(1, 4);
  return { beat, perMinute: tempo.bpm };
}

/** "Music Line:8:16: Unknown decoration: …" with markup in it. */
function warningsOf(parsed: AbcTune, { linesBefore }: SourceText): Notice[] {
  return (parsed.warnings ?? []).map((warning) => {
    const plain = warning.replace(/<[^>]*>/g, '').trim();
    const match = /^Music Line:(\d+):(\d+):\s*([^:]*)/.exec(plain);
    if (match === null) return { bar: null, message: t('read-abc.not-understood-text', { text: plain.slice(0, 120) }) };
    const at = { line: linesBefore + Number(match[1]), column: Number(match[2]) };
    return {
      bar: null,
      message: t('read-abc.not-understood-in-line-line-trim', { line: at.line, trim: match[3]!.trim() }),
      at,
    };
  });
}

/** "Left out: the words “sky by”, for which there are no notes." */
function lostWords(words: Words, source: SourceText): Notice[] {
  return words.leftOver().map(({ line, syllables }) => {
    const at = { line: source.linesBefore + line + 1, column: 1 };
    return {
      bar: null,
      message: t('read-abc.left-out-the-words-list-line', { list: syllables.join(' '), line: at.line }),
      at,
    };
  });
}

/** "P:AABA" in the head: in which order the sections are played. */
function orderOfParts({ source }: SourceText): Notice[] {
  return fieldsInHead(source, 'P').map((order) => ({
    bar: null,
    message: t('read-abc.left-out-the-order-of-the', { order }),
  }));
}

function moreTunes(tunes: readonly string[], chosen: number): Notice[] {
  if (tunes.length === 1) return [];
  return [
    {
      bar: null,
      message: t('read-abc.the-file-holds-tunes-count-tunes', { tunesCount: tunes.length, chosen: chosen + 1 }),
    },
  ];
}
