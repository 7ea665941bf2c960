import type { ChangeLine } from '@escalier/contract/changes';
import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { BeltList, ClassBelts } from '@escalier/contract/instruments';
import type { PupilRecord } from '@escalier/contract/pupils';
import type { Refusal } from '@escalier/contract/refusals';
import type { ClassRecords } from '@escalier/contract/results';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
let classId: string;
beforeAll(async () => {
  test = await createTestApp();
  const list = await get<ClassSummary[]>('/api/classes');
  classId = list.find((each) => each.name === '4 Plover')!.id;
});
afterAll(() => test.close());

async function get<Body>(path: string): Promise<Body> {
  return (await (await test.send('GET', path)).json()) as Body;
}

const pupils = () => get<PupilRecord[]>(`/api/classes/${classId}/pupils`);
const put = (pupil: PupilRecord, more: object) => {
  const { id, absences: _absences, moves: _moves, ...rest } = pupil;
  return test.send('PUT', `/api/pupils/${id}`, { ...rest, ...more });
};
const statuses = (answers: readonly Response[]) => answers.map((answer) => answer.status).toSorted();

describe('a form that was filled before somebody else changed the same', () => {
  it('does not bring a withdrawn consent back: it hears who changed what', async () => {
    const [pupil] = await pupils();
    expect((await put(pupil!, { mayRecord: true })).status).toBe(200);
    const [read] = await pupils();
    // One tab withdraws it, the other still shows it and saves a note.
    expect((await put(read!, { mayRecord: false })).status).toBe(200);
    const stale = await put(read!, { note: 'Sits at the back' });
    expect(stale.status).toBe(409);
    const { error } = (await stale.json()) as Refusal;
    expect(error).toMatchObject({ code: 'changed', changed: { by: 'Mara Tillen' } });
    expect(error.changed!.what).toMatchObject({ code: 'pupil-changed', fields: ['mayRecord'], consent: 'withdrawn' });
    expect((await pupils())[0]).toMatchObject({ mayRecord: false, note: '' });
  });

  it.each([
    ['the settings of a class', () => `/api/classes/${classId}/settings`, { name: '4 Plover' }],
    ['cautions', () => '/api/school/cautions', {}],
    ['remarks', () => '/api/school/remarks', {}],
  ])('is refused for %s too', async (_, path, more) => {
    const read = await get<Record<string, unknown>>(path());
    const answers = [await test.send('PUT', path(), { ...read, ...more }), await test.send('PUT', path(), read)];
    expect(answers.map((answer) => answer.status)).toEqual([200, 409]);
  });

  it('is refused for a term, a tune, an instrument and a belt too', async () => {
    const [term] = await get<Record<string, unknown>[]>('/api/terms');
    const [tune] = await get<Record<string, unknown>[]>('/api/tunes');
    const { instruments } = await get<{ instruments: Record<string, unknown>[] }>('/api/instruments');
    const { stock } = await get<{ stock: Record<string, unknown>[] }>('/api/belts');
    for (const [path, body] of [
      [`/api/terms/${String(term!.id)}`, term],
      [`/api/tunes/${String(tune!.id)}`, tune],
      [`/api/instruments/${String(instruments[0]!.id)}`, instruments[0]],
      ['/api/belts', { belts: [stock[0]] }],
    ] as const) {
      const answers = [await test.send('PUT', path, body), await test.send('PUT', path, body)];
      expect(
        answers.map((answer) => answer.status),
        path,
      ).toEqual([200, 409]);
    }
  });
});

