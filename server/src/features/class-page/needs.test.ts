import type { BeltList } from '@escalier/contract/instruments';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const belts = async (): Promise<BeltList> => (await (await test.send('GET', '/api/belts')).json()) as BeltList;

describe('what classes need of each belt', () => {
  it('counts as passed who stands above a step and began no higher', async () => {
    const { classes } = await belts();
    expect(classes.map(({ name }) => name)).toEqual(['4 Otter', '4 Plover', 'Whistle Club']);
    for (const each of classes) {
      const { pupils } = await test.view(each.id);
      const here = pupils.flatMap(({ startStep, standing, leftOn }) =>
        leftOn === null && standing !== null && standing !== undefined ? [{ startStep, at: standing.stepIndex }] : [],
      );
      const counted = each.steps.map(
        ({ position }) => here.filter(({ startStep, at }) => startStep <= position && at >= position).length,
      );
      expect(each.steps.map(({ passed }) => passed)).toEqual(counted);
    }
  });

  it('keeps as many safe as are likely, and never more than there are pupils', async () => {
    for (const { id, steps, lessonsLeft } of (await belts()).classes) {
      const { pupils, lessons } = await test.view(id);
      expect(lessonsLeft).toBe(lessons.left);
      for (const { passed, likely, atMost } of steps) {
        expect(passed).toBeGreaterThanOrEqual(0);
        expect(atMost).toBeGreaterThanOrEqual(likely);
        expect(atMost).toBeLessThanOrEqual(pupils.length);
      }
    }
  });

  it('follows a result and its undo', async () => {
    const { id } = (await belts()).classes.find(({ name }) => name === '4 Plover')!;
    const needOf = async (): Promise<readonly number[]> =>
      (await belts()).classes.find((each) => each.id === id)!.steps.map(({ passed }) => passed);
    const before = await needOf();
    const { pupils, steps } = await test.view(id);
    const one = pupils.find(({ standing, leftOn }) => leftOn === null && standing?.stepIndex === 1)!;
    const event = '01a20000-0000-7000-8000-000000000001';
    const heardAt = '2026-03-03T09:40:00Z';
    const about = { pupilId: one.id, stepId: steps[1]!.id };
    await test.record({ kind: 'heard', id: event, ...about, outcome: 'passed', remarks: [], heardAt });
    expect(await needOf()).toEqual(before.map((count, index) => count + (index === 1 ? 1 : 0)));
    const undo = { kind: 'undone', id: '01a20000-0000-7000-8000-000000000002', undoes: event, heardAt };
    await test.record(undo);
    expect(await needOf()).toEqual(before);
  });
});

describe('a class of another school', () => {
  it('is not there: neither its page, its steps nor its tunes', async () => {
    const other = '00000000-0000-7000-8000-000000000000';
    for (const path of ['', '/steps/1', '/records'])
      expect((await test.send('GET', `/api/classes/${other}${path}`)).status, path).toBe(404);
    expect((await test.send('GET', '/api/classes', undefined, null)).status).toBe(401);
  });
});
