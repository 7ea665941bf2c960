import type { BeltList, BeltStock, ClassBelts } from '@escalier/contract/instruments';
import { t } from './messages.ts';

/** What one belt needs over all classes, against what is in stock. */
export interface BeltNeed {
  readonly belt: string;
  readonly way: BeltStock['way'];
  readonly passed: number;
  readonly likely: number;
  readonly atMost: number;
  /** Pieces, or centimetres of cord; 0 when the stock is enough. */
  readonly missing: number;
  /** The sums in words, a line each. */
  readonly sums: readonly string[];
}

/** How many of each belt are earned and not handed out yet. */
export function waitingBelts(earned: readonly ClassBelts[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { belt, givenAt } of earned.flatMap((each) => each.earned))
    if (givenAt === null) counts.set(belt, (counts.get(belt) ?? 0) + 1);
  return counts;
}

/** Only belts that some staircase has, in their order; those to come are counted at most, so that nobody goes without. */
export function beltNeeds(
  classes: BeltList['classes'],
  stock: readonly BeltStock[],
  waiting: ReadonlyMap<string, number>,
): readonly BeltNeed[] {
  return stock.flatMap((each): readonly BeltNeed[] => {
    const steps = classes.flatMap((one) =>
      one.steps
        .filter((step) => step.belt === each.belt)
        .map((step) => ({ ...step, name: one.name, left: one.lessonsLeft })),
    );
    if (steps.length === 0) return [];
    const total = (count: (step: (typeof steps)[number]) => number): number =>
      steps.reduce((sum, step) => sum + count(step), 0);
    const atMost = total((step) => step.atMost);
    const perClass = steps.map((step) =>
      t('belt-needs.name-step-position-passed-passed-likely', {
        name: step.name,
        position: step.position,
        passed: step.passed,
        likely: step.likely,
        atMost: step.atMost,
        left: step.left,
      }),
    );
    const now = waiting.get(each.belt) ?? 0;
    const { needed, line } = neededOf(each, now, atMost);
    return [
      {
        belt: each.belt,
        way: each.way,
        passed: total((step) => step.passed),
        likely: total((step) => step.likely),
        atMost,
        missing: Math.max(0, needed - each.onHand),
        sums: [
          ...perClass,
          line,
          t('belt-needs.short-needed-on-hand-in-stock', {
            needed,
            onHand: each.onHand,
            number: Math.max(0, needed - each.onHand),
          }),
        ],
      },
    ];
  });
}

/** Those to hand out now, and those that may come. */
function neededOf(
  { way, cmEach, reservePercent }: BeltStock,
  now: number,
  toCome: number,
): { needed: number; line: string } {
  const count = now + toCome;
  if (way === 'pieces')
    return { needed: count, line: t('belt-needs.needed-now-to-hand-out-come', { now, come: toCome, count }) };
  const needed = Math.ceil((count * cmEach * (100 + reservePercent)) / 100);
  return {
    needed,
    line: t('belt-needs.cord-now-come-count-cm-each', { now, come: toCome, count, cmEach, reservePercent, needed }),
  };
}

/** "12 more", "4.2 m more", "enough". */
export function stockWords({ missing, way }: BeltNeed): string {
  if (missing === 0) return 'enough';
  return way === 'pieces'
    ? t('belt-needs.missing-more', { missing })
    : t('belt-needs.number-m-more', { number: (Math.ceil(missing / 10) / 10).toFixed(1) });
}
