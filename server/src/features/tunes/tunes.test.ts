import type { ClassPage, ClassSummary, Findable, TunePage } from '@escalier/contract/class-pages';
import type { Refusal } from '@escalier/contract/refusals';
import type { TuneDto } from '@escalier/contract/tunes';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cookieOf, createTestApp, type TestApp } from '../../testing/index.ts';
import { StepTuneEntity } from '../staircase/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const abc = (title: string, music: string): string => `X:1\nT:${title}\nM:4/4\nL:1/4\nK:G\n${music}\n`;
const list = async (): Promise<readonly TuneDto[]> =>
  (await (await test.send('GET', '/api/tunes')).json()) as TuneDto[];
const post = (text: unknown) => test.send('POST', '/api/tunes', { abc: text });
const error = async (answer: Response) => ((await answer.json()) as Refusal).error;

describe('the library', () => {
  it('ships forty tunes and more, no two the same', async () => {
    const tunes = await list();
    expect(tunes.length).toBeGreaterThanOrEqual(40);
    expect(tunes.filter((tune) => tune.abc.includes('\nV:2')).length).toBeGreaterThanOrEqual(4);
  });

  it('takes a tune, changes it, and gives it up', async () => {
    const added = await post(abc('Lark', 'G A B d|G4|]'));
    expect(added.status).toBe(201);
    const { id } = (await added.json()) as TuneDto;
    const changed = await test.send('PUT', `/api/tunes/${id}`, {
      abc: abc('Lark Rising', 'G A B c|G4|]'),
      version: 1,
    });
    expect(await changed.json()).toMatchObject({ id, title: 'Lark Rising', onStaircase: false });
    expect((await test.send('DELETE', `/api/tunes/${id}`)).status).toBe(200);
    expect((await test.send('GET', `/api/tunes/${id}`)).status).toBe(404);
  });

  it('knows a tune again under another title', async () => {
    const [first] = await list();
    const again = await post(first!.abc.replace(/^T:.*$/m, 'T:Something Else'));
    expect(again.status).toBe(409);
    expect(await error(again)).toMatchObject({
      code: 'duplicate',
      message: expect.stringContaining(first!.title) as string,
      fields: { abc: { code: 'same-tune', id: first!.id } },
    });
  });

  it('refuses what is no tune in a sentence, and stays as it was', async () => {
    const before = (await list()).length;
    const inFile = (words: string) => ({ code: 'file', words: expect.stringContaining(words) as string });
    for (const [text, problem] of [
      [abc('Silent', 'z4|z4|]'), inFile('no notes')],
      ['hello', inFile('not ABC')],
      ['', inFile('empty')],
      [7, { code: 'missing' }],
      ['x'.repeat(200_001), { code: 'too-long', most: 200_000 }],
    ] as const) {
      const answer = await post(text);
      expect(answer.status).toBe(400);
      expect((await error(answer)).fields?.abc).toEqual(problem);
    }
    expect((await list()).length).toBe(before);
  });

  it('keeps a tune that stands on a staircase', async () => {
    const goose = (await list()).find((tune) => tune.title === 'Goose Walk')!;
    expect((await test.send('DELETE', `/api/tunes/${goose.id}`)).status).toBe(409);
  });
});

/** Somebody plays a tune that was a choice of the first step for a while. */
async function playedOnce(tuneId: string): Promise<void> {
  const [{ id }] = (await (await test.send('GET', '/api/classes')).json()) as [ClassSummary];
  const { pupils, steps } = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
  const em = test.orm.em.fork();
  const stepId = steps[0]!.id;
  await em.insert(StepTuneEntity, { step: stepId, tune: tuneId, position: 9 });
  const heard = { kind: 'heard', id: v7(), pupilId: pupils[0]!.id, stepId, tuneId, outcome: 'nearly', remarks: [] };
  await test.record({ ...heard, heardAt: '2026-03-03T09:55:00Z' });
  await em.nativeDelete(StepTuneEntity, { step: stepId, tune: tuneId });
}

