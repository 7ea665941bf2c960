import type { Outcome } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { heardEvent, undoneEvent, type HeardDraft } from './events.ts';

export interface LastRecord {
  readonly id: string;
  readonly pupilName: string;
  readonly outcome: Outcome;
  readonly position: number;
}

/** What was recorded last on this device, and whether the school has it. */
export const useHearing = defineStore('hearing', () => {
  const last = ref<LastRecord | null>(null);
  const busy = ref(false);
  const error = ref<string | null>(null);

  async function guarded(work: () => Promise<void>): Promise<boolean> {
    if (busy.value) return false;
    busy.value = true;
    error.value = null;
    try {
      await work();
      return true;
    } catch (problem) {
      if (!(problem instanceof ApiError)) throw problem;
      error.value = `Not recorded. ${problem.message}`;
      return false;
    } finally {
      busy.value = false;
    }
  }

  /** Gives whether the school has stored it. */
  function hear(draft: HeardDraft, pupilName: string, position: number): Promise<boolean> {
    return guarded(async () => {
      const event = heardEvent(draft, new Date());
      await ask(api.hearing.events.$post({ json: event }));
      last.value = { id: event.id, pupilName, outcome: draft.outcome, position };
    });
  }

  function undo(): Promise<boolean> {
    return guarded(async () => {
      if (last.value === null) return;
      await ask(api.hearing.events.$post({ json: undoneEvent(last.value.id, new Date()) }));
      last.value = null;
    });
  }

  return { last, busy, error, hear, undo };
});
