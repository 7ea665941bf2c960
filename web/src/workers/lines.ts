import { eventId } from '@escalier/core/formats';
import type { Instrument } from '@escalier/core/instruments';
import {
  beatLength,
  divide,
  toNumber,
  valueLength,
  type Bar,
  type Counting,
  type Sayings,
  type Tune,
} from '@escalier/core/music';
import { rowsUnder, type RowKind } from '@escalier/core/practice';

/** A text with the note or rest that it stands under. */
export interface NoteText {
  readonly id: string;
  readonly text: string;
  /** The bar line before it: none within a bar, or where a repeat begins or ends. */
  readonly before: BarSign | null;
  /** The bar line after the last of a line. */
  readonly after: BarSign | null;
}
export type BarSign = '|' | '|:' | ':|' | ':|:';

/** The same tune with lines as short as that, broken at bar lines; a line that ended early still does. */
export function inShortLines(tune: Tune, most: number): Tune {
  const sizes = tune.bars.map((_, index) => Math.max(...tune.parts.map((part) => part.bars[index]!.length)));
  let now = 0;
  const bars = tune.bars.map((bar, index) => {
    now += sizes[index]!;
    const lineEnd = bar.lineEnd || now + (sizes[index + 1] ?? 0) > most;
    if (lineEnd) now = 0;
    return { ...bar, lineEnd };
  });
  return { ...tune, bars };
}

/** So many words are read from the back of the room on one line. */
const WORDS_ON_LINE = 9;
/** What stands in the place of a rest, and of each further beat that a note is held. */
const REST = '·';
const HELD = '–';

/** What is read of a tune, and in which of the class's own words. */
export interface LineRequest {
  readonly kind: RowKind;
  readonly counting: Counting | null;
  readonly sayings?: Sayings | undefined;
}

/**
 * What stands under the notes as text alone: names, counting, or the words. A line is a phrase of the sheet, or an even
 * part of one that is too long for the back of the room; bar lines, repeats, rests and held notes keep their place.
 */
export function textsByLine(
  tune: Tune,
  instrument: Instrument,
  { kind, counting, sayings }: LineRequest,
): readonly (readonly NoteText[])[] {
  const row = { rows: [{ kind, fill: 'full' as const }], counting, ...(sayings === undefined ? {} : { sayings }) };
  const under = rowsUnder(tune, instrument, row);
  const isNames = kind !== 'counting' && kind !== 'words';
  const barTexts = tune.parts[0].bars.map((events, barIndex) =>
    events.flatMap((event, index): { readonly id: string; readonly text: string }[] => {
      const before = events[index - 1] ?? tune.parts[0].bars[barIndex - 1]?.at(-1);
      const isHeldOn = isNames && before?.kind === 'note' && before.tied;
      const own = isHeldOn ? HELD : (under(barIndex, index)[0] ?? null);
      if (own === null && !(isNames && event.kind === 'rest')) return [];
      const beats = Math.max(
        1,
        Math.floor(toNumber(divide(valueLength(event.value), beatLength(tune.bars[barIndex]!.metre)))),
      );
      const text = isNames
        ? [own ?? REST, ...Array<string>(beats - 1).fill(own === null ? REST : HELD)].join(' ')
        : own!;
      return [{ id: eventId(0, barIndex, index), text }];
    }),
  );
  return phrases(tune.bars)
    .flatMap((bars) => inRows(bars, (bar) => barTexts[bar]!.length))
    .map((row) => row.flatMap((bar) => withSigns(barTexts[bar]!, tune.bars, bar, row)))
    .filter((line) => line.length > 0);
}

/** Indices of bars by the lines of the sheet. */
function phrases(bars: readonly Bar[]): readonly (readonly number[])[] {
  const lines: number[][] = [[]];
  for (const [index, bar] of bars.entries()) {
    lines.at(-1)!.push(index);
    if (bar.lineEnd) lines.push([]);
  }
  return lines.filter((line) => line.length > 0);
}

/** A phrase in as few rows as can be read, with as many bars in each. */
function inRows(bars: readonly number[], sizeOf: (bar: number) => number): readonly (readonly number[])[] {
  for (let each = bars.length; each > 1; each--) {
    const rows = bars.flatMap((_, at) => (at % each === 0 ? [bars.slice(at, at + each)] : []));
    if (rows.every((row) => row.reduce((sum, bar) => sum + sizeOf(bar), 0) <= WORDS_ON_LINE)) return rows;
  }
  return bars.map((bar) => [bar]);
}

function withSigns(
  texts: readonly { readonly id: string; readonly text: string }[],
  bars: readonly Bar[],
  at: number,
  row: readonly number[],
): readonly NoteText[] {
  const begins = bars[at]!.repeatStart;
  const ends = (index: number): boolean => (bars[index]?.timesPlayed ?? 1) > 1;
  const between: BarSign = `${ends(at - 1) ? ':' : ''}|${begins ? ':' : ''}`;
  const atStart: BarSign | null = begins ? '|:' : null;
  return texts.map((text, index) => ({
    ...text,
    before: index > 0 ? null : at === row[0] ? atStart : between,
    after: at === row.at(-1) && index === texts.length - 1 ? (ends(at) ? ':|' : '|') : null,
  }));
}
