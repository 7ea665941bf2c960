import { openDevice } from './database.ts';
import { importKey } from './seal.ts';

/**
 * The key that seals what is not sent yet, as this device keeps it until somebody signs out: it can be used here, and read
 * out of no cache and no database.
 * @param ask brings the key from the school, 256 bits in base64url.
 * @returns null where the browser has no cryptography, or the school could not be asked the first time.
 */
export async function keptKey(account: string, ask: () => Promise<string>): Promise<CryptoKey | null> {
  try {
    const database = await openDevice();
    try {
      const kept = await database.get('keys', account);
      if (kept !== undefined) return kept.key;
      const key = await importKey(await ask());
      if (key !== null) await database.put('keys', { account, key });
      return key;
    } finally {
      database.close();
    }
  } catch {
    // A browser that keeps nothing asks each time.
    return ask().then(importKey, () => null);
  }
}
