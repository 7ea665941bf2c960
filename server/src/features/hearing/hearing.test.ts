import type { ClassPage, ClassSummary, StepPage } from '@escalier/contract/class-pages';
import type { Refusal } from '@escalier/contract/refusals';
import type { ClassRecords } from '@escalier/contract/results';
import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { createTestApp, TEST_NOW, type TestApp } from '../../testing/index.ts';
import { RecordEventEntity } from './entities.ts';

let test: TestApp;
let page: ClassPage;
beforeAll(async () => {
  test = await createTestApp();
});
beforeEach(async () => {
  const list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
  page = await get<ClassPage>(`/api/classes/${list.find((each) => each.name === '4 Plover')!.id}`);
});
afterAll(() => test.close());

async function get<Body>(path: string): Promise<Body> {
  return (await (await test.send('GET', path)).json()) as Body;
}

const pupilNamed = (name: string) => page.pupils.find((pupil) => pupil.name === name)!;
const standingNow = async (name: string) => {
  const now = await test.view(page.id);
  return now.pupils.find((pupil) => pupil.name === name)!.standing;
};
const post = (...events: unknown[]) =>
  test.send('POST', '/api/hearing/events', { sentAt: TEST_NOW.toISOString(), events });
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

const undo = (event: { id: string }) => ({
  kind: 'undone',
  id: v7(),
  undoes: event.id,
  heardAt: '2026-03-03T09:56:00Z',
});

describe('recording', () => {
  it('stores a pass, and the pupil stands a step higher', async () => {
    const [recorded] = await test.record(pass('Lupe', 1, { tempo: 92 }));
    expect(recorded).toMatchObject({ stored: true, number: expect.any(Number) as number });
    expect(await standingNow('Lupe')).toMatchObject({ stepIndex: 1, passedSteps: 1 });
    expect((await standingNow('Lupe'))!.steps[0]).toMatchObject({ tempo: 92 });
  });

  it('stores the same event once, also when it comes many times at one moment', async () => {
    const event = pass('Samir', 1, { outcome: 'nearly', remarks: ['leak'] });
    const before = await stored();
    const answers = await Promise.all(Array.from({ length: 6 }, () => test.record(event)));
    expect(answers.flat().filter((answer) => 'stored' in answer && answer.stored)).toHaveLength(1);
    expect(new Set(answers.flat().map((answer) => ('number' in answer ? answer.number : 0))).size).toBe(1);
    expect(await stored()).toBe(before + 1);
    expect(await test.record({ ...event, outcome: 'passed' })).toEqual([
      { id: event.id, refused: 'This id belongs to another record.' },
    ]);
    expect(await stored()).toBe(before + 1);
  });

  it('takes many at once in their order, and what is refused keeps back no other', async () => {
    const events = [pass('Nils', 2, { outcome: 'nearly' }), pass('Nils', 2, { pupilId: v7() }), pass('Nils', 2)];
    const results = await test.record(...events);
    expect(results.map((result) => 'number' in result)).toEqual([true, false, true]);
    const numbers = results.flatMap((result) => ('number' in result ? [result.number] : []));
    expect(numbers[0]).toBeLessThan(numbers[1]!);
    expect(await standingNow('Nils')).toMatchObject({ stepIndex: 2 });
  });

  it('undoes by a second event, in the same sending too, and undoing twice changes nothing more', async () => {
    const event = pass('Emre', 1);
    await test.record(event, undo(event));
    expect(await standingNow('Emre')).toMatchObject({ stepIndex: 0, state: 'stuck' });
    const again = await standingNow('Emre');
    await test.record(undo(event));
    expect(await standingNow('Emre')).toEqual(again);
  });

  it('keeps the reason for which a result was taken back', async () => {
    const event = pass('Emre', 1);
    const back = { ...undo(event), reason: 'It was Samir who played' };
    await test.record(event, back);
    const { records } = (await (await test.send('GET', `/api/classes/${page.id}/records`)).json()) as ClassRecords;
    expect(records.find(({ id }) => id === back.id)).toMatchObject({ kind: 'undone', reason: back.reason });
  });

  it('corrects with a reason, and only a record of the same pupil and step', async () => {
    const event = pass('Jovan', 2);
    await test.record(event);
    const correction = pass('Jovan', 2, { outcome: 'nearly', corrects: event.id, reason: 'It was Nils who played' });
    expect(await test.record({ ...correction, id: v7(), stepId: page.steps[2]!.id })).toMatchObject([
      { refused: 'There is no such record to correct.' },
    ]);
    await test.record(correction);
    expect(await standingNow('Jovan')).toMatchObject({ stepIndex: 1, state: 'nearly' });
  });

  it('takes one of the step’s tunes, and no other', async () => {
    const [, second] = page.steps[1]!.tunes;
    expect(second!.title).not.toBe(page.steps[1]!.title);
    await test.record(pass('Ximena', 2, { tuneId: second!.id }));
    expect((await standingNow('Ximena'))!.steps.at(-1)).toMatchObject({ passed: true, passedTunes: [second!.id] });
    expect(await test.record(pass('Ximena', 3, { tuneId: second!.id }))).toMatchObject([
      { refused: 'This tune isn’t on the step.' },
    ]);
  });

  it('keeps records as they are: the database itself refuses a change', async () => {
    const { em } = test.orm;
    await expect(em.fork().execute("update record_event set outcome = 'passed'")).rejects.toThrow(
      'records are never changed',
    );
    await expect(em.fork().execute('delete from record_event')).rejects.toThrow('records are never changed');
  });
});

