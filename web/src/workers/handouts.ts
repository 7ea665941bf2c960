import type { HandoutsWorker } from './handouts.worker.ts';
import { pageWorker } from './page-worker.ts';
import handoutsWorkerUrl from './handouts.worker.ts?worker&url';
import { inEnglishOfPage } from '../english.ts';
import { t } from '../messages.ts';

export type { PrintRequest, HandoutView } from './handouts.worker.ts';

/** The press: a worker that sets and prints sheets, for one page. */
export function handoutsWorker() {
  return pageWorker<HandoutsWorker>(
    () => new Worker(inEnglishOfPage(handoutsWorkerUrl), { type: 'module', name: 'handouts' }),
    t('handouts.the-sheets-couldnt-be-made-please'),
  );
}
