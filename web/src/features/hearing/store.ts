import type { HeardEvent, Outcome } from '@escalier/core/records';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { useOutbox } from '../../offline/index.ts';
import { useAway } from '../classes/index.ts';
import { heardAgain, heardEvent, undoneEvent, type HeardDraft } from './events.ts';
import { t } from './messages.ts';

interface Noted {
  readonly classId: string;
  readonly pupilId: string;
  readonly pupilName: string;
}

/** What was noted last and can be undone: a hearing, or that somebody is away. */
export type LastRecord =
  | (Noted & {
      readonly kind: 'heard';
      readonly event: HeardEvent;
      readonly outcome: Outcome;
      readonly position: number;
      /** Part of the tune only. */
      readonly part: boolean;
    })
  | (Noted & { readonly kind: 'away'; readonly date: string });

const MOST_UNDO = 30;

/** What was recorded last on this device, and whether the school has it. */
export const useHearing = defineStore('hearing', () => {
  const outbox = useOutbox();
  const away = useAway();
  const done = shallowRef<readonly LastRecord[]>([]);
  const error = ref<string | null>(null);
  const last = computed(() => done.value.at(-1) ?? null);
  /** Whether the last record is at school, or here only. */
  const atSchool = computed(() => {
    const record = last.value;
    if (record?.kind === 'away') return away.isAway(record.pupilId, record.date) === undefined;
    return outbox.waiting.every((kept) => kept.event.id !== record?.event.id);
  });

  /** Seen at once. Gives whether it is kept, on this device at least. */
  async function hear(classId: string, draft: HeardDraft, pupilName: string, position: number): Promise<boolean> {
    const event = heardEvent(draft, new Date());
    const { pupilId, outcome, extent } = draft;
    const part = extent !== undefined;
    const record: LastRecord = { kind: 'heard', event, classId, pupilId, pupilName, outcome, position, part };
    done.value = [...done.value.slice(-MOST_UNDO), record];
    error.value = null;
    try {
      await outbox.add(classId, event);
      return true;
    } catch (problem) {
      done.value = done.value.filter((each) => each !== record);
      error.value = t('store.not-recorded-pupil-name-message', {
        pupilName,
        message: problem instanceof Error ? problem.message : '',
      });
      return false;
    }
  }

  /** Notes that a pupil is away today. Gives whether it is kept, on this device at least. */
  async function noteAway(pupil: Noted, date: string): Promise<boolean> {
    const record: LastRecord = { kind: 'away', date, ...pupil };
    done.value = [...done.value.slice(-MOST_UNDO), record];
    error.value = null;
    try {
      await away.note(pupil.pupilId, date, true);
      return true;
    } catch (problem) {
      done.value = done.value.filter((each) => each !== record);
      error.value = t('store.not-marked-away-pupil-name-message', {
        pupilName: pupil.pupilName,
        message: problem instanceof Error ? problem.message : '',
      });
      return false;
    }
  }

  /** Takes the last record back, and then the one before it. Gives what was taken back; null when nothing was. */
  async function undo(): Promise<LastRecord | null> {
    const record = last.value;
    if (record === null) return null;
    error.value = null;
    done.value = done.value.slice(0, -1);
    try {
      if (record.kind === 'away') await away.note(record.pupilId, record.date, false);
      else await outbox.add(record.classId, undoneEvent(record.event, new Date()));
      return record;
    } catch (problem) {
      done.value = [...done.value, record];
      error.value = t('store.not-undone-message', { message: problem instanceof Error ? problem.message : '' });
      return null;
    }
  }

  /** Takes any hearing back, with the reason. @throws Error with a sentence when neither device nor school keeps it. */
  async function takeBack(classId: string, event: HeardEvent, reason: string): Promise<void> {
    await outbox.add(classId, undoneEvent(event, new Date(), reason));
    done.value = done.value.filter((record) => record.kind !== 'heard' || record.event.id !== event.id);
  }

  /** Brings back what was taken back. @throws Error with a sentence when neither device nor school keeps it. */
  const restore = (classId: string, event: HeardEvent): Promise<void> => outbox.add(classId, heardAgain(event));

  return { last, atSchool, error, hear, noteAway, undo, takeBack, restore };
});
