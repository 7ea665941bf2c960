import { pageWorker } from './page-worker.ts';
import type { PlanningWorker } from './planning.worker.ts';
import { t } from '../messages.ts';

/** A worker that plans, for one page. */
export function planningWorker() {
  return pageWorker<PlanningWorker>(
    () => new Worker(new URL('./planning.worker.ts', import.meta.url), { type: 'module', name: 'planning' }),
    t('planning.the-planner-has-stopped-please-try'),
  );
}
