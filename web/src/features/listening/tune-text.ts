import { TuneDto } from '@escalier/contract/tunes';
import { api, ask } from '../../api.ts';

const tunes = new Map<string, Promise<string>>();

/** The text of a tune; asked for once. */
export function tuneText(tuneId: string): Promise<string> {
  const known = tunes.get(tuneId);
  if (known !== undefined) return known;
  const asked = ask(api.tunes[':id'].$get({ param: { id: tuneId } }), TuneDto).then(({ abc }) => abc);
  asked.catch(() => tunes.delete(tuneId));
  tunes.set(tuneId, asked);
  return asked;
}
