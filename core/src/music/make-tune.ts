import { barLength, beatLength, isCompound, metreText } from './metre.ts';
import { samePitch } from './pitch.ts';
import { add, compare, equal, mixedNumber, multiply, rational, toNumber, ZERO, type Rational } from './rational.ts';
import { failure, success, type Result } from './result.ts';
import { isTempo, type Bar, type Part, type Tempo, type Tune } from './tune.ts';
import { eventsLength } from './tuplets.ts';
import { t } from './messages.ts';

export const MOST_BARS = 600;
const MOST_PARTS = 2;
/** Notes and rests of all parts. */
const MOST_EVENTS = 12_000;
/** A section is played so often at most, and no ending belongs to a later pass. */
export const MOST_PASSES = 9;

/** A tune as a file gives it: bars without numbers, nothing checked yet. */
export interface TuneDraft extends Omit<Tune, 'bars' | 'parts'> {
  readonly bars: readonly Omit<Bar, 'number'>[];
  readonly parts: readonly Part[];
}

/** Why a draft is no tune, in a sentence for a teacher; `bar` as printed, null when it is about the whole. */
export interface TuneProblem {
  readonly bar: number | null;
  readonly message: string;
  /** Index of the bar in the draft. */
  readonly index?: number;
}

/**
 * Checks every promise of a Tune and numbers its bars. All problems are reported, not the first only. A bar that is not
 * full is no problem: `irregularBars` tells of it.
 */
export function makeTune(draft: TuneDraft): Result<Tune, readonly TuneProblem[]> {
  const whole = wholeProblems(draft);
  if (whole.length > 0) return failure(whole);
  const lengths = draft.parts[0]!.bars.map(eventsLength);
  const bars = numberBars(draft.bars, lengths);
  const problems = [
    ...draft.parts.slice(1).flatMap((part) => partLengthProblems(bars, lengths, part)),
    ...draft.parts.flatMap((part) => tieProblems(bars, part)),
    ...repeatProblems(bars),
  ];
  if (problems.length > 0) return failure(problems);
  const [first, ...others] = draft.parts;
  return success({ ...draft, tempo: feltTempo(draft), bars, parts: [first!, ...others] });
}

/** In compound time the tempo counts the beat that is felt: 96 crotchets a minute in 6/8 are 64 dotted crotchets. */
function feltTempo({ tempo, bars: [first] }: TuneDraft): Tempo | null {
  if (tempo === null || first === undefined || !isCompound(first.metre)) return tempo;
  const beat = beatLength(first.metre);
  if (equal(beat, tempo.beat)) return tempo;
  const perMinute = Math.round((tempo.perMinute * toNumber(tempo.beat)) / toNumber(beat));
  return isTempo(perMinute) ? { beat, perMinute } : tempo;
}

function wholeProblems(draft: TuneDraft): TuneProblem[] {
  const whole = (message: string): TuneProblem[] => [{ bar: null, message }];
  if (draft.parts.length === 0) return whole(t('make-tune.the-tune-has-no-melody'));
  if (draft.parts.length > MOST_PARTS)
    return whole(
      t('make-tune.the-tune-has-parts-count-parts', { partsCount: draft.parts.length, mostParts: MOST_PARTS }),
    );
  if (draft.bars.length > MOST_BARS)
    return whole(t('make-tune.the-tune-has-bars-count-bars', { barsCount: draft.bars.length, mostBars: MOST_BARS }));
  const uneven = draft.parts.find((part) => part.bars.length !== draft.bars.length);
  if (uneven !== undefined) {
    return whole(
      t('make-tune.the-part-name-has-bars-count', {
        name: uneven.name,
        barsCount: uneven.bars.length,
        barsCount2: draft.bars.length,
      }),
    );
  }
  const events = draft.parts.flatMap((part) => part.bars.map((bar) => bar.length)).reduce((a, b) => a + b, 0);
  if (events > MOST_EVENTS)
    return whole(t('make-tune.the-tune-has-events-notes-and', { events, mostEvents: MOST_EVENTS }));
  const passes = draft.bars.flatMap((bar) => [bar.timesPlayed, ...(bar.ending ?? [])]);
  if (passes.some((pass) => !Number.isInteger(pass) || pass < 1 || pass > MOST_PASSES))
    return whole(t('make-tune.a-section-is-played-at-most', { mostPasses: MOST_PASSES }));
  const notes = draft.parts.some((part) => part.bars.some((bar) => bar.some((event) => event.kind === 'note')));
  return notes ? [] : whole(t('make-tune.the-tune-has-no-notes'));
}

function numberBars(drafts: readonly Omit<Bar, 'number'>[], lengths: readonly Rational[]): readonly Bar[] {
  let number = 0;
  let opened: Rational | null = null;
  return drafts.map((draft, index): Bar => {
    const full = barLength(draft.metre);
    const length = lengths[index]!;
    const short = compare(length, full) < 0;
    if (index === 0 && short) return { ...draft, number: 0 };
    if (short && opened !== null && equal(add(opened, length), full)) {
      opened = null;
      return { ...draft, number };
    }
    number += 1;
    opened = short ? length : null;
    return { ...draft, number };
  });
}

