import type { HeardEvent, Outcome } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { useOutbox } from '../../offline/index.ts';
import { heardEvent, undoneEvent, type HeardDraft } from './events.ts';

export interface LastRecord {
  readonly event: HeardEvent;
  readonly classId: string;
  readonly pupilName: string;
  readonly outcome: Outcome;
  readonly position: number;
}

const MOST_UNDO = 30;

/** What was recorded last on this device, and whether the school has it. */
export const useHearing = defineStore('hearing', () => {
  const outbox = useOutbox();
  const done = shallowRef<readonly LastRecord[]>([]);
  const error = ref<string | null>(null);
  const last = computed(() => done.value.at(-1) ?? null);
  /** Whether the last record is at school, or here only. */
  const atSchool = computed(() => outbox.waiting.every((kept) => kept.event.id !== last.value?.event.id));

  /** Seen at once. Gives whether it is kept, on this device at least. */
  async function hear(classId: string, draft: HeardDraft, pupilName: string, position: number): Promise<boolean> {
    const event = heardEvent(draft, new Date());
    const record = { event, classId, pupilName, outcome: draft.outcome, position };
    done.value = [...done.value.slice(-MOST_UNDO), record];
    error.value = null;
    try {
      await outbox.add(classId, event);
      return true;
    } catch (problem) {
      done.value = done.value.filter((each) => each !== record);
      error.value = `Not recorded: ${pupilName}. ${problem instanceof Error ? problem.message : ''}`;
      return false;
    }
  }

  /** Takes the last record back, and then the one before it. */
  async function undo(): Promise<void> {
    const record = last.value;
    if (record === null) return;
    error.value = null;
    done.value = done.value.slice(0, -1);
    try {
      await outbox.add(record.classId, undoneEvent(record.event, new Date()));
    } catch (problem) {
      done.value = [...done.value, record];
      error.value = `Not undone. ${problem instanceof Error ? problem.message : ''}`;
    }
  }

  /** Takes any hearing back. */
  async function takeBack(classId: string, event: HeardEvent): Promise<void> {
    error.value = null;
    try {
      await outbox.add(classId, undoneEvent(event, new Date()));
      done.value = done.value.filter((each) => each.event.id !== event.id);
    } catch (problem) {
      error.value = `Not undone. ${problem instanceof Error ? problem.message : ''}`;
    }
  }

  return { last, atSchool, error, hear, undo, takeBack };
});
