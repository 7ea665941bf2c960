import { type InstrumentLine, InstrumentList, Lending } from '@escalier/contract/instruments';
import type { Condition, Owner } from '@escalier/server/api';
import type { InstrumentId } from '@escalier/core/instruments';
import { shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import { useLoad } from '../../ui/use-load.ts';

export interface InstrumentDraft {
  readonly number: number;
  readonly owner: Owner;
  readonly condition: Condition;
  readonly note: string;
  readonly version: number;
}

/** What of an instrument is in its form. */
export function instrumentDraft({ number, owner, condition, note, version }: InstrumentLine): InstrumentDraft {
  return { number, owner, condition, note, version };
}

/** The instruments of the school: who has which, and what has to be cleaned. */
export function useInstruments() {
  const lent = shallowRef<InstrumentList | null>(null);
  const { error, load } = useLoad(async () => {
    lent.value = await ask(api.instruments.$get(), InstrumentList);
  });

  async function add(json: { kind: InstrumentId; from: number; count: number; owner: Owner }): Promise<void> {
    await ask(api.instruments.$post({ json }));
    await load();
  }

  async function change(id: string, mine: InstrumentDraft): Promise<void> {
    const there = (): InstrumentDraft | undefined => {
      const line = lent.value?.instruments.find((instrument) => instrument.id === id);
      return line === undefined ? undefined : instrumentDraft(line);
    };
    const put = (json: InstrumentDraft) => ask(api.instruments[':id'].$put({ param: { id }, json }));
    const again = async () => {
      await load();
      return there();
    };
    await saveMerged({ before: there() ?? mine, mine, put, again });
    await load();
  }

  async function remove(id: string): Promise<void> {
    await ask(api.instruments[':id'].$delete({ param: { id } }));
    await load();
  }

  async function lend(id: string, pupilId: string): Promise<void> {
    await ask(api.instruments[':id'].loans.$post({ param: { id }, json: { pupilId } }));
    await load();
  }

  async function takeBack(loanId: string): Promise<void> {
    await ask(api.instruments.loans[':id'].$delete({ param: { id: loanId } }));
    await load();
  }

  /** Without `dryRun` it is done. */
  async function lendToClass(json: { classId: string; share: boolean; dryRun: boolean }): Promise<Lending> {
    const lending = await ask(api.instruments.lend.$post({ json }), Lending);
    if (!json.dryRun) await load();
    return lending;
  }

  async function takeBackFromClass(classId: string): Promise<void> {
    await ask(api.instruments['take-back'].$post({ json: { classId } }));
    await load();
  }

  async function cleaned(ids: readonly string[]): Promise<void> {
    await ask(api.instruments.cleaned.$post({ json: { ids: [...ids] } }));
    await load();
  }

  return { lent, error, load, add, change, remove, lend, takeBack, lendToClass, takeBackFromClass, cleaned };
}

export type Instruments = ReturnType<typeof useInstruments>;
