import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ErrorBody } from '../../platform/problem.ts';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import type { ClassSummary, TunePage } from '../classes/index.ts';
import type { TuneDto } from './service.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const abc = (title: string, music: string): string => `X:1\nT:${title}\nM:4/4\nL:1/4\nK:G\n${music}\n`;
const list = async (): Promise<readonly TuneDto[]> =>
  (await (await test.send('GET', '/api/tunes')).json()) as TuneDto[];
const post = (text: unknown) => test.send('POST', '/api/tunes', { abc: text });
const error = async (answer: Response) => ((await answer.json()) as ErrorBody).error;

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
      fields: { abc: first!.id },
    });
  });

  it('refuses what is no tune in a sentence, and stays as it was', async () => {
    const before = (await list()).length;
    for (const [text, sentence] of [
      [abc('Short', 'G4|A2|B4|c4|]'), 'Bar 2 is too short'],
      ['hello', 'not ABC'],
      ['', 'empty'],
      [7, 'The tune as ABC.'],
      ['x'.repeat(200_001), 'too long'],
    ] as const) {
      const answer = await post(text);
      expect(answer.status).toBe(400);
      expect((await error(answer)).fields?.abc).toContain(sentence);
    }
    expect((await list()).length).toBe(before);
  });

  it('keeps a tune that stands on a staircase', async () => {
    const goose = (await list()).find((tune) => tune.title === 'Goose Walk')!;
    expect((await test.send('DELETE', `/api/tunes/${goose.id}`)).status).toBe(409);
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
    for (const wrong of [
      { ...own, version: 2, breathSeconds: 1 },
      { ...own, version: 2, breaths: [{ barIndex: 99, eventIndex: 0 }] },
    ]) {
      expect((await test.send('PUT', path, wrong)).status).toBe(400);
    }
  });
});