describe('a tune with results', () => {
  it('is archived instead of deleted, and comes back', async () => {
    const added = (await (await post(abc('Otter Slide', 'G B d B|G4|]'))).json()) as TuneDto;
    const use = async () => (await test.send('GET', `/api/tunes/${added.id}/use`)).json();
    expect(await use()).toEqual({ steps: [], results: 0, archived: false });
    await playedOnce(added.id);
    expect(await use()).toMatchObject({ results: 1 });
    expect(await (await test.send('DELETE', `/api/tunes/${added.id}`)).json()).toEqual({ archived: true });
    expect((await list()).find((tune) => tune.id === added.id)).toMatchObject({ archived: true });
    const found = (await (await test.send('GET', '/api/find')).json()) as Findable;
    expect(found.tunes.map((tune) => tune.id)).not.toContain(added.id);
    expect((await test.send('POST', `/api/tunes/${added.id}/restore`)).status).toBe(200);
    expect((await list()).find((tune) => tune.id === added.id)).toMatchObject({ archived: false });
  });

  it('says on which steps it stands, also as a second tune', async () => {
    const clock = (await list()).find((tune) => tune.title === 'Clock Shop')!;
    const answer = await test.send('DELETE', `/api/tunes/${clock.id}`);
    expect(answer.status).toBe(409);
    expect((await error(answer)).message).toContain('Recorder, from B down, step 2');
  });
});

describe('what can be found by its name', () => {
  it('is what somebody may open: an assistant finds no other class and its pupils', async () => {
    const found = async (cookie?: string) =>
      (await (await test.send('GET', '/api/find', undefined, cookie)).json()) as Findable;
    const all = await found();
    expect(all.classes.map((each) => each.name)).toContain('4 Plover');
    expect(all.tunes.length).toBeGreaterThanOrEqual(40);
    const few = await found(await cookieOf(test, 'sunniva@osierbridge.example'));
    expect(few.classes.map((each) => each.name)).toEqual(['4 Otter', '4 Plover']);
    const open = new Set(few.classes.map((each) => each.id));
    expect(few.pupils.every((pupil) => open.has(pupil.classId))).toBe(true);
    expect(few.pupils.length).toBeLessThan(all.pupils.length);
  });
});

describe('a tune for a class', () => {
  it('comes with what the class knows now, and keeps the class’s own breaths', async () => {
    const classes = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
    const plover = classes.find((each) => each.name === '4 Plover')!;
    const goose = (await list()).find((tune) => tune.title === 'Goose Walk')!;
    const path = `/api/classes/${plover.id}/tunes/${goose.id}`;
    const page = async (): Promise<TunePage> => (await (await test.send('GET', path)).json()) as TunePage;
    expect(await page()).toMatchObject({ title: 'Goose Walk', breathSeconds: 6, breaths: null });
    expect((await page()).known.notes.toSorted()).toEqual(['A4', 'B4', 'G4']);
    const own = { breathSeconds: 5, breaths: [{ barIndex: 3, eventIndex: 0 }] };
    expect((await test.send('PUT', path, { ...own, version: 0 })).status).toBe(200);
    expect(await page()).toMatchObject(own);
    expect((await test.send('PUT', path, { ...own, breaths: null, version: 1 })).status).toBe(200);
    expect((await page()).breaths).toBeNull();
    const all = await (await test.send('GET', `/api/classes/${plover.id}/tunes`)).json();
    expect(all).toEqual([{ tuneId: goose.id, breathSeconds: 5, breaths: null }]);
    for (const wrong of [
      { ...own, version: 2, breathSeconds: 1 },
      { ...own, version: 2, breaths: [{ barIndex: 99, eventIndex: 0 }] },
    ]) {
      expect((await test.send('PUT', path, wrong)).status).toBe(400);
    }
  });
});
