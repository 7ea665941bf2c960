import { listWords } from '@escalier/messages';
import { nameNote, type Instrument, type Naming } from '../instruments/index.ts';
import {
  metreText,
  pitchName,
  valueWords,
  type Bar,
  type Key,
  type LengthWords,
  type Pitch,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';
import { sayNote } from './stairs.ts';
import { t } from './messages.ts';

/** How a sheet is read aloud. */
export interface SheetSpeech {
  readonly on: Instrument;
  readonly naming: Naming;
  readonly lengths: LengthWords;
}

/**
 * A sheet for who cannot see it, bar by bar: "Bar 1: B quarter note, A quarter note, G half note." What is the same for
 * the whole tune stands first: "4/4 time, 8 bars.". A second part follows the first in each bar.
 */
export function sheetWords(tune: Tune, speech: SheetSpeech): readonly string[] {
  const { metre } = tune.bars[0]!;
  const last = tune.bars.at(-1)!.number;
  return [
    t('sheet.metre-time-last-value', {
      metre: metreText(metre),
      last,
      bars: last === 1 ? t('bar.bar') : t('bar.bars'),
    }),
    ...tune.bars.map((bar, index) => {
      const music = tune.parts.map(({ bars }) => eventWords(bars[index]!, bar.key, speech)).join('; second part: ');
      return `${bar.number === 0 ? t('sheet.pickup') : t('sheet.bar-number', { number: bar.number })}: ${[music, ...signWordsOf(bar)].join('; ')}.`;
    }),
  ];
}

function eventWords(events: readonly TuneEvent[], key: Key, speech: SheetSpeech): string {
  return events
    .map((event) => {
      const length = valueWords(event.value, speech.lengths);
      if (event.kind === 'rest') return t('sheet.replace-rest', { length: length.replace(/ note(?= |$)/, '') });
      const other = event.or === null ? '' : t('sheet.or-name', { name: nameOf(event.or, key, speech) });
      return `${nameOf(event.pitch, key, speech)}${other} ${length}${event.tied ? t('sheet.held-over') : ''}`;
    })
    .join(', ');
}

function nameOf(pitch: Pitch, key: Key, { on, naming }: SheetSpeech): string {
  return naming === 'letters' ? sayNote(pitchName(pitch)) : nameNote(pitch, naming, key, on);
}

function signWordsOf({ repeatStart, timesPlayed, ending, fine, jump, segno, coda, toCoda }: Bar): readonly string[] {
  return [
    ...(repeatStart ? [t('sheet.repeat-from-here')] : []),
    ...(ending === null ? [] : [t('sheet.only-time-list', { list: listWords(ending.map(String)) })]),
    ...(timesPlayed > 1 ? [timesPlayed === 2 ? 'repeat' : t('sheet.play-times-played-times', { timesPlayed })] : []),
    ...(segno ? ['sign'] : []),
    ...(toCoda ? [t('sheet.to-coda')] : []),
    ...(coda ? ['coda'] : []),
    ...(fine ? ['fine'] : []),
    ...(jump === null ? [] : [jump]),
  ];
}
