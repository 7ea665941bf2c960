import { pageWorker } from './page-worker.ts';
import type { PlanningWorker } from './planning.worker.ts';
import planningWorkerUrl from './planning.worker.ts?worker&url';
import { inEnglishOfPage } from '../english.ts';
import { t } from '../messages.ts';

/** A worker that plans, for one page. */
export function planningWorker() {
  return pageWorker<PlanningWorker>(
    () => new Worker(inEnglishOfPage(planningWorkerUrl), { type: 'module', name: 'planning' }),
    t('planning.the-planner-has-stopped-please-try'),
  );
}
