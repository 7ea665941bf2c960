import { StaircaseDto } from '@escalier/contract/staircases';
import { api, ask } from '../../api.ts';
import { contentOf, draftOf, type Changed, type Draft } from './draft.ts';

/** Changes a staircase as the school has it just now. @returns why it cannot be changed so; null when it is saved. */
export async function changeStaircase(id: string, make: (draft: Draft) => Changed): Promise<string | null> {
  const param = { id };
  const stairs = await ask(api.staircases[':id'].$get({ param }), StaircaseDto);
  const changed = make(draftOf(stairs));
  if (!changed.ok) return changed.error;
  await ask(
    api.staircases[':id'].$put({ param, json: { ...contentOf(changed.value), version: stairs.version } }),
    StaircaseDto,
  );
  return null;
}
