import { TermDto, termList } from '@escalier/contract/terms';
import { NO_ROTATION, type LocalDate } from '@escalier/core/calendar';
import { shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import { useLoad } from '../../ui/use-load.ts';

/** A day that is still to be filled in is empty. */
export type DayDraft = LocalDate | '';

export interface TermDraft extends Omit<TermDto, 'id' | 'startsOn' | 'endsOn' | 'daysOff'> {
  readonly startsOn: DayDraft;
  readonly endsOn: DayDraft;
  readonly daysOff: readonly { readonly from: DayDraft; readonly to: DayDraft; readonly reason: string }[];
}

export const EMPTY_TERM: TermDraft = {
  name: '',
  startsOn: '',
  endsOn: '',
  daysOff: [],
  rotation: NO_ROTATION,
  version: 0,
};

/** The term that a day is in. */
export function termAt(terms: readonly TermDto[], day: LocalDate): TermDto | null {
  return terms.find((term) => term.startsOn <= day && day <= term.endsOn) ?? null;
}

/** The terms of the school, the latest first. */
export function useTerms() {
  const terms = shallowRef<readonly TermDto[] | null>(null);
  const { error, load } = useLoad(async () => {
    terms.value = await ask(api.terms.$get(), termList);
  });

  /** Gives the id of the term. */
  async function saveTerm(id: string | null, mine: TermDraft): Promise<string> {
    const send = ({ name, startsOn, endsOn, rotation, daysOff, version }: TermDraft) => {
      const json = { name, startsOn, endsOn, rotation, daysOff, version };
      return ask(id === null ? api.terms.$post({ json }) : api.terms[':id'].$put({ param: { id }, json }), TermDto);
    };
    const there = (): TermDto | undefined => terms.value?.find((term) => term.id === id);
    const again = async () => {
      await load();
      return there();
    };
    const kept = await saveMerged<TermDraft, TermDto>({ before: there() ?? mine, mine, put: send, again });
    await load();
    return kept.id;
  }

  return { terms, error, load, saveTerm };
}
