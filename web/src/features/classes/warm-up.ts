import { StepPage } from '@escalier/contract/class-pages';
import { api, ApiError, ask } from '../../api.ts';
import type { ClassView } from './project.ts';

const warmed = new Set<string>();
/** The screen that was opened has the network and the processor to itself so long. */
const SETTLED_MS = 3000;

/** Asks once for the tunes of a class's steps, so that the service worker has them when the network goes. */
export async function warmUp(page: ClassView): Promise<void> {
  if (warmed.has(page.id) || !('serviceWorker' in navigator)) return;
  warmed.add(page.id);
  await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
  // Who passes without a network is heard on the next step.
  const working = new Set(
    page.pupils.flatMap(({ standing }) => (standing === null ? [] : [standing.stepIndex, standing.stepIndex + 1])),
  );
  for (const step of page.steps.filter((_, index) => working.has(index))) {
    try {
      await ask(
        api.classes[':id'].steps[':position'].$get({ param: { id: page.id, position: String(step.position) } }),
        StepPage,
      );
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      warmed.delete(page.id);
      return;
    }
  }
}