/**
 * The bars that do not last as long as their metre says, with a sentence each. Short bars at the edges of a section, where
 * one completes the other, are regular: the last bar and the pickup, or the two halves around a repeat sign.
 */
export function irregularBars({ bars, parts }: Pick<Tune, 'bars' | 'parts'>): readonly TuneProblem[] {
  const lengths = parts[0].bars.map(eventsLength);
  let pickup: Rational = ZERO;
  return bars.flatMap((bar, index) => {
    const full = barLength(bar.metre);
    const length = lengths[index]!;
    const before = bars[index - 1];
    const startsSection =
      before === undefined || before.timesPlayed > 1 || bar.repeatStart || before.barline !== 'single';
    if (startsSection) pickup = compare(length, full) < 0 ? length : ZERO;
    if (equal(length, full)) return [];
    const next = bars[index + 1];
    const endsSection =
      next === undefined || bar.timesPlayed > 1 || bar.ending !== null || next.repeatStart || bar.barline !== 'single';
    const isShort = compare(length, full) < 0;
    const completed = [pickup, lengths[0]!, lengths[index + 1] ?? ZERO].some((other) =>
      equal(add(length, other), full),
    );
    if (isShort && startsSection && next !== undefined) return [];
    if (isShort && endsSection && completed) return [];
    return [{ bar: bar.number, index, message: barSumMessage(bar, length, full) }];
  });
}

function barSumMessage(bar: Bar, length: Rational, full: Rational): string {
  const inUnits = (size: Rational): string => mixedNumber(multiply(size, rational(bar.metre.unit)));
  const size = compare(length, full) < 0 ? t('make-tune.too-short') : t('make-tune.too-long');
  const place = bar.number === 0 ? t('make-tune.the-pickup') : t('make-tune.bar-number', { number: bar.number });
  return t('make-tune.place-is-size-metre-asks-for', {
    place,
    size,
    metre: metreText(bar.metre),
    inUnits: inUnits(full),
    inUnits2: inUnits(length),
    ordinal: ordinal(bar.metre.unit),
  });
}

function ordinal(unit: number): string {
  return (
    new Map([
      [1, 'wholes'],
      [2, 'halves'],
    ]).get(unit) ?? (unit === 4 ? 'quarters' : `${unit}ths`)
  );
}

function partLengthProblems(bars: readonly Bar[], lengths: readonly Rational[], part: Part): TuneProblem[] {
  return part.bars.flatMap((events, index) => {
    if (equal(eventsLength(events), lengths[index]!)) return [];
    const { number } = bars[index]!;
    return [{ bar: number, index, message: t('make-tune.in-bar-number-the-part-name', { number, name: part.name }) }];
  });
}

function tieProblems(bars: readonly Bar[], part: Part): TuneProblem[] {
  return looseTies(part).map(({ barIndex }) => {
    const { number } = bars[barIndex]!;
    return { bar: number, index: barIndex, message: t('make-tune.in-bar-number-a-tie-does', { number }) };
  });
}

/** Where notes of a part are tied to no note of the same pitch. */
export function looseTies(part: Part): readonly { readonly barIndex: number; readonly eventIndex: number }[] {
  const placed = part.bars.flatMap((events, barIndex) =>
    events.map((event, eventIndex) => ({ event, barIndex, eventIndex })),
  );
  return placed.flatMap(({ event, barIndex, eventIndex }, index) => {
    if (event.kind === 'rest' || !event.tied) return [];
    const next = placed[index + 1]?.event;
    return next?.kind === 'note' && samePitch(next.pitch, event.pitch) ? [] : [{ barIndex, eventIndex }];
  });
}

function repeatProblems(bars: readonly Bar[]): TuneProblem[] {
  return bars.flatMap((bar) => {
    const reason = lostJump(bars, bar.jump);
    return reason === null
      ? []
      : [{ bar: bar.number, message: t('make-tune.bar-number-reason', { number: bar.number, reason }) }];
  });
}

/** Why a jump leads nowhere, in words; null where it leads somewhere, or there is none. */
export function lostJump(bars: readonly Omit<Bar, 'number'>[], jump: Bar['jump']): string | null {
  const has = (sign: 'segno' | 'fine' | 'toCoda' | 'coda'): boolean => bars.some((bar) => bar[sign]);
  if (jump?.startsWith('D.S.') === true && !has('segno')) return t('make-tune.d-s-without-a-segno-sign');
  if (jump?.endsWith('fine') === true && !has('fine')) return t('make-tune.jump-without-a-fine', { jump });
  const lacksCoda = jump?.endsWith('coda') === true && !(has('toCoda') && has('coda'));
  return lacksCoda ? t('make-tune.jump-without-to-coda-and-a', { jump }) : null;
}
