import type { EntityManager } from '../platform/database.ts';
import { ClassEntity } from '../features/classes/index.ts';
import { DoorEntity, DoorKeyEntity } from '../features/home/index.ts';
import { InvitationEntity } from '../features/people/index.ts';
import { KnownDeviceEntity, SessionEntity } from '../features/sign-in/index.ts';

/** How many of each were open in the copy. */
export interface Ended {
  readonly sessions: number;
  readonly devices: number;
  readonly slips: number;
  readonly links: number;
  readonly calendars: number;
}

/** What was ended after a copy was made would be open again in it: everybody signs in anew, and slips are printed anew. */
export async function endAccess(tx: EntityManager): Promise<Ended> {
  const sessions = await tx.nativeDelete(SessionEntity, {});
  const devices = await tx.nativeDelete(KnownDeviceEntity, {});
  await tx.nativeDelete(DoorKeyEntity, {});
  const slips = await tx.nativeDelete(DoorEntity, {});
  const links = await tx.nativeDelete(InvitationEntity, {});
  const calendars = await tx.nativeUpdate(ClassEntity, { calendarToken: { $ne: null } }, { calendarToken: null });
  return { sessions, devices, slips, links, calendars };
}
