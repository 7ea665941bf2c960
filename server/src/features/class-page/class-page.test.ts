import type { ClassSummary, StepPage } from '@escalier/contract/class-pages';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seedDemo } from '../../demo/seed.ts';
import { createTestApp, TEST_NOW, TUNES_FOLDER, type TestApp } from '../../testing/index.ts';

let test: TestApp;
let list: readonly ClassSummary[];
beforeAll(async () => {
  test = await createTestApp();
  list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
});
afterAll(() => test.close());

const plover = (): ClassSummary => list.find((each) => each.name === '4 Plover')!;
const page = (id: string) => test.view(id);

describe('the demo', () => {
  it('has two parallel recorder classes and a whistle club in week five', () => {
    expect(list.map((each) => [each.name, each.pupils, each.instrumentId])).toEqual([
      ['4 Otter', 26, 'soprano-recorder-baroque'],
      ['4 Plover', 24, 'soprano-recorder-baroque'],
      ['Whistle Club', 15, 'tin-whistle-d'],
    ]);
    expect(plover().onStep).toEqual([3, 7, 12, 0, 1, 1, 0]);
    expect(plover().lessons).toMatchObject({ had: 8, next: { number: 9, date: '2026-03-03' } });
  });

  it('is loaded once', async () => {
    expect(await seedDemo(test.orm, TUNES_FOLDER, TEST_NOW)).toBe(false);
  });
});

describe('a class page', () => {
  it('carries steps with their rise, pupils with their standing, and the order of hearing', async () => {
    const shown = await page(plover().id);
    expect(shown.today).toBe('2026-03-03');
    expect(shown.steps.map((step) => [step.position, step.title, step.newNotes.join(' ')])).toEqual([
      [1, 'Three Lanterns', 'G4 A4 B4'],
      [2, 'Mill Wheel', ''],
      [3, 'Goose Walk', 'E4'],
      [4, 'Boat in Harbour', 'D4'],
      [5, 'Moon on the Millpond', ''],
      [6, 'Spring Evening', 'C5'],
    ]);
    for (const step of shown.steps) expect(step.rise.total).toBeGreaterThan(0);
    expect(shown.steps[0]!.goOn).toMatchObject({ passed: 21, of: 24, goOn: true });
    const states = shown.pupils.map((pupil) => pupil.standing?.state ?? 'left');
    expect(states.filter((state) => state === 'stuck')).toHaveLength(4);
    expect(states.filter((state) => state === 'left')).toHaveLength(1);
    const reasons = shown.queue.map((place) => place.reason);
    expect(reasons).toContain('ready');
    const sorted = ['due', 'ready', 'never', 'waited'];
    expect(reasons.map((reason) => Math.min(2, sorted.indexOf(reason)))).toEqual(
      reasons.map((reason) => Math.min(2, sorted.indexOf(reason))).toSorted(),
    );
    expect(shown.stuck.length).toBeGreaterThanOrEqual(4);
  });

  it('says what the overview of the school says', async () => {
    for (const each of list) {
      const shown = await page(each.id);
      const standing = shown.pupils.flatMap((pupil) => pupil.standing ?? []);
      expect(each).toMatchObject({
        pupils: standing.length,
        onStep: [0, 1, 2, 3, 4, 5, 6].map((step) => standing.filter((one) => one.stepIndex === step).length),
        nearly: standing.filter((one) => one.state === 'nearly').length,
        stuck: shown.stuck.length,
        classStep: shown.classStep,
        hearFirst: { id: shown.queue[0]!.pupilId },
      });
    }
  });

  it('starts the late joiner higher', async () => {
    const wren = (await page(plover().id)).pupils.find((pupil) => pupil.name === 'Wren')!;
    expect(wren).toMatchObject({ startStep: 3, standing: { stepIndex: 2, triesOnStep: expect.any(Number) as number } });
  });
});

describe('a step page', () => {
  it('carries the tune and what the class knows before it', async () => {
    const answer = await test.send('GET', `/api/classes/${plover().id}/steps/3`);
    const step = (await answer.json()) as StepPage;
    expect(step.abc).toContain('T:Goose Walk');
    expect(step.known.notes.toSorted()).toEqual(['A4', 'B4', 'G4']);
    expect(step.known.moves).toContain('B4>A4');
    expect(step.known.moves).not.toContain('A4>E4');
    expect(step.schoolClass.style.naming).toBe('letters');
  });

  it('is not there beyond the last step', async () => {
    for (const position of ['7', '0', 'x']) {
      expect((await test.send('GET', `/api/classes/${plover().id}/steps/${position}`)).status).toBe(404);
    }
  });
});