describe('at one moment', () => {
  it('four pupils do not all get one name', async () => {
    const four = (await pupils()).slice(0, 4);
    expect(statuses(await Promise.all(four.map((pupil) => put(pupil, { name: 'Robin' }))))).toEqual([
      200, 400, 400, 400,
    ]);
    expect((await pupils()).filter((pupil) => pupil.name === 'Robin')).toHaveLength(1);
  });

  it('twenty belts that are handed out take twenty from the stock, and come back', async () => {
    const stockOf = async (belt: string) =>
      (await get<BeltList>('/api/belts')).stock.find((each) => each.belt === belt)!;
    const before = await stockOf('straw');
    const [filled] = [{ ...before, onHand: 30, way: 'pieces', cmEach: 0 }];
    expect((await test.send('PUT', '/api/belts', { belts: [filled] })).status).toBe(200);
    const earned = (await get<ClassBelts[]>('/api/belts/earned')).flatMap((each) => each.earned);
    const straws = earned.filter((each) => each.belt === 'straw').slice(0, 20);
    const tick = (given: boolean) =>
      Promise.all(
        straws.map(({ pupilId, stepId }) =>
          test.send('PUT', '/api/belts/given', { belts: [{ pupilId, stepId }], given }),
        ),
      );
    await tick(false);
    const start = (await stockOf('straw')).onHand;
    expect(statuses(await tick(true))).toEqual(straws.map(() => 200));
    expect((await stockOf('straw')).onHand).toBe(start - straws.length);
    await tick(false);
    expect((await stockOf('straw')).onHand).toBe(start);
  });

  it('belts beyond the stock take what is there, and bring back no more', async () => {
    const { stock } = await get<BeltList>('/api/belts');
    const straw = { ...stock.find((each) => each.belt === 'straw')!, onHand: 1 };
    await test.send('PUT', '/api/belts', { belts: [straw] });
    const earned = (await get<ClassBelts[]>('/api/belts/earned')).flatMap((each) => each.earned);
    const belts = earned.filter((each) => each.belt === 'straw' && each.givenAt === null).slice(0, 3);
    const keys = belts.map(({ pupilId, stepId }) => ({ pupilId, stepId }));
    await test.send('PUT', '/api/belts/given', { belts: keys, given: true });
    await test.send('PUT', '/api/belts/given', { belts: keys, given: false });
    const after = await get<BeltList>('/api/belts');
    expect(after.stock.find((each) => each.belt === 'straw')!.onHand).toBe(1);
  });
});

describe('a pupil whose personal data was erased', () => {
  it('comes back by no form, and leaves no free words behind', async () => {
    const all = await pupils();
    const pupil = all.findLast((each) => each.leftOn === null)!;
    const { steps } = await get<ClassPage>(`/api/classes/${classId}`);
    const heard = {
      kind: 'heard',
      stepId: steps[0]!.id,
      outcome: 'passed',
      remarks: [],
      heardAt: '2026-03-03T09:40:00Z',
    };
    const first = { ...heard, id: v7(), pupilId: pupil.id };
    const reason = `${pupil.name} was mixed up with another`;
    await test.record(first, { ...heard, id: v7(), pupilId: pupil.id, corrects: first.id, reason });
    expect(JSON.stringify(await get<ClassRecords>(`/api/classes/${classId}/records`))).toContain('mixed up');
    expect((await test.send('POST', `/api/pupils/${pupil.id}/erase`, {})).status).toBe(200);
    expect(JSON.stringify(await get<ClassRecords>(`/api/classes/${classId}/records`))).not.toContain('mixed up');
    for (const answer of [
      await put(pupil, { note: 'as before' }),
      await put(pupil, { note: 'as before', version: pupil.version + 1 }),
      await test.send('PUT', `/api/pupils/${pupil.id}/absence`, { date: '2026-03-03', absent: true }),
      await test.send('POST', `/api/pupils/${pupil.id}/move`, { classId: v7() }),
    ])
      expect(answer.status).toBe(409);
    const changes = JSON.stringify(await get<ChangeLine[]>('/api/changes'));
    expect(changes).not.toContain(pupil.name);
  });

  it('and nothing else of a record can be changed in the table', async () => {
    const em = test.orm.em.fork();
    await expect(em.execute("update record_event set outcome = 'passed', reason = ''")).rejects.toThrow(
      'never changed',
    );
    await expect(em.execute("update record_event set reason = 'x'")).rejects.toThrow('never changed');
  });
});
