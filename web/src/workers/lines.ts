import { eventId } from '@escalier/core/formats';
import type { Instrument } from '@escalier/core/instruments';
import type { Counting, Tune } from '@escalier/core/music';
import { rowsUnder, type RowKind } from '@escalier/core/practice';

/** A text with the note or rest that it stands under. */
export interface NoteText {
  readonly id: string;
  readonly text: string;
}

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
const WORDS_ON_LINE = 8;

/** What stands under the notes as text alone, by lines that break at bars: names, counting, or the words. */
export function textsByLine(
  tune: Tune,
  on: Instrument,
  kind: RowKind,
  counting: Counting | null,
): readonly (readonly NoteText[])[] {
  const under = rowsUnder(tune, on, { rows: [{ kind, fill: 'full' }], counting });
  const bars = tune.parts[0].bars.map((events, barIndex) =>
    events.flatMap((_, index): readonly NoteText[] => {
      const text = under(barIndex, index)[0];
      return text === null || text === undefined ? [] : [{ id: eventId(0, barIndex, index), text }];
    }),
  );
  const lines: NoteText[][] = [[]];
  for (const [index, bar] of bars.entries()) {
    const open = lines.at(-1)!;
    if (open.length > 0 && open.length + bar.length > WORDS_ON_LINE) lines.push([...bar]);
    else open.push(...bar);
    if (tune.bars[index]!.lineEnd) lines.push([]);
  }
  return lines.filter((line) => line.length > 0);
}
