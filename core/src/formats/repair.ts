import {
  eventsLength,
  equal,
  irregularBars,
  samePitch,
  type Bar,
  type Part,
  type Tune,
  type TuneDraft,
  type TuneEvent,
} from '../music/index.ts';
import type { Notice } from './notice.ts';

/** What a file has and a Tune cannot carry, by the index of its bar. */
export interface LeftOut {
  readonly barIndex: number;
  readonly message: string;
}

export interface Repaired {
  readonly draft: TuneDraft;
  readonly leftOut: readonly LeftOut[];
}

/** A file may be cut short or put together by hand: what leads nowhere in it is left out and listed, the rest is read. */
export function repaired(draft: TuneDraft): Repaired {
  const leftOut: LeftOut[] = [];
  const [lead, ...others] = draft.parts;
  if (lead === undefined) return { draft, leftOut };
  const parts = [lead, ...others.filter((part) => fits(part, lead, leftOut))].map((part) => untied(part, leftOut));
  return { draft: { ...draft, bars: withoutLostJumps(draft.bars, leftOut), parts }, leftOut };
}

/** One notice that names the bars which are shorter or longer than their time signature; none where all are full. */
export function irregularNotice(tune: Tune): readonly Notice[] {
  const bars = irregularBars(tune);
  const [first, ...others] = bars;
  if (first === undefined) return [];
  const message =
    others.length === 0
      ? `${first.message} It is kept as it is.`
      : `Bars ${inWords(bars.map(({ bar }) => bar ?? 0))} do not hold what their time signature asks for: they are kept as they are.`;
  return [{ bar: first.bar, message }];
}

function inWords(numbers: readonly number[]): string {
  const distinct = [...new Set(numbers)].map(String);
  return distinct.length === 1 ? distinct[0]! : `${distinct.slice(0, -1).join(', ')} and ${distinct.at(-1)}`;
}

function fits(part: Part, lead: Part, leftOut: LeftOut[]): boolean {
  if (part.bars.length !== lead.bars.length) return true;
  const barIndex = part.bars.findIndex(
    (events, index) => !equal(eventsLength(events), eventsLength(lead.bars[index]!)),
  );
  if (barIndex < 0) return true;
  leftOut.push({ barIndex, message: `the part "${part.name}", which here is not as long as the first part` });
  return false;
}

function untied(part: Part, leftOut: LeftOut[]): Part {
  const bars = part.bars.map((events, barIndex) =>
    events.map((event, index): TuneEvent => {
      if (event.kind === 'rest' || !event.tied) return event;
      const next = events[index + 1] ?? part.bars.slice(barIndex + 1).find((each) => each.length > 0)?.[0];
      if (next?.kind === 'note' && samePitch(next.pitch, event.pitch)) return event;
      leftOut.push({ barIndex, message: 'a tie that leads to no note of the same pitch' });
      return { ...event, tied: false };
    }),
  );
  return { ...part, bars };
}

function withoutLostJumps(bars: readonly Omit<Bar, 'number'>[], leftOut: LeftOut[]): readonly Omit<Bar, 'number'>[] {
  const has = (is: (bar: Omit<Bar, 'number'>) => boolean): boolean => bars.some(is);
  return bars.map((bar, barIndex) => {
    const { jump } = bar;
    const isLost =
      jump !== null &&
      ((jump.startsWith('D.S.') && !has((each) => each.segno)) ||
        (jump.endsWith('fine') && !has((each) => each.fine)) ||
        (jump.endsWith('coda') && !(has((each) => each.toCoda) && has((each) => each.coda))));
    if (!isLost) return bar;
    leftOut.push({ barIndex, message: `"${jump}", for there is no place to go to` });
    return { ...bar, jump: null };
  });
}
