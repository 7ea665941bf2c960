import { findInstrument, INSTRUMENT_IDS, type Instrument } from '@escalier/core/instruments';
import { DEFAULT_BREATH_SECONDS, NOTHING_KNOWN, type Knowledge } from '@escalier/core/reading';
import { valuesKnown } from '@escalier/core/practice';
import { parsePitch, pitchName, type Pitch, type Tempo } from '@escalier/core/music';
import { BadInput } from './command.ts';
import { t } from './messages.ts';

export const DEFAULT_INSTRUMENT = 'soprano-recorder-baroque';

export function instrumentOption(id: string = DEFAULT_INSTRUMENT): Instrument {
  const found = findInstrument(id);
  if (found === null)
    throw new BadInput(t('options.there-is-no-instrument-id-known', { id, list: INSTRUMENT_IDS.join(', ') }));
  return found;
}

export function pitchWord(text: string | undefined): Pitch {
  const parsed = text === undefined ? null : parsePitch(text);
  if (parsed === null) throw new BadInput(t('options.text-is-not-a-note-write', { text: text ?? '' }));
  return parsed;
}

/** Notes that the class knows, such as "B4,A4,G4"; nothing when they are not given. */
export function knownNotes(list: string | undefined): Knowledge {
  if (list === undefined) return NOTHING_KNOWN;
  const names = list.split(',').map((name) => pitchName(pitchWord(name)));
  return { ...NOTHING_KNOWN, notes: new Set(names) };
}

export function tempoOption(text: string | undefined, own: Tempo | null): Tempo | undefined {
  if (text === undefined) return undefined;
  const perMinute = Number(text);
  if (!(perMinute >= 20 && perMinute <= 300)) throw new BadInput(t('options.text-is-no-tempo-give-beats', { text }));
  return { beat: own?.beat ?? { num: 1, den: 4 }, perMinute };
}

export function breathOption(text: string | undefined): number {
  if (text === undefined) return DEFAULT_BREATH_SECONDS;
  const seconds = Number(text);
  if (!(seconds >= 1 && seconds <= 30)) throw new BadInput(t('options.text-is-no-breath-give-seconds', { text }));
  return seconds;
}

/** A whole number within bounds, or undefined when the option is not given. */
export function wholeNumber(text: string | undefined, what: string, least: number, most: number): number | undefined {
  if (text === undefined) return undefined;
  const number = Number(text);
  if (!Number.isInteger(number) || number < least || number > most)
    throw new BadInput(t('options.text-is-no-what-give-a', { text, what, least, most }));
  return number;
}

const PLAIN_RHYTHM = 'note quarter,note half,note eighth';

/** Rhythm elements by their names, such as "note quarter,rest quarter". */
export function elementsOption(list: string = PLAIN_RHYTHM): ReadonlySet<string> {
  const names = list.split(',').map((name) => name.trim());
  const known = new Set(names);
  if (valuesKnown(known).length !== known.size)
    throw new BadInput(t('options.list-are-not-rhythm-values-write', { list }));
  return known;
}
