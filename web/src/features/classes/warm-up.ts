import type { ClassPage } from '@escalier/server/api';
import { api, ApiError, ask } from '../../api.ts';

const warmed = new Set<string>();

/** Asks once for the tunes of a class's steps, so that the service worker has them when the network goes. */
export async function warmUp(page: ClassPage): Promise<void> {
  if (warmed.has(page.id) || !('serviceWorker' in navigator)) return;
  warmed.add(page.id);
  const working = new Set(page.pupils.flatMap((pupil) => pupil.standing?.stepIndex ?? []));
  for (const step of page.steps.filter((_, index) => working.has(index))) {
    try {
      await ask(
        api.classes[':id'].steps[':position'].$get({ param: { id: page.id, position: String(step.position) } }),
      );
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      warmed.delete(page.id);
      return;
    }
  }
}
