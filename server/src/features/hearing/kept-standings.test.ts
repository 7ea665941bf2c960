import type { ClassSummary } from '@escalier/contract/class-pages';
import { stepRules } from '@escalier/core/classes';
import type { StepRule } from '@escalier/core/records';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import { RecordCountEntity, RecordEventEntity, KeptStandingEntity } from './entities.ts';
import { standingsOfClimbers } from './kept-standings.ts';

// What this process keeps is of this file alone: all demo schools have the same pupils.
vi.hoisted(() => vi.resetModules());

let test: TestApp;
let classId: string;
beforeAll(async () => {
  test = await createTestApp();
  const list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
  classId = list.find((each) => each.name === '4 Plover')!.id;
});
afterAll(() => test.close());

const page = () => test.view(classId);

/** Where the pupils of a class stand by what is kept. */
function fromKept({ pupils, steps }: Awaited<ReturnType<typeof page>>) {
  const here = pupils.filter((pupil) => pupil.leftOn === null);
  return standingsOfClimbers(
    test.orm.em.fork(),
    here.map(({ id, startStep, records }) => ({
      id,
      startStepIndex: startStep - 1,
      steps: stepRules(steps, 'whole'),
      records,
    })),
  );
}

describe('standings that are kept', () => {
  it('give after every new record and every undo what the table gives', async () => {
    const first = await page();
    const made: string[] = [];
    for (const [index, pupil] of first.pupils.slice(0, 6).entries()) {
      const id = v7();
      made.push(id);
      const event = {
        kind: 'heard',
        id,
        pupilId: pupil.id,
        stepId: first.steps[index % 3]!.id,
        outcome: (['passed', 'nearly', 'not-yet'] as const)[index % 3],
        remarks: [],
        heardAt: `2026-03-03T09:4${index}:00Z`,
      };
      await test.record(event);
      if (index % 2 === 1) {
        const undo = { kind: 'undone', id: v7(), undoes: made[index - 1], heardAt: '2026-03-03T09:50:00Z' };
        await test.record(undo);
      }
      const now = await page();
      expect(await fromKept(now)).toEqual(now.pupils.flatMap((pupil) => pupil.standing ?? []));
    }
  });

  it('are known by their number, which the database counts', async () => {
    const em = test.orm.em.fork();
    const counts = await em.findAll(RecordCountEntity);
    for (const { pupil, count } of counts.slice(0, 10))
      expect(await em.count(RecordEventEntity, { pupil })).toBe(count);
    const total = counts.reduce((sum, count) => sum + count.count, 0);
    expect(await em.count(RecordEventEntity)).toBe(total);
  });

  it('are found by another process in the table, and worked out anew where that does not hold', async () => {
    const em = test.orm.em.fork();
    const before = await page();
    await fromKept(before);
    const rows = await em.findAll(KeptStandingEntity);
    const heard = before.pupils.filter((pupil) => pupil.leftOn === null && pupil.records > 0);
    expect(rows.map((row) => row.pupil)).toEqual(expect.arrayContaining(heard.map((pupil) => pupil.id)));
    for (const { id, records, standing } of heard) {
      const row = rows.find((row) => row.pupil === id)!;
      expect([row.records, row.standing]).toEqual([records, standing]);
    }
  });

  it('belong to their staircase: another one gives another standing', async () => {
    const em = test.orm.em.fork();
    const { pupils, steps } = await page();
    const { id, records } = pupils.find((pupil) => pupil.records > 0)!;
    const rules = stepRules(steps, 'whole');
    const stands = async (startStepIndex: number, of: readonly StepRule[]) =>
      (await standingsOfClimbers(em, [{ id, startStepIndex, steps: of, records }]))[0]!.stepIndex;
    const first = await stands(0, rules);
    expect(
      await stands(
        0,
        rules.map((rule) => ({ ...rule, id: v7() })),
      ),
    ).toBe(0);
    expect(await stands(4, rules)).toBeGreaterThanOrEqual(4);
    expect(await stands(0, rules)).toBe(first);
  });
});
