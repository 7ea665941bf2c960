import { metreText, sameKey, sameMetre, type Bar, type Tune, type TuneEvent } from '../music/index.ts';
import { accidentalIn } from './accidentals.ts';

/** A sign on the sheet that a class has to be able to read. */
export interface Sign {
  /** Stable name: `metre 3/4`, `key 1`, `repeat`, `slur` … */
  readonly id: string;
  readonly bars: readonly number[];
}

/** Every kind of sign in the tune with the bars in which it stands. */
export function signsOf(tune: Tune): readonly Sign[] {
  const found = new Map<string, Set<number>>();
  for (const [index, bar] of tune.bars.entries()) {
    const ids = [
      ...frameSigns(bar, tune.bars[index - 1]),
      ...tune.parts.flatMap((part) => part.bars[index]!.flatMap(eventSigns)),
      ...(tune.parts.some((part) => accidentalIn(part.bars[index]!, bar.key)) ? ['accidental'] : []),
    ];
    for (const id of ids) found.set(id, (found.get(id) ?? new Set()).add(bar.number));
  }
  return [...found].map(([id, bars]) => ({ id, bars: [...bars] }));
}

function frameSigns(bar: Bar, before: Bar | undefined): string[] {
  return [
    ...(before === undefined || !sameMetre(bar.metre, before.metre) ? [`metre ${metreText(bar.metre)}`] : []),
    ...((before === undefined || !sameKey(bar.key, before.key)) && bar.key.fifths !== 0
      ? [`key ${bar.key.fifths}`]
      : []),
    ...(bar.repeatStart || bar.timesPlayed > 1 ? ['repeat'] : []),
    ...(bar.ending === null ? [] : ['endings']),
    ...(bar.segno ? ['segno'] : []),
    ...(bar.coda || bar.toCoda ? ['coda'] : []),
    ...(bar.fine ? ['fine'] : []),
    ...(bar.jump === null ? [] : [bar.jump.slice(0, 4)]),
  ];
}

function eventSigns(event: TuneEvent): string[] {
  return [
    ...(event.fermata ? ['fermata'] : []),
    ...(event.breath ? ['breath'] : []),
    ...(event.dynamic === null ? [] : [`dynamic ${event.dynamic}`]),
    ...(event.kind === 'note' && event.slurStarts > 0 ? ['slur'] : []),
    ...(event.kind === 'note' ? event.articulations : []),
  ];
}
