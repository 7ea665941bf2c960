import { storedEvent } from '@escalier/contract/results';
import * as z from 'zod/mini';
import type { KeptRecords } from './database.ts';
import type { HeldDevice } from './held-device.ts';

/** What an earlier version has kept otherwise is asked for anew. */
const known: z.ZodMiniType<KeptRecords> = z.object({
  account: z.string(),
  classId: z.string(),
  events: z.array(storedEvent),
  last: z.number(),
});

/** Records of classes as this device last had them, so that only what is new is asked for. */
export function keptRecordsOn(device: HeldDevice, account: () => string | null) {
  async function keepRecords(records: Omit<KeptRecords, 'account'>): Promise<void> {
    const email = account();
    if (email === null) return;
    try {
      await (await device.get()).database.put('records', { account: email, ...records });
    } catch {
      // Without room for it the class is asked for anew; what was recorded here stands in the outbox.
    }
  }

  async function keptRecords(classId: string): Promise<KeptRecords | null> {
    const email = account();
    if (email === null) return null;
    try {
      const read = z.safeParse(known, await (await device.get()).database.get('records', [email, classId]));
      return read.success ? read.data : null;
    } catch {
      return null;
    }
  }

  return { keepRecords, keptRecords };
}
