import type { BeltList, ClassBelts } from '@escalier/contract/instruments';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const earned = async (name: string) => {
  const classes = (await (await test.send('GET', '/api/belts/earned')).json()) as ClassBelts[];
  return classes.find((each) => each.name === name)!.earned;
};
const onHand = async (belt: string) => {
  const all = (await (await test.send('GET', '/api/belts')).json()) as BeltList;
  return all.stock.find((each) => each.belt === belt)!;
};
const give = (belts: readonly { pupilId: string; stepId: string }[], given: boolean) =>
  test.send('PUT', '/api/belts/given', { belts: belts.map(({ pupilId, stepId }) => ({ pupilId, stepId })), given });

describe('belts that were earned', () => {
  it('are ticked when they are handed out, each once, and come out of the stock', async () => {
    const waiting = (await earned('4 Plover')).filter((each) => each.givenAt === null);
    const { belt } = waiting.find((each) => waiting.filter((other) => other.belt === each.belt).length > 1)!;
    const two = waiting.filter((each) => each.belt === belt).slice(0, 2);
    const given = (await earned('4 Plover')).filter((each) => each.givenAt !== null).length;
    const before = await onHand(belt);
    const one = before.way === 'cord' ? before.cmEach : 1;
    await Promise.all([give(two, true), give(two, true)]);
    expect((await onHand(belt)).onHand).toBe(before.onHand - 2 * one);
    const after = await earned('4 Plover');
    expect(after.filter((each) => each.givenAt !== null)).toHaveLength(given + 2);
    await give(two.slice(0, 1), false);
    expect((await onHand(belt)).onHand).toBe(before.onHand - one);
    expect((await earned('4 Plover')).filter((each) => each.givenAt !== null)).toHaveLength(given + 1);
  });

  it('are not those below a late joiner’s start, and not what nobody has passed', async () => {
    const list = await earned('4 Plover');
    expect(list.filter((each) => each.name === 'Wren')).toEqual([]);
    const [first] = list;
    const answer = await give([{ pupilId: first!.pupilId, stepId: crypto.randomUUID() }], true);
    expect(answer.status).toBe(400);
  });
});

describe('the remarks of a school', () => {
  it('are the usual ones until the school writes its own', async () => {
    const read = async () =>
      (await (await test.send('GET', '/api/school/remarks')).json()) as { remarks: { id: string }[]; version: number };
    expect((await read()).remarks.map((remark) => remark.id)).toContain('leak');
    const own = [{ id: 'own-slouch', words: 'Slouching', remedy: 'Feet on the floor, bell away from the knees.' }];
    const put = async (remarks: unknown) =>
      test.send('PUT', '/api/school/remarks', { remarks, version: (await read()).version });
    expect((await put(own)).status).toBe(200);
    expect((await read()).remarks).toEqual(own);
    for (const wrong of [[], [{ ...own[0], words: '' }], [own[0], own[0]]]) expect((await put(wrong)).status).toBe(400);
    expect((await read()).remarks).toEqual(own);
  });
});
