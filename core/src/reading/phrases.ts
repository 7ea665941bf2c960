import {
  add,
  barLength,
  barStarts,
  compare,
  eventsLength,
  subtract,
  valueLength,
  ZERO,
  type Rational,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';

/** A note or rest of the first part on the sheet: indices into the tune's bars and into that bar's events. */
export interface Place {
  readonly barIndex: number;
  readonly eventIndex: number;
}

export function comparePlaces(a: Place, b: Place): number {
  return a.barIndex - b.barIndex || a.eventIndex - b.eventIndex;
}

/** One bar as it is sung. */
export interface PhraseBar {
  /** As printed. */
  readonly number: number;
  /** Of its bar on the sheet. */
  readonly barIndex: number;
  readonly events: readonly TuneEvent[];
  /** Where each event stands on the sheet. */
  readonly places: readonly Place[];
}

interface Placed {
  readonly event: TuneEvent;
  readonly place: Place;
}

const kept = new WeakMap<Tune, readonly PhraseBar[]>();

/**
 * The bars of the first part as they are sung: in a tune with a pickup every bar begins with its upbeat, which the sheet
 * has at the end of the bar before. A note that sounds on over that place stays in its bar.
 */
export function phraseBars(tune: Tune): readonly PhraseBar[] {
  const known = kept.get(tune);
  if (known !== undefined) return known;
  const found = sungBars(tune).map(({ barIndex, placed }): PhraseBar => ({
    number: tune.bars[barIndex]!.number,
    barIndex,
    events: placed.map(({ event }) => event),
    places: placed.map(({ place }) => place),
  }));
  kept.set(tune, found);
  return found;
}

interface SungBar {
  readonly barIndex: number;
  readonly placed: readonly Placed[];
}

function sungBars(tune: Tune): readonly SungBar[] {
  const bars = tune.parts[0].bars.map((events, barIndex) =>
    events.map((event, eventIndex): Placed => ({ event, place: { barIndex, eventIndex } })),
  );
  const asPrinted = bars.map((placed, barIndex): SungBar => ({ barIndex, placed }));
  if (barStarts(tune)[0]!.num === 0) return asPrinted;
  const pickup = eventsLength(tune.parts[0].bars[0]!);
  const found: SungBar[] = [];
  let upbeat: readonly Placed[] = [];
  for (const [barIndex, placed] of bars.entries()) {
    const { number, metre } = tune.bars[barIndex]!;
    const isSecondHalf = barIndex > 0 && tune.bars[barIndex - 1]!.number === number;
    const events = placed.map(({ event }) => event);
    const cut = number === 0 || isSecondHalf ? 0 : headOf(events, subtract(barLength(metre), pickup));
    if (cut > 0) found.push({ barIndex, placed: [...upbeat, ...placed.slice(0, cut)] });
    upbeat = cut > 0 ? placed.slice(cut) : [...upbeat, ...placed];
  }
  const last = found.pop();
  return last === undefined ? asPrinted : [...found, { ...last, placed: [...last.placed, ...upbeat] }];
}

/** How many events of a bar begin before a place. */
function headOf(events: readonly TuneEvent[], place: Rational): number {
  let now = ZERO;
  const at = events.findIndex((event) => {
    const isPast = compare(now, place) >= 0;
    now = add(now, valueLength(event.value));
    return isPast;
  });
  return at < 0 ? events.length : at;
}

/** The lines of the sheet as first and last of `phraseBars`; four bars each where the sheet has no lines. */
export function phraseLines(tune: Tune): readonly (readonly [number, number])[] {
  const bars = phraseBars(tune);
  const hasLines = tune.bars.some((bar) => bar.lineEnd);
  const lines: [number, number][] = [];
  let first = 0;
  for (const [index, bar] of bars.entries()) {
    const ends = hasLines ? tune.bars[bar.barIndex]!.lineEnd : index % 4 === 3;
    if (!ends && index < bars.length - 1) continue;
    lines.push([first, index]);
    first = index + 1;
  }
  return lines;
}
