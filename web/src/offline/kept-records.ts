import type { KeptRecords } from './database.ts';
import type { HeldDevice } from './held-device.ts';

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
      return (await (await device.get()).database.get('records', [email, classId])) ?? null;
    } catch {
      return null;
    }
  }

  return { keepRecords, keptRecords };
}
