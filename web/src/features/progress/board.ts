import type { Standing, StepStanding } from '@escalier/core/records';
import type { ClassView, PupilView } from '../classes/index.ts';
import { dayOfMoment } from '../../ui/dates.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

export const SORTS = [
  { value: 'name', text: t('board.name') },
  { value: 'step', text: t('board.step') },
  { value: 'wait', text: t('board.wait') },
] as const;
export type Sort = (typeof SORTS)[number]['value'];

export const FILTERS = [
  { value: 'all', text: t('board.all') },
  { value: 'nearly', text: t('board.nearly') },
  { value: 'stuck', text: t('board.stuck') },
  { value: 'unheard', text: t('board.waiting-2-2') },
] as const;
export type Filter = (typeof FILTERS)[number]['value'];

export type CellState = 'passed' | 'nearly' | 'tried' | 'below' | 'unheard';

/** One pupil on one step. */
export interface BoardCell {
  readonly key: string;
  readonly stepIndex: number;
  readonly state: CellState;
  /** The step that the pupil works on. */
  readonly here: boolean;
  /** What stands in the cell: the day of the pass, or how many tries. */
  readonly text: string;
  readonly words: string;
}

export interface BoardRow {
  readonly pupil: PupilView;
  readonly standing: Standing;
  readonly waits: number;
  readonly cells: readonly BoardCell[];
}

/** The rows of the board: those that the filter lets through, sorted. */
export function boardRows(page: ClassView, sort: Sort, filter: Filter, search: string): readonly BoardRow[] {
  const waits = new Map(page.queue.map((place) => [place.pupilId, place.lessons]));
  const stuck = new Set(page.stuck.map((each) => each.pupilId));
  const wanted = search.trim().toLocaleLowerCase();
  return page.pupils
    .flatMap((pupil): BoardRow[] => {
      const { standing } = pupil;
      if (standing === null || !pupil.name.toLocaleLowerCase().includes(wanted)) return [];
      const row = { pupil, standing, waits: waits.get(pupil.id) ?? 0 };
      if (filter === 'nearly' && standing.state !== 'nearly') return [];
      if (filter === 'stuck' && !stuck.has(pupil.id)) return [];
      if (filter === 'unheard' && row.waits < 2) return [];
      return [{ ...row, cells: cellsOf(page, pupil, standing) }];
    })
    .toSorted((a, b) => compare(sort, a, b));
}

function compare(sort: Sort, a: BoardRow, b: BoardRow): number {
  const byName = a.pupil.name.localeCompare(b.pupil.name);
  if (sort === 'step') return b.standing.stepIndex - a.standing.stepIndex || byName;
  return sort === 'wait' ? b.waits - a.waits || byName : byName;
}

function cellsOf(page: ClassView, pupil: PupilView, standing: Standing): readonly BoardCell[] {
  const byStep = new Map(standing.steps.map((step) => [step.stepId, step]));
  return page.steps.map((step, stepIndex): BoardCell => {
    const heard = byStep.get(step.id);
    const below = stepIndex < pupil.startStep - 1;
    const state = stateOf(heard, below);
    return {
      key: `${pupil.id} ${stepIndex}`,
      stepIndex,
      state,
      here: standing.stepIndex === stepIndex,
      text:
        heard === undefined
          ? ''
          : heard.passedAt !== null
            ? dayOfMoment(heard.passedAt, page.timeZone)
            : `${heard.tries}×`,
      words: t('board.name-step-position-words', {
        name: pupil.name,
        position: step.position,
        words: wordsOf(heard, below, page.timeZone),
      }),
    };
  });
}

function stateOf(heard: StepStanding | undefined, below: boolean): CellState {
  if (heard === undefined) return below ? 'below' : 'unheard';
  if (heard.passed) return 'passed';
  return heard.lastOutcome === 'nearly' ? 'nearly' : 'tried';
}

function wordsOf(heard: StepStanding | undefined, below: boolean, timeZone: string): string {
  if (heard === undefined) return below ? t('board.joined-on-a-later-step') : t('board.not-heard');
  const tries = counted('tries', { n: heard.tries });
  if (heard.passedAt !== null)
    return t('board.passed-on-day-tries', { day: dayOfMoment(heard.passedAt, timeZone), tries });
  return t('board.tries-value-last-on-day', {
    tries,
    nearly: heard.nearly === 0 ? t('board.none-nearly') : t('board.nearly-nearly', { nearly: heard.nearly }),
    day: dayOfMoment(heard.lastHeardAt, timeZone),
  });
}

/** Where a key moves to on the board, like in a sheet; null for a key that does not move. */
export function moved(
  [row, column]: readonly [number, number],
  key: string,
  rows: number,
  columns: number,
): readonly [number, number] | null {
  const within = (value: number, count: number): number => Math.max(0, Math.min(count - 1, value));
  switch (key) {
    case 'ArrowUp':
      return [within(row - 1, rows), column];
    case 'ArrowDown':
      return [within(row + 1, rows), column];
    case 'ArrowLeft':
      return [row, within(column - 1, columns)];
    case 'ArrowRight':
      return [row, within(column + 1, columns)];
    case 'Home':
      return [row, 0];
    case 'End':
      return [row, columns - 1];
    case 'PageUp':
      return [within(row - 10, rows), column];
    case 'PageDown':
      return [within(row + 10, rows), column];
    default:
      return null;
  }
}
