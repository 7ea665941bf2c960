import { NO_ROTATION } from '@escalier/core/calendar';
import type { TermDto } from '@escalier/server/api';
import { shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';

export type TermDraft = Omit<TermDto, 'id'>;

export const EMPTY_TERM: TermDraft = { name: '', startsOn: '', endsOn: '', daysOff: [], rotation: NO_ROTATION };

/** The terms of the school, the latest first. */
export function useTerms() {
  const terms = shallowRef<readonly TermDto[] | null>(null);
  const { error, load } = useLoad(async () => {
    terms.value = await ask(api.terms.$get());
  });

  /** Gives the id of the term. */
  async function keep(id: string | null, { daysOff, ...rest }: TermDraft): Promise<string> {
    const json = { ...rest, daysOff: daysOff.map((off) => ({ ...off })) };
    const kept = await ask(id === null ? api.terms.$post({ json }) : api.terms[':id'].$put({ param: { id }, json }));
    await load();
    return kept.id;
  }

  return { terms, error, load, keep };
}
