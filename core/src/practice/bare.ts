import {
  add,
  barLength,
  beatLength,
  beatsInBar,
  divide,
  equal,
  eventsLength,
  isCompound,
  makeTune,
  pitchName,
  PLAIN_NOTE,
  PLAIN_REST,
  subtract,
  toNumber,
  tupletGroups,
  valueLength,
  valuesOfLength,
  ZERO,
  type Note,
  type NoteValue,
  type Rational,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';

export const FEWEST_STAGES = 3;
export const MOST_STAGES = 5;
/** The last stage adds so many notes at least: one alone is not worth a stage. */
const FEWEST_ADDED = 2;

/** One way of hearing a tune grow. */
export interface BareVersion {
  readonly tune: Tune;
  /** Struck notes of this version, and of the whole tune. */
  readonly notes: number;
  readonly of: number;
}

/**
 * Bare versions of a tune that grow: only the notes that carry it, then more of them, at last the tune itself. Every
 * version is a tune with the same bars, and has all notes of the one before, at the same places.
 *
 * Which notes carry a tune: those on strong beats (after Lerdahl and Jackendoff's metrical reduction), among equals the
 * long ones and those that bring another pitch, and the first and last of all. A note that goes holds the one before it.
 * @param stages 3 to 5; fewer versions come back when the tune has fewer levels than that.
 * @throws RangeError for other numbers of stages.
 */
export function bareVersions(tune: Tune, stages: number): readonly BareVersion[] {
  if (!Number.isInteger(stages) || stages < FEWEST_STAGES || stages > MOST_STAGES) {
    throw new RangeError(`${stages} stages: ${FEWEST_STAGES} to ${MOST_STAGES} are possible`);
  }
  const weighed = FINENESS.map((fine) => tune.parts.map((part) => weigh(tune, part.bars, fine)));
  const weights = weighed.find((each) => usableCuts(weightsOf(each)).length >= stages - 1) ?? weighed.at(-1)!;
  const all = weightsOf(weights);
  const cuts = chooseCuts(all, stages - 1);
  const bare = cuts.map((cut) => ({
    tune: reduced(tune, weights, cut),
    notes: all.filter((each) => each <= cut).length,
  }));
  return [...bare, { tune, notes: all.length }].map((each) => ({ ...each, of: all.length }));
}

/** For each event how early it may go: small stays long. Null for rests and for the second half of a tied note. */
type Weights = readonly (readonly (number | null)[])[];

/**
 * How finely places are told apart: by level; then later beats go before earlier ones; at last those of every second
 * bar before those of the first.
 */
const FINENESS = [0, 1, 2] as const;
type Fineness = (typeof FINENESS)[number];

const LEVEL = 100;
const REPEATED = 40;
const SHORT = 20;
/** Before all others. */
const INSIDE_TUPLET = 5 * LEVEL;
/** The second of two bars carries less than the first. */
const SECOND_BAR = 10;
/** For each beat further from the bar line. */
const LATER_BEAT = 2;

function weightsOf(parts: readonly Weights[]): readonly number[] {
  return parts.flat(2).filter((weight): weight is number => weight !== null);
}

function weigh(tune: Tune, bars: readonly (readonly TuneEvent[])[], fine: Fineness): Weights {
  let before: Note | null = null;
  return bars.map((events, barIndex) => {
    const { metre, number } = tune.bars[barIndex]!;
    const missing = subtract(barLength(metre), eventsLength(events));
    let sounds = false;
    let at: Rational = barIndex === 0 && missing.num > 0 ? missing : ZERO;
    const weights = events.map((event, index): number | null => {
      const start = at;
      at = add(at, valueLength(event.value));
      if (event.kind === 'rest') return null;
      const isHeld = before?.tied === true;
      const isRepeated = before !== null && pitchName(before.pitch) === pitchName(event.pitch);
      before = event;
      if (isHeld) {
        sounds = true;
        return null;
      }
      // No bar is silent.
      const isFirst = !sounds;
      sounds = true;
      const isEdge = isFirst || isLastNote(bars, barIndex, index);
      if (isEdge || soundsIntoNextBar(events, index)) return 0;
      const length = toNumber(divide(valueLength(event.value), beatLength(metre)));
      return (
        LEVEL * levelOf(start, metre) +
        (isRepeated ? REPEATED : 0) +
        (length < 1 ? SHORT : 0) +
        (fine >= 1 ? LATER_BEAT * toNumber(divide(start, beatLength(metre))) : 0) +
        (fine === 2 && number % 2 === 0 ? SECOND_BAR : 0)
      );
    });
    return wholeTuplets(events, weights);
  });
}

/**
 * Of a tuplet all notes but the first go together, and none where a rest has to stay: what is left must be writable.
 * For the same reason nothing goes from a bar in which a tuplet is tied to something.
 */
function wholeTuplets(events: readonly TuneEvent[], weights: readonly (number | null)[]): readonly (number | null)[] {
  const groups = tupletGroups(events);
  const stay = (from: readonly (number | null)[], first: number, last: number): (number | null)[] =>
    from.map((weight, index) => (weight !== null && index >= first && index <= last ? 0 : weight));
  const isTied = groups.some(({ first, last }) =>
    events.slice(first === 0 ? 0 : first - 1, last + 1).some((event) => event.kind === 'note' && event.tied),
  );
  if (isTied) return stay(weights, 0, events.length);
  let whole: readonly (number | null)[] = weights;
  for (const { first, last } of groups) {
    const hasToStay = weights.slice(first, last + 1).some((weight, at) => weight === null || (at > 0 && weight === 0));
    whole = hasToStay
      ? stay(whole, first, last)
      : whole.map((weight, index) => (index > first && index <= last ? INSIDE_TUPLET : weight));
  }
  return whole;
}

function soundsIntoNextBar(events: readonly TuneEvent[], index: number): boolean {
  const end = events.findIndex((event, at) => at >= index && !(event.kind === 'note' && event.tied));
  return end < 0;
}

function isLastNote(bars: readonly (readonly TuneEvent[])[], barIndex: number, index: number): boolean {
  const after = [...bars[barIndex]!.slice(index + 1), ...bars.slice(barIndex + 1).flat()];
  return after.every((event) => event.kind === 'rest');
}

/** 0 on the first beat, 1 on the other strong beat of four, 2 on a beat, 3 inside one, 4 further down. */
function levelOf(at: Rational, metre: Parameters<typeof beatLength>[0]): number {
  const beats = divide(at, beatLength(metre));
  if (beats.num === 0) return 0;
  if (beats.den === 1) return beatsInBar(metre) === 4 && beats.num === 2 ? 1 : 2;
  return beats.den === (isCompound(metre) ? 3 : 2) ? 3 : 4;
}

function sizeOf(weights: readonly number[], cut: number): number {
  return weights.filter((weight) => weight <= cut).length;
}

/** Weights after which enough is left for another stage. */
function usableCuts(weights: readonly number[]): readonly number[] {
  const sorted = [...new Set(weights)].toSorted((a, b) => a - b);
  return sorted.filter((cut) => sizeOf(weights, cut) <= weights.length - FEWEST_ADDED);
}

/** Weights at which to cut, so that the versions grow evenly from the least one; fewer where there are fewer weights. */
function chooseCuts(weights: readonly number[], count: number): readonly number[] {
  const sizeAt = (cut: number): number => sizeOf(weights, cut);
  const distinct = usableCuts(weights);
  const least = 1 / (count + 1);
  const chosen: number[] = [];
  for (let stage = 0; stage < count; stage++) {
    const goal = weights.length * (least + (stage * (1 - least)) / count);
    const leaves = count - stage - 1;
    const open = distinct.filter((cut) => cut > (chosen.at(-1) ?? -1)).slice(0, leaves === 0 ? undefined : -leaves);
    const cut = open.toSorted((a, b) => Math.abs(sizeAt(a) - goal) - Math.abs(sizeAt(b) - goal))[0];
    if (cut !== undefined) chosen.push(cut);
  }
  return chosen;
}

function reduced(tune: Tune, weights: readonly Weights[], cut: number): Tune {
  const [first, ...others] = tune.parts.map((part, index) => ({
    ...part,
    bars: part.bars.map((events, bar) => reducedBar(events, weights[index]![bar]!, cut)),
  }));
  const made = makeTune({ ...tune, parts: [first!, ...others] });
  if (!made.ok) throw new Error(made.error.map((error) => error.message).join(' '));
  return made.value;
}

/** What stays, as it will be written: an event and how long it lasts now. */
interface Stretch {
  readonly event: TuneEvent;
  readonly length: Rational;
}

function reducedBar(
  events: readonly TuneEvent[],
  weights: readonly (number | null)[],
  cut: number,
): readonly TuneEvent[] {
  const stretches: Stretch[] = [];
  let gone = false;
  for (const [index, event] of events.entries()) {
    const weight = weights[index]!;
    const isHeld = event.kind === 'note' && weight === null && index > 0;
    gone = event.kind === 'note' && (isHeld ? gone : weight !== null && weight > cut);
    const length = valueLength(event.value);
    const last = stretches.at(-1);
    if (gone && last !== undefined) {
      const held = { ...last.event, breath: last.event.breath || event.breath };
      stretches[stretches.length - 1] = { event: held, length: add(last.length, length) };
    } else {
      stretches.push({ event: gone ? { ...PLAIN_REST, value: event.value } : event, length });
    }
  }
  return stretches.flatMap(written);
}

/** One event, or several that are tied, for a length that no single value has. */
function written({ event, length }: Stretch): readonly TuneEvent[] {
  const own = valueLength(event.value);
  if (equal(length, own)) return [plain(event)];
  const values = valuesOfLength(length) ?? afterTuplet(event, subtract(length, own));
  return values.map((value, index): TuneEvent => {
    const isLast = index === values.length - 1;
    const ends = { value, breath: isLast && event.breath, fermata: isLast && event.fermata };
    if (event.kind === 'rest') return { ...event, ...ends };
    const tied = !isLast || event.tied;
    return plain(index === 0 ? { ...event, ...ends, tied } : { ...PLAIN_NOTE, ...ends, pitch: event.pitch, tied });
  });
}

/** The last note of a tuplet that sounds on after it keeps its own value, and the rest is tied to it. */
function afterTuplet(event: TuneEvent, more: Rational): readonly NoteValue[] {
  const values = valuesOfLength(more);
  if (values === null) throw new Error(`no values last ${more.num}/${more.den}`);
  return [event.value, ...values];
}

/** Where notes are missing, slurs would end nowhere, and what is left of the words says nothing. */
function plain(event: TuneEvent): TuneEvent {
  return event.kind === 'rest' ? event : { ...event, slurStarts: 0, slurEnds: 0, syllables: [] };
}
