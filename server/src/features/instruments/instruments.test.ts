import type { BeltList, InstrumentLine, InstrumentList, Lending } from '@escalier/contract/instruments';
import type { FieldProblem } from '@escalier/contract/field-problems';
import type { Refusal } from '@escalier/contract/refusals';
import { addMinutes } from 'date-fns';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, TEST_NOW, type TestApp } from '../../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const KIND = 'soprano-recorder-baroque';

async function list(): Promise<InstrumentList> {
  return (await (await test.send('GET', '/api/instruments')).json()) as InstrumentList;
}

async function post<Body>(path: string, body: object): Promise<Body> {
  const answer = await test.send('POST', `/api/instruments${path}`, body);
  expect(answer.ok, path).toBe(true);
  return (await answer.json()) as Body;
}

/** What is wrong with the first field. */
async function error(answer: Response): Promise<FieldProblem | undefined> {
  expect(answer.status).toBe(400);
  return Object.values(((await answer.json()) as Refusal).error.fields ?? {})[0];
}

const classNamed = (all: InstrumentList, name: string) => all.classes.find((each) => each.name === name)!;
const numbered = (all: InstrumentList, number: number): InstrumentLine =>
  all.instruments.find((instrument) => instrument.kind === KIND && instrument.number === number)!;

describe('instruments', () => {
  it('are entered as a set; a number is there once for a kind', async () => {
    await post('', { kind: 'tenor-recorder-baroque', from: 1, count: 3, owner: 'school' });
    const again = { kind: 'tenor-recorder-baroque', from: 3, count: 2, owner: 'school' };
    expect(await error(await test.send('POST', '/api/instruments', again))).toEqual({
      code: 'numbers-taken',
      numbers: [3],
    });
    const tenors = (await list()).instruments.filter((instrument) => instrument.kind === 'tenor-recorder-baroque');
    expect(tenors.map((tenor) => tenor.number)).toEqual([1, 2, 3]);
  });

  it('entered by mistake go; those that were lent are kept', async () => {
    const { instruments } = await list();
    const tenor = instruments.find((instrument) => instrument.kind === 'tenor-recorder-baroque')!;
    expect((await test.send('DELETE', `/api/instruments/${tenor.id}`)).status).toBe(200);
    const lent = numbered(await list(), 1);
    expect(await error(await test.send('DELETE', `/api/instruments/${lent.id}`))).toMatchObject({
      code: 'lent-number',
    });
  });

  it('are lent to one pupil of a class only, and not when broken', async () => {
    const all = await list();
    const plover = classNamed(all, '4 Plover');
    const without = plover.pupils.find((pupil) =>
      all.instruments.every((instrument) => instrument.loans.every((loan) => loan.pupilId !== pupil.id)),
    )!;
    const lend = (number: number) =>
      test.send('POST', `/api/instruments/${numbered(all, number).id}/loans`, { pupilId: without.id });
    expect(await error(await lend(1))).toEqual({ code: 'held-by', name: 'Aino' });
    expect(await error(await lend(28))).toEqual({ code: 'condition', number: 28, condition: 'broken' });
    expect((await lend(25)).status).toBe(201);
    const { loans } = numbered(await list(), 25);
    expect(loans.map((loan) => loan.pupil)).toEqual([without.name]);
    await test.send('DELETE', `/api/instruments/loans/${loans[0]!.id}`);
    expect(numbered(await list(), 25).loans).toEqual([]);
  });
});

