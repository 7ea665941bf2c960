import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { ErrorBody } from '../../platform/problem.ts';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import type { ClassPage, ClassSummary } from '../classes/index.ts';
import { RecordEventEntity } from './entities.ts';
import type { Recorded } from './service.ts';

let test: TestApp;
let page: ClassPage;
beforeAll(async () => {
  test = await createTestApp();
});
beforeEach(async () => {
  const list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
  const { id } = list.find((each) => each.name === '4 Plover')!;
  page = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
});
afterAll(() => test.close());

const pupilNamed = (name: string) => page.pupils.find((pupil) => pupil.name === name)!;
const post = (body: unknown) => test.send('POST', '/api/hearing/events', body);
const stored = () => test.orm.em.fork().count(RecordEventEntity);

function pass(name: string, step: number, more: object = {}) {
  return {
    kind: 'heard',
    id: v7(),
    pupilId: pupilNamed(name).id,
    stepId: page.steps[step - 1]!.id,
    outcome: 'passed',
    remarks: [],
    heardAt: '2026-03-03T09:55:00Z',
    ...more,
  };
}

describe('recording', () => {
  it('stores a pass and gives the new standing', async () => {
    const answer = await post(pass('Lupe', 1, { outcome: 'passed' }));
    expect(answer.status).toBe(201);
    const recorded = (await answer.json()) as Recorded;
    expect(recorded).toMatchObject({ stored: true, standing: { stepIndex: 1, passedSteps: 1 } });
  });

  it('stores the same event once, also when it comes many times at one moment', async () => {
    const event = pass('Samir', 1, { outcome: 'nearly', remarks: ['leak'] });
    const before = await stored();
    const answers = await Promise.all(Array.from({ length: 6 }, () => post(event)));
    expect(answers.map((answer) => answer.status).toSorted()).toEqual([200, 200, 200, 200, 200, 201]);
    expect(await stored()).toBe(before + 1);
    const conflict = await post({ ...event, outcome: 'passed' });
    expect(conflict.status).toBe(409);
    expect(await stored()).toBe(before + 1);
  });

  it('undoes by a second event, and undoing twice changes nothing more', async () => {
    const event = pass('Emre', 1);
    await post(event);
    const undo = { kind: 'undone', id: v7(), undoes: event.id, heardAt: '2026-03-03T09:56:00Z' };
    const answer = (await (await post(undo)).json()) as Recorded;
    expect(answer.standing).toMatchObject({ stepIndex: 0, state: 'stuck' });
    const again = (await (await post({ ...undo, id: v7() })).json()) as Recorded;
    expect(again.standing).toEqual(answer.standing);
  });

  it('keeps records as they are: the database itself refuses a change', async () => {
    const { em } = test.orm;
    await expect(em.fork().execute("update record_event set outcome = 'passed'")).rejects.toThrow(
      'records are never changed',
    );
    await expect(em.fork().execute('delete from record_event')).rejects.toThrow('records are never changed');
  });
});

describe('wrong input', () => {
  it('names the field and stores nothing', async () => {
    const before = await stored();
    const wrong: readonly (readonly [string, object])[] = [
      ['outcome', { outcome: 'great' }],
      ['remarks.0', { remarks: ['dragons'] }],
      ['remarks', { remarks: ['leak', 'leak'] }],
      ['heardAt', { heardAt: 'yesterday' }],
      ['id', { id: 'f47ac10b-58cc-4372-a567-0e02b2c3d479' }],
      ['pupilId', { pupilId: 7 }],
      ['kind', { kind: 'shouted' }],
    ];
    for (const [field, change] of wrong) {
      const answer = await post(pass('Lupe', 1, change));
      expect(answer.status, field).toBe(400);
      expect(Object.keys(((await answer.json()) as ErrorBody).error.fields ?? {}), field).toContain(field);
    }
    expect(await stored()).toBe(before);
  });

  it('knows no pupil, step or record that is not of this class', async () => {
    for (const body of [
      pass('Lupe', 1, { pupilId: v7() }),
      pass('Lupe', 1, { stepId: v7() }),
      { kind: 'undone', id: v7(), undoes: v7(), heardAt: '2026-03-03T09:56:00Z' },
    ]) {
      expect((await post(body)).status).toBe(404);
    }
  });

  it('takes no record of a pupil who has left', async () => {
    const answer = await post(pass('Yusuf', 2));
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as ErrorBody).error.fields).toEqual({ pupilId: 'This pupil has left the class.' });
  });
});
