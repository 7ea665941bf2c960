import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const run = (sql: string, values: readonly unknown[] = []) => test.orm.em.fork().execute(sql, [...values]);

describe('the database itself', () => {
  it('keeps a pupil in the school of the class', async () => {
    const other = randomUUID();
    await run(`insert into school (id, name, time_zone) values (?, 'Other', 'UTC')`, [other]);
    await expect(run(`update pupil set school_id = ?`, [other])).rejects.toThrow('pupil_class_of_school_foreign');
  });

  it('takes back and corrects nothing that is no record', async () => {
    const copy = (column: string): string => `
      insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks,
        details, ${column}, reason, heard_at, device_ahead, received_at)
      select gen_random_uuid(), school_id, school_class_id, account_id, ${column === 'undoes' ? "'undone'" : "'heard'"},
        pupil_id, step_id, ${column === 'undoes' ? 'null' : 'outcome'}, '[]', '{}', gen_random_uuid(), '', now(), 0, now()
      from record_event where kind = 'heard' limit 1`;
    await expect(run(copy('undoes'))).rejects.toThrow('record_event_undoes_foreign');
    await expect(run(copy('corrects'))).rejects.toThrow('record_event_corrects_foreign');
  });

  it('lets no two steps stand in one place', async () => {
    await expect(run(`update step set position = 1`)).rejects.toThrow('step_staircase_id_position_unique');
  });
});
