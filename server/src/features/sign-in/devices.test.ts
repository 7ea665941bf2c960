import { addDays } from 'date-fns';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_TEACHER } from '../../demo/school.ts';
import { hashToken } from '../../platform/ids.ts';
import { createTestApp, TEST_NOW, type TestApp } from '../../testing/index.ts';
import { AccountEntity } from '../accounts/index.ts';
import { DEVICE_DAYS, forgetDevices, isKnownDevice, knowDevice } from './devices.ts';
import { KnownDeviceEntity } from './entities.ts';

let test: TestApp;
let mara: string;
beforeAll(async () => {
  test = await createTestApp();
  mara = (await test.orm.em.fork().findOneOrFail(AccountEntity, { email: DEMO_TEACHER.email })).id;
});
afterAll(() => test.close());

const fresh = () => test.orm.em.fork();
const knows = (token: string | undefined, email: string = DEMO_TEACHER.email) => isKnownDevice(fresh(), token, email);

describe('a device', () => {
  it('is known to the account that was signed in to there, in whatever case its e-mail is typed', async () => {
    const token = await knowDevice(fresh(), mara, undefined, TEST_NOW);
    expect(await knows(token)).toBe(true);
    expect(await knows(token, DEMO_TEACHER.email.toUpperCase())).toBe(true);
    expect(await knows(token, 'nobody@osierbridge.example')).toBe(false);
    expect(await knows('a token that somebody made up')).toBe(false);
    expect(await knows(undefined)).toBe(false);
  });

  it('keeps its token when somebody signs in again, and the database knows only a hash of it', async () => {
    const token = await knowDevice(fresh(), mara, undefined, TEST_NOW);
    expect(await knowDevice(fresh(), mara, token, addDays(TEST_NOW, 3))).toBe(token);
    const rows = await fresh().find(KnownDeviceEntity, { tokenHash: hashToken(token) });
    expect(rows.map(({ seenAt }) => seenAt)).toEqual([addDays(TEST_NOW, 3)]);
    expect(JSON.stringify(await fresh().findAll(KnownDeviceEntity))).not.toContain(token);
  });

  it('is a strange one again when nobody has signed in there for long, and with a new password', async () => {
    const old = await knowDevice(fresh(), mara, undefined, TEST_NOW);
    const other = await knowDevice(fresh(), mara, undefined, addDays(TEST_NOW, DEVICE_DAYS + 1));
    expect([await knows(old), await knows(other)]).toEqual([false, true]);
    await forgetDevices(fresh(), mara);
    expect(await knows(other)).toBe(false);
  });

  it('of an account that was closed is known no more', async () => {
    const token = await knowDevice(fresh(), mara, undefined, TEST_NOW);
    await fresh().nativeUpdate(AccountEntity, { id: mara }, { closedAt: TEST_NOW });
    expect(await knows(token)).toBe(false);
    await fresh().nativeUpdate(AccountEntity, { id: mara }, { closedAt: null });
    expect(await knows(token)).toBe(true);
  });
});