describe('order and clocks', () => {
  it('goes by receipt, and notes what a device’s clock was ahead', async () => {
    const late = pass('Ugo', 2, { outcome: 'not-yet', heardAt: '2026-03-03T12:55:00Z' });
    const answer = await test.send('POST', '/api/hearing/events', { sentAt: '2026-03-03T13:00:00Z', events: [late] });
    expect(answer.status).toBe(200);
    await test.record(pass('Ugo', 2, { outcome: 'nearly', heardAt: '2026-03-03T09:59:00Z' }));
    expect(await standingNow('Ugo')).toMatchObject({ state: 'nearly', lastHeardAt: '2026-03-03T09:59:00.000Z' });
    const { records } = await get<ClassRecords>(`/api/classes/${page.id}/records`);
    expect(records.find((record) => record.id === late.id)).toMatchObject({
      heardAt: '2026-03-03T12:55:00.000Z',
      receipt: { deviceAhead: 10_800 },
    });
  });

  it('takes a clock that is a hundred years off for what it is', async () => {
    const event = pass('Vesna', 3, { outcome: 'nearly', heardAt: '1926-03-03T09:55:00Z' });
    await test.send('POST', '/api/hearing/events', { sentAt: '1926-03-03T10:00:00Z', events: [event] });
    expect(await standingNow('Vesna')).toMatchObject({ state: 'nearly' });
  });

  it('gives only what came after a number', async () => {
    const before = await get<ClassRecords>(`/api/classes/${page.id}/records`);
    const event = pass('Hania', 5, { outcome: 'nearly' });
    await test.record(event);
    const after = await get<ClassRecords>(`/api/classes/${page.id}/records?after=${before.last}`);
    expect(after.records.map((record) => record.id)).toEqual([event.id]);
    expect(after.last).toBeGreaterThan(before.last);
    expect(await get(`/api/classes/${page.id}/records?after=${after.last}`)).toEqual({ records: [], last: after.last });
  });
});

