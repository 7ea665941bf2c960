import { useEventListener } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import * as z from 'zod/mini';
import { api, ApiError, ask } from '../../api.ts';
import { deviceAccount, useKeptList } from '../../offline/index.ts';

/** A pupil was away on a day, or was not after all; waits on this device until the school has it. No name is kept. */
const Absence = z.object({ account: z.string(), pupilId: z.string(), date: z.string(), absent: z.boolean() });
type Absence = z.output<typeof Absence>;

/** Who was noted as away here, seen at once, with a network or without, and told to the school as soon as there is a way. */
export const useAway = defineStore('away', () => {
  const kept = useKeptList('escalier-away', Absence);
  const mine = computed(() => kept.list.value.filter(({ account }) => account === (deviceAccount.get() ?? '')));
  let sending = false;

  /** @throws ApiError with a sentence when the school refuses it; without a network it waits here. */
  async function note(pupilId: string, date: string, absent: boolean): Promise<void> {
    const absence = { account: deviceAccount.get() ?? '', pupilId, date, absent };
    const isSame = (each: Absence): boolean =>
      each.pupilId === pupilId && each.date === date && each.account === absence.account;
    kept.change((now) => [...now.filter((each) => !isSame(each)), absence]);
    await send();
  }

  /** In their order; stops at the first that finds no way. */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      for (let next = mine.value[0]; next !== undefined; next = mine.value[0]) {
        const sent = next;
        const { pupilId, date, absent } = sent;
        try {
          await ask(api.pupils[':id'].absence.$put({ param: { id: pupilId }, json: { date, absent } }));
        } catch (problem) {
          if (!(problem instanceof ApiError)) throw problem;
          if (problem.status < 400 || problem.status >= 500 || problem.code === 'signed-out') return;
          drop(sent);
          throw problem;
        }
        drop(sent);
      }
    } finally {
      sending = false;
    }
  }

  function drop(sent: Absence): void {
    kept.change((now) =>
      now.filter((each) => each.pupilId !== sent.pupilId || each.date !== sent.date || each.absent !== sent.absent),
    );
  }

  useEventListener(window, 'online', () => void send().catch(() => undefined));

  /** What this device says of a pupil on a day; undefined where it says nothing. */
  function isAway(pupilId: string, date: string): boolean | undefined {
    return mine.value.find((each) => each.pupilId === pupilId && each.date === date)?.absent;
  }

  return { mine, note, send, isAway };
});
