import {
  failure,
  makeTune,
  rational,
  success,
  type Key,
  type Metre,
  type Part,
  type Result,
  type Tempo,
} from '../../music/index.ts';
import type { FormatFault, Notice, ReadTune } from '../notice.ts';
import { parseWithAbcjs, type AbcElement, type AbcTune } from './elements.ts';
import { readKey, readLength, readMetre } from './signs.ts';
import { VoiceReader } from './voice-reader.ts';

/** Enough for a tune book page; a longer text is not one tune for a class. */
const MOST_CHARACTERS = 200_000;
const MOST_PARTS = 2;

/**
 * Reads the first tune of an ABC 2.1 text. Faults name bars; signs that a Tune does not carry are left out and listed.
 */
export function readAbc(text: string): Result<ReadTune, readonly FormatFault[]> {
  const whole = (message: string): Result<ReadTune, readonly FormatFault[]> => failure([{ bar: null, message }]);
  if (text.trim() === '') return whole('The file is empty.');
  if (text.length > MOST_CHARACTERS) return whole('The file is too long for one tune.');
  if (!/^X:/m.test(text) || !/^K:/m.test(text))
    return whole('This is not ABC: a tune begins with X: and has a key, K:.');
  const parsed = parseWithAbcjs(text.replace(/^[\s\S]*?(?=^X:)/m, ''));
  if (parsed === null) return whole('The file holds no tune.');
  return tuneOf(parsed, text);
}

function tuneOf(parsed: AbcTune, text: string): Result<ReadTune, readonly FormatFault[]> {
  const staves = parsed.lines.flatMap((line) => line.staff ?? []);
  const percussion = staves.some((staff) => staff.clef?.type === 'perc');
  if (percussion) return failure([{ bar: null, message: 'The tune is written for percussion: it has no pitches.' }]);
  const key = (staves[0]?.key === undefined ? null : readKey(staves[0].key)) ?? { fifths: 0, mode: 'major' };
  const metre = (staves[0]?.meter === undefined ? null : readMetre(staves[0].meter)) ?? { count: 4, unit: 4 };
  const [melody, ...others] = readVoices(parsed, key, metre);
  if (melody === undefined) return failure([{ bar: null, message: 'The tune has no notes.' }]);
  const voices = [melody, ...others.slice(0, MOST_PARTS - 1)];
  const made = makeTune({
    title: parsed.metaText.title ?? 'Untitled',
    composer: parsed.metaText.composer ?? '',
    source: parsed.metaText.source ?? '',
    licence: parsed.metaText['abc-copyright'] ?? '',
    tags: (parsed.metaText.group ?? '')
      .split(',')
      .map((tag) => tag.trim())
      .filter((tag) => tag !== ''),
    tempo: tempoOf(parsed),
    bars: melody.bars,
    parts: voices.map((voice, index): Part => ({ name: `Part ${index + 1}`, bars: voice.events })),
  });
  if (!made.ok) return made;
  const notices = melody.leftOut.map(({ barIndex, message }): Notice => {
    return { bar: made.value.bars[barIndex]?.number ?? null, message: `Left out: ${message}.` };
  });
  return success({ tune: made.value, leftOut: [...notices, ...wholeNotices(text, others.length + 1)] });
}

function readVoices(parsed: AbcTune, key: Key, metre: Metre): readonly VoiceReader[] {
  const readers: VoiceReader[] = [];
  for (const line of parsed.lines) {
    const voices = (line.staff ?? []).flatMap((staff) => staff.voices);
    for (const [index, elements] of voices.entries()) {
      const reader = (readers[index] ??= new VoiceReader(key, metre));
      reader.readLine(elements);
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

function tempoOf(parsed: AbcTune): Tempo | null {
  const { tempo } = parsed.metaText;
  if (tempo?.bpm === undefined) return null;
  const beat = readLength(tempo.duration?.[0] ?? 0.25) ?? rational(1, 4);
  return { beat, perMinute: tempo.bpm };
}

function wholeNotices(text: string, voices: number): Notice[] {
  const tunes = text.match(/^X:/gm)?.length ?? 1;
  return [
    ...(tunes > 1 ? [{ bar: null, message: `The file holds ${tunes} tunes; this is the first.` }] : []),
    ...(voices > MOST_PARTS ? [{ bar: null, message: `The tune has ${voices} parts; the first two are kept.` }] : []),
  ];
}
