import { nameNote, type Instrument } from '../instruments/index.ts';
import { countTune, USUAL_SAYINGS, type Counting, type Sayings, type Tune } from '../music/index.ts';
import type { NoteRow } from './teaching.ts';

/** The texts under a note or rest of the first part, a text for each row. */
export type TextsUnder = (barIndex: number, eventIndex: number) => readonly (string | null)[];

/** The words of the tune, all verses. */
export function wordsUnder({ parts: [first] }: Tune): TextsUnder {
  return (barIndex, eventIndex) => {
    const event = first.bars[barIndex]?.[eventIndex];
    return event?.kind === 'note' ? event.syllables.map((syllable) => syllable?.text ?? null) : [];
  };
}

export interface RowRequest {
  /** From the top. */
  readonly rows: readonly NoteRow[];
  /** Null for numbers. */
  readonly counting: Counting | null;
  readonly sayings?: Sayings;
}

/** A line to write on, as wide as a name; the engraver draws no underscores. */
const BLANK = '.....';

/** For each note or rest of the first part what stands under it, a text for each row. */
export function rowsUnder(
  tune: Tune,
  instrument: Instrument,
  { rows, counting, sayings = USUAL_SAYINGS }: RowRequest,
): TextsUnder {
  const texts = rows.map((row) => filled(row, textsOf(tune, instrument, row, counting ?? 'numbers', sayings)));
  return (barIndex, eventIndex) => texts.map((row) => row[barIndex]?.[eventIndex] ?? null);
}

type Texts = readonly (readonly (string | null)[])[];

function textsOf(tune: Tune, instrument: Instrument, { kind }: NoteRow, counting: Counting, sayings: Sayings): Texts {
  const { bars } = tune.parts[0];
  if (kind === 'counting')
    return countTune(tune, counting, 0, sayings).map((bar) => bar.map((word) => (word === '' ? null : word)));
  return bars.map((events, barIndex) =>
    events.map((event) => {
      if (event.kind === 'rest') return null;
      if (kind !== 'words') return nameNote(event.pitch, kind, tune.bars[barIndex]!.key, instrument);
      const syllable = event.syllables[0] ?? null;
      return syllable === null ? null : `${syllable.text}${syllable.end === 'join' ? '-' : ''}`;
    }),
  );
}

function filled({ fill }: NoteRow, texts: Texts): Texts {
  if (fill === 'full') return texts;
  if (fill === 'blank') return texts.map((bar) => bar.map((text) => (text === null ? null : BLANK)));
  const seen = new Set<string>();
  return texts.map((bar) => bar.map((text) => (text === null || seen.has(text) ? null : (seen.add(text), text))));
}
