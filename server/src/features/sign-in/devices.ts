import { subDays } from 'date-fns';
import type { EntityManager } from '../../platform/database.ts';
import { hashToken, newToken } from '../../platform/ids.ts';
import { KnownDeviceEntity } from './entities.ts';

/** A device that nobody signs in at for so long becomes a strange one again. */
export const DEVICE_DAYS = 400;

/** Whether somebody signed in to this account at this device before: then guesses of strangers do not slow it down. */
export async function isKnownDevice(em: EntityManager, token: string | undefined, email: string): Promise<boolean> {
  if (token === undefined) return false;
  const rows = await em.execute<unknown[]>(
    `select 1 from known_device d join account a on a.id = d.account_id
    where d.token_hash = ? and a.email = ? and a.closed_at is null`,
    [hashToken(token), email.toLowerCase()],
  );
  return rows.length > 0;
}

/**
 * Notes that an account was signed in to here. Several accounts may share a device: each has a row of its own.
 * @param token that the device brought; a new one is made where it brought none.
 * @returns the token for its cookie.
 */
export async function knowDevice(
  em: EntityManager,
  accountId: string,
  token: string | undefined,
  now: Date,
): Promise<string> {
  const kept = token ?? newToken();
  await em.nativeDelete(KnownDeviceEntity, { seenAt: { $lt: subDays(now, DEVICE_DAYS) } });
  await em.upsert(KnownDeviceEntity, { tokenHash: hashToken(kept), account: accountId, seenAt: now });
  return kept;
}

/** With a new password every device is a strange one. */
export async function forgetDevices(em: EntityManager, accountId: string): Promise<void> {
  await em.nativeDelete(KnownDeviceEntity, { account: accountId });
}
