import type { TuneUse } from '@escalier/contract/tunes';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { Problem } from '../../platform/problem.ts';
import { logChange } from '../changes/index.ts';
import { resultsWithTune } from '../hearing/index.ts';
import { stepsWithTune } from '../staircase/index.ts';
import { oneTune, TuneEntity } from '../tunes/index.ts';
import { t } from '../../platform/messages.ts';

/** Where a tune is used. @throws Problem 404 when the school has no such tune. */
export async function tuneUse(em: EntityManager, user: SignedIn, id: string): Promise<TuneUse> {
  const { archived } = await oneTune(em, user, id);
  return { steps: await stepsWithTune(em, id), results: await resultsWithTune(em, id), archived };
}

/**
 * Deletes a tune, or archives it when results name it.
 * @throws Problem 409 when it stands on a staircase, with where.
 */
export async function deleteTune(
  em: EntityManager,
  user: SignedIn,
  id: string,
): Promise<{ readonly archived: boolean }> {
  return em.transactional(async (tx) => {
    // Nobody records a result with it meanwhile.
    await tx.execute('select id from tune where id = ? for update', [id]);
    const { title } = await oneTune(tx, user, id);
    const { steps, results } = await tuneUse(tx, user, id);
    if (steps.length > 0) {
      const where = steps
        .map(({ staircase, position }) => t('service.staircase-step-position', { staircase, position }))
        .join('; ');
      throw new Problem(409, 'in-use', t('service.title-is-on-a-staircase-remove', { title, where }));
    }
    const archived = results > 0;
    if (archived) await tx.nativeUpdate(TuneEntity, { id }, { archived: true });
    else await tx.nativeDelete(TuneEntity, { id });
    await logChange(tx, user, id, { code: archived ? 'tune-archived' : 'tune-deleted', title });
    return { archived };
  });
}
