import type { HandoutsWorker } from './handouts.worker.ts';
import { pageWorker } from './page-worker.ts';
import { t } from '../messages.ts';

export type { PrintRequest, HandoutView } from './handouts.worker.ts';

/** The press: a worker that sets and prints sheets, for one page. */
export function handoutsWorker() {
  return pageWorker<HandoutsWorker>(
    () => new Worker(new URL('./handouts.worker.ts', import.meta.url), { type: 'module', name: 'handouts' }),
    t('handouts.the-sheets-could-not-be-set'),
  );
}
