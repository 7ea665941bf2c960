import { listWords } from '@escalier/messages';
import {
  eventsLength,
  equal,
  irregularBars,
  looseTies,
  lostJump,
  type Note,
  type Part,
  type Tune,
  type TuneDraft,
} from '../music/index.ts';
import type { Notice } from './notice.ts';
import { t } from './messages.ts';

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

/**
 * One notice that names the bars which are shorter or longer than their time signature, with the index of the first; none
 * where all are full.
 */
export function irregularNotice(tune: Tune): readonly (Notice & { readonly barIndex: number })[] {
  const bars = irregularBars(tune);
  const [first, ...others] = bars;
  if (first === undefined) return [];
  const message =
    others.length === 0
      ? t('repair.message-kept-as-it-is', { message: first.message })
      : t('repair.bars-in-dont-match-their-time', {
          in: listWords([...new Set(bars.map(({ bar }) => String(bar ?? 0)))]),
        });
  return [{ bar: first.bar, message, barIndex: first.index ?? 0 }];
}

function fits(part: Part, lead: Part, leftOut: LeftOut[]): boolean {
  if (part.bars.length !== lead.bars.length) return true;
  const barIndex = part.bars.findIndex(
    (events, index) => !equal(eventsLength(events), eventsLength(lead.bars[index]!)),
  );
  if (barIndex < 0) return true;
  leftOut.push({ barIndex, message: t('repair.the-part-name-which-differs-in', { name: part.name }) });
  return false;
}

function untied(part: Part, leftOut: LeftOut[]): Part {
  const bars = part.bars.map((events) => [...events]);
  for (const { barIndex, eventIndex } of looseTies(part)) {
    bars[barIndex]![eventIndex] = { ...(bars[barIndex]![eventIndex] as Note), tied: false };
    leftOut.push({ barIndex, message: t('repair.a-tie-with-no-matching-note') });
  }
  return { ...part, bars };
}

function withoutLostJumps(bars: TuneDraft['bars'], leftOut: LeftOut[]): TuneDraft['bars'] {
  return bars.map((bar, barIndex) => {
    const reason = lostJump(bars, bar.jump);
    if (reason === null) return bar;
    leftOut.push({ barIndex, message: reason });
    return { ...bar, jump: null };
  });
}