describe('wrong input', () => {
  it('names the field and stores nothing', async () => {
    const before = await stored();
    const wrong: readonly (readonly [string, object])[] = [
      ['events.0.outcome', { outcome: 'great' }],
      ['events.0.remarks.0', { remarks: ['Dragons!'] }],
      ['events.0.remarks', { remarks: ['leak', 'leak'] }],
      ['events.0.heardAt', { heardAt: 'yesterday' }],
      ['events.0.id', { id: 'f47ac10b-58cc-4372-a567-0e02b2c3d479' }],
      ['events.0.pupilId', { pupilId: 7 }],
      ['events.0.kind', { kind: 'shouted' }],
      ['events.0.tempo', { tempo: 4000 }],
    ];
    for (const [field, change] of wrong) {
      const answer = await post(pass('Lupe', 1, change));
      expect(answer.status, field).toBe(400);
      expect(Object.keys(((await answer.json()) as Refusal).error.fields ?? {}), field).toContain(field);
    }
    const twice = pass('Lupe', 1);
    expect((await post(twice, twice)).status).toBe(400);
    expect((await post()).status).toBe(400);
    expect(await stored()).toBe(before);
  });

  it('knows no pupil, step or record that is not of this school', async () => {
    const results = await test.record(
      pass('Lupe', 1, { pupilId: v7() }),
      pass('Lupe', 1, { stepId: v7() }),
      undo({ id: v7() }),
    );
    expect(results.map((result) => ('refused' in result ? result.refused : ''))).toEqual([
      'There is no such pupil in your classes.',
      'There is no such step.',
      'There is no such record to undo.',
    ]);
  });

  it('takes no record of a pupil who has left, but one of a day before, which came late', async () => {
    const [late, early] = await test.record(pass('Yusuf', 2), pass('Yusuf', 2, { heardAt: '2026-02-03T09:55:00Z' }));
    expect(late).toMatchObject({ refused: 'This pupil has left the class.' });
    expect(early).toMatchObject({ stored: true });
  });
});

describe('where in the tune it went wrong', () => {
  const fault = { remark: 'stopped', bar: 3, barIndex: 2, eventIndex: 1 };

  it('is kept with the hearing, and comes back on the page of the tune as the class’s trouble spots', async () => {
    await test.record(
      pass('Malia', 3, { outcome: 'nearly', faults: [fault, { bar: 7, barIndex: 6 }] }),
      pass('Keiko', 3, { outcome: 'not-yet', faults: [fault] }),
    );
    const { records } = await get<ClassRecords>(`/api/classes/${page.id}/records`);
    expect(records.some((event) => event.kind === 'heard' && event.faults?.[0]?.bar === 3)).toBe(true);
    const { troubles } = await get<StepPage>(`/api/classes/${page.id}/steps/3`);
    expect(troubles).toEqual([
      { bar: 3, barIndex: 2, pupils: 2, of: 2, remarks: ['stopped'] },
      { bar: 7, barIndex: 6, pupils: 1, of: 2, remarks: [] },
    ]);
  });

  it('is taken back with the hearing', async () => {
    const event = pass('Tamsin', 3, { outcome: 'not-yet', faults: [{ bar: 5, barIndex: 4 }] });
    await test.record(event, undo(event));
    const { troubles } = await get<StepPage>(`/api/classes/${page.id}/steps/3`);
    expect(troubles.some((spot) => spot.bar === 5)).toBe(false);
  });

  it('refuses bars that no tune has', async () => {
    for (const bad of [
      [],
      [{ bar: -1, barIndex: 0 }],
      [{ bar: 1, barIndex: 9999 }],
      [{ remark: 'No!', bar: 1, barIndex: 0 }],
    ])
      expect((await post(pass('Malia', 3, { faults: bad }))).status).toBe(400);
    const extent = { bars: [5, 2], indices: [4, 1], slowly: false };
    expect((await post(pass('Malia', 3, { extent }))).status).toBe(400);
  });
});

describe('a hearing of a part', () => {
  it('fills the step by its share, and passes it only where the class says so', async () => {
    const extent = { bars: [1, 4], indices: [0, 3], slowly: true };
    await test.record(pass('Dilnoza', 3, { extent }));
    expect(await standingNow('Dilnoza')).toMatchObject({ stepIndex: 2 });
    const shares = (await standingNow('Dilnoza'))!.steps.map((step) => step.share);
    expect(shares.at(-1)).toBe(0.5);
  });
});
