import type { RisePart } from '@escalier/core/staircase';
import type { RouteLocationRaw } from 'vue-router';

/** A step as its picture needs it. */
export interface StairStep {
  readonly id: string;
  readonly position: number;
  readonly title: string;
  readonly belt: string;
  /** Lessons planned for it. */
  readonly lessons: number;
  readonly rise: { readonly total: number; readonly parts?: readonly RisePart[] };
  /** What it brings, in few words. */
  readonly things: readonly string[];
  /** Where its label leads; without it the step can be chosen. */
  readonly to?: RouteLocationRaw;
  /** Something is to be said of it. */
  readonly mark?: 'hint' | 'problem' | null;
}
