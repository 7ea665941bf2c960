import {
  add,
  barStarts,
  beatLength,
  compare,
  divide,
  equal,
  floor,
  isCompound,
  rational,
  valueLength,
  type Metre,
  type NoteValue,
  type Rational,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';

/** A kind of rhythm that a class has to have met: a value, a rest, a tie, a pickup, a way of counting. */
export interface RhythmElement {
  /** Stable name: `note quarter`, `rest half`, `note dotted-quarter`, `tie`, `pickup` … */
  readonly id: string;
  /** Numbers of the bars in which it stands, as printed. */
  readonly bars: readonly number[];
}

/** Every kind of rhythm element in the tune, in order of appearance. */
export function rhythmElements(tune: Tune): readonly RhythmElement[] {
  const found = new Map<string, Set<number>>();
  const note = (id: string, bar: number): void => {
    found.set(id, (found.get(id) ?? new Set()).add(bar));
  };
  const starts = barStarts(tune);
  for (const [index, bar] of tune.bars.entries()) {
    if (bar.number === 0) note('pickup', 0);
    if (isCompound(bar.metre)) note('compound', bar.number);
    for (const part of tune.parts) {
      const events = part.bars[index]!;
      for (const event of events) for (const id of elementsOfEvent(event)) note(id, bar.number);
      if (hasSyncopation(events, bar.metre, starts[index]!)) note('syncopation', bar.number);
    }
  }
  return [...found].map(([id, bars]) => ({ id, bars: [...bars] }));
}

function elementsOfEvent(event: TuneEvent): string[] {
  const own = `${event.kind} ${valueId(event.value)}`;
  return event.kind === 'note' && event.tied ? [own, 'tie'] : [own];
}

function valueId({ base, dots, tuplet }: NoteValue): string {
  const dotted = ['', 'dotted-', 'double-dotted-'][dots] ?? '';
  return `${dotted}${base}${tuplet === null ? '' : ` in ${tuplet.actual}`}`;
}

/** A note that starts off the beat and sounds on past the next beat. */
function hasSyncopation(events: readonly TuneEvent[], metre: Metre, start: Rational): boolean {
  const beat = beatLength(metre);
  let now = start;
  return events.some((event) => {
    const at = divide(now, beat);
    now = add(now, valueLength(event.value));
    const nextBeat = rational(floor(at) + 1);
    const offBeat = !equal(at, rational(floor(at)));
    return event.kind === 'note' && offBeat && compare(divide(now, beat), nextBeat) > 0;
  });
}