describe('lending to a whole class', () => {
  it('says first who would get which, gives the lowest free numbers by name, and names who gets none', async () => {
    const before = await list();
    const { id: classId } = classNamed(before, '4 Plover');
    const plan = await post<Lending>('/lend', { classId, share: false, dryRun: true });
    expect(plan.pairs.map((pair) => [pair.pupil, pair.number])).toEqual([
      ['Wren', 25],
      ['Ximena', 26],
    ]);
    expect(numbered(await list(), 25).loans).toEqual([]);
    await post('/lend', { classId, share: false, dryRun: false });
    const { id: otter } = classNamed(before, '4 Otter');
    const scarce = await post<Lending>('/lend', { classId: otter, share: false, dryRun: true });
    expect(scarce).toEqual({
      pairs: [expect.objectContaining({ number: 27 }), expect.objectContaining({ number: 29 })],
      without: [],
    });
    await post('/take-back', { classId });
    expect(numbered(await list(), 25).loans).toEqual([]);
    expect(numbered(await list(), 1).loans.map((loan) => loan.pupil)).toEqual(['Abel']);
    const shared = await post<Lending>('/lend', { classId, share: true, dryRun: false });
    expect(shared.without).toEqual([]);
    expect(new Set(shared.pairs.map((pair) => pair.number)).size).toBe(24);
  });
});

describe('a teacher of one class', () => {
  it('sees that an instrument is in other hands, but not in whose', async () => {
    const { id: otter } = classNamed(await list(), '4 Otter');
    const invitation = { name: 'Tove', role: 'teacher', classIds: [otter] };
    const made = (await (await test.send('POST', '/api/people/invitations', invitation)).json()) as { token: string };
    const account = { name: 'Tove', email: 'tove@osierbridge.example', password: 'four plain words here' };
    const joined = await test.send('POST', `/api/invitations/${made.token}`, account, null);
    const cookie = joined.headers.get('set-cookie')!.split(';')[0]!;
    const answer = await test.send('GET', '/api/instruments', undefined, cookie);
    const text = await answer.text();
    expect(text).toContain('Abel');
    expect(text).not.toContain('Aino');
    const all = JSON.parse(text) as InstrumentList;
    expect(all.classes.map((each) => each.name)).toEqual(['4 Otter']);
    const foreign = all.instruments.flatMap((instrument) => instrument.loans).find((loan) => loan.classId !== otter)!;
    expect(foreign.pupil).toBe('A pupil');
    expect((await test.send('DELETE', `/api/instruments/loans/${foreign.id}`, undefined, cookie)).status).toBe(404);
  });
});

describe('cleaning', () => {
  it('is called for before a class plays what another played last, until it is noted', async () => {
    const all = await list();
    const [first] = all.cleaning;
    // Tuesday, ten in the morning: 4 Plover plays until twenty past, 4 Otter comes on Wednesday.
    expect(first).toMatchObject({ date: '2026-03-04', at: '09:40' });
    await post('/cleaned', { ids: first!.instrumentIds });
    expect((await list()).cleaning[0]).toEqual(first);
    test.setNow(addMinutes(TEST_NOW, 30));
    await post('/cleaned', { ids: first!.instrumentIds });
    const next = (await list()).cleaning[0];
    expect(next?.date).not.toBe('2026-03-04');
  });
});

describe('belts', () => {
  it('are counted from standings and pace, and what is in stock is kept', async () => {
    const first = (await (await test.send('GET', '/api/belts')).json()) as BeltList;
    const plover = first.classes.find((each) => each.name === '4 Plover')!;
    expect(plover.steps[0]).toMatchObject({ belt: 'straw', passed: 20 });
    for (const step of plover.steps) {
      expect(step.likely).toBeLessThanOrEqual(step.atMost);
      expect(step.passed + step.atMost).toBeLessThanOrEqual(24);
    }
    const belts = first.stock.map((each) => (each.belt === 'moss' ? { ...each, way: 'cord', onHand: 900 } : each));
    const stored = (await (await test.send('PUT', '/api/belts', { belts })).json()) as BeltList;
    expect(stored.stock.find((each) => each.belt === 'moss')).toMatchObject({ way: 'cord', onHand: 900 });
    const wrong = await test.send('PUT', '/api/belts', { belts: [{ ...belts[0]!, onHand: -1 }] });
    expect(await error(wrong)).toEqual({ code: 'too-low', least: 0 });
  });
});
