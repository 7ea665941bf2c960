import type { Standing } from './standings.ts';
import { t } from './messages.ts';

/**
 * What a pass counts towards a mark of the school: nothing; points on top for each step; or a share of some points, by
 * the steps passed of those planned. Never a mark by itself.
 */
export type PointsRule =
  | { readonly kind: 'none' }
  | { readonly kind: 'bonus'; readonly perStep: number; readonly most: number }
  | { readonly kind: 'share'; readonly outOf: number; readonly steps: number };

export interface Points {
  readonly points: number;
  /** The sum as it is worked out. */
  readonly sum: string;
}

/** Points to one decimal. Steps below a late joiner's start are not counted against them. */
export function pointsOf(standing: Standing, startStepIndex: number, rule: PointsRule): Points {
  const passed = standing.passedSteps;
  switch (rule.kind) {
    case 'none':
      return { points: 0, sum: t('points.passes-do-not-count') };
    case 'bonus': {
      const points = toTenths(Math.min(rule.most, passed * rule.perStep));
      return {
        points,
        sum: t('points.passed-per-step-at-most-most', { passed, perStep: rule.perStep, most: rule.most, points }),
      };
    }
    case 'share': {
      const planned = Math.max(1, rule.steps - startStepIndex);
      const counted = Math.min(passed, planned);
      const points = toTenths((rule.outOf * counted) / planned);
      return {
        points,
        sum: t('points.out-counted-of-planned-steps-points', { out: rule.outOf, counted, planned, points }),
      };
    }
  }
}

function toTenths(points: number): number {
  return Math.round(points * 10) / 10;
}
