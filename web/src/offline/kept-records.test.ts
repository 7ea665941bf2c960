import '../testing/own-database.ts';
import { expect, it } from 'vitest';
import { openDevice } from './database.ts';
import type { HeldDevice } from './held-device.ts';
import { keptRecordsOn } from './kept-records.ts';

const HEARD = {
  kind: 'heard',
  id: 'a',
  pupilId: 'ann',
  stepId: 'one',
  outcome: 'passed',
  remarks: [],
  heardAt: '2026-03-03T09:10:00.000Z',
} as const;

it('records that an earlier version has kept otherwise are asked for anew', async () => {
  const database = await openDevice('kept-records');
  const device = { get: () => Promise.resolve({ database }) } as unknown as HeldDevice;
  const { keepRecords, keptRecords } = keptRecordsOn(device, () => 'mara@osierbridge.example');
  await keepRecords({ classId: 'c', events: [HEARD], last: 7 });
  expect(await keptRecords('c')).toMatchObject({ events: [HEARD], last: 7 });
  const before = {
    account: 'mara@osierbridge.example',
    classId: 'c',
    last: 7,
    events: [{ kind: 'heard', who: 'Ann' }],
  };
  await database.put('records', before as never);
  expect(await keptRecords('c')).toBeNull();
});
