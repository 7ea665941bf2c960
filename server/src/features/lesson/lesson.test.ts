import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { DatedLessonEvent } from '@escalier/contract/lessons';
import type { Refusal } from '@escalier/contract/refusals';
import { planLesson, type LessonEvent, type LessonPlan } from '@escalier/core/lesson';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
let page: ClassPage;
let plan: LessonPlan;
beforeAll(async () => {
  test = await createTestApp();
  const classes = (await (await test.send('GET', '/api/classes')).json()) as readonly ClassSummary[];
  const { id } = classes.find((each) => each.name === '4 Plover')!;
  page = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
  plan = planLesson({
    minutes: 40,
    seed: 1,
    part: 'middle',
    step: null,
    usual: null,
    hearingMinutes: 10,
    weak: [],
    open: [],
    noteTaught: false,
    playedThrough: true,
    hearsAfterPlaying: true,
    queue: page.pupils.slice(0, 3).map((pupil) => ({ pupilId: pupil.id, reason: 'waited', seconds: 70, step: 1 })),
    ahead: [page.pupils[4]!.id],
    behind: [],
    toClean: 1,
    beltsToHand: 0,
  });
});
afterAll(() => test.close());

const date = '2026-03-03';
const made = (of: object, at = '2026-03-03T09:00:00.000Z') => ({ id: v7(), date, at, ...of });
const address = (): string => `/api/classes/${page.id}/lessons`;
const send = (events: readonly object[]) => test.send('POST', address(), { events });
const kept = async (): Promise<readonly DatedLessonEvent[]> =>
  (await (await test.send('GET', address())).json()) as readonly DatedLessonEvent[];

describe('the lessons of a class', () => {
  it('are kept as what happened, once each, in their order', async () => {
    const [first, second] = [
      made({ kind: 'started', plan, step: 2 }),
      made({ kind: 'block', block: 'close' }, '2026-03-03T09:12:00.000Z'),
    ];
    expect((await send([second, first])).status).toBe(201);
    expect((await send([first])).status).toBe(201);
    const events = (await kept()).filter((event) => event.date === date).map(({ event }) => event);
    expect(events.map(({ kind }) => kind)).toEqual(['started', 'block']);
    expect((events[0] as LessonEvent & { kind: 'started' }).plan).toEqual(plan);
  });

  it('keep the usual lesson of a class, however long ago it was said', async () => {
    const usual = [{ kind: 'tune', minutes: 20 }];
    await send([{ ...made({ kind: 'usual', usual }), date: '2025-10-01' }]);
    expect((await kept()).map(({ event }) => event.kind)).toContain('usual');
    const other = [{ kind: 'hearing', minutes: 15 }];
    await send([{ ...made({ kind: 'usual', usual: other }, '2026-03-04T09:00:00.000Z'), date: '2025-10-02' }]);
    for (let lesson = 10; lesson < 23; lesson++)
      await send([{ ...made({ kind: 'again' }), date: `2026-03-${lesson}` }]);
    const usuals = (await kept()).flatMap(({ event }) => (event.kind === 'usual' ? [event.usual] : []));
    // Only the last one counts, and is all that is sent.
    expect(usuals).toEqual([other]);
  });

  it('are what happened: the database itself refuses a change', async () => {
    const em = test.orm.em.fork();
    await expect(em.execute('delete from lesson_event')).rejects.toThrow('never changed');
    await expect(em.fork().execute(`update lesson_event set kind = 'ended'`)).rejects.toThrow('never changed');
  });

  it('are no more than happens in a lesson', async () => {
    const many = () => Array.from({ length: 200 }, () => ({ ...made({ kind: 'again' }), date: '2026-03-27' }));
    for (let turn = 0; turn < 10; turn++) expect((await send(many())).status).toBe(201);
    expect((await send([{ ...made({ kind: 'ended' }), date: '2026-03-27' }])).status).toBe(400);
  });

  it('refuse what is no lesson, and keep nothing of it', async () => {
    const before = (await kept()).length;
    const longer = { ...plan, minutes: 60 };
    const answer = await send([made({ kind: 'planned', plan: longer })]);
    expect(answer.status).toBe(400);
    const { error } = (await answer.json()) as Refusal;
    expect(Object.values(error.fields ?? {})).toContainEqual({ code: 'minutes-apart' });
    expect((await send([made({ kind: 'remark', text: ' ' })])).status).toBe(400);
    expect((await send([made({ kind: 'sang' })])).status).toBe(400);
    expect((await send([{ ...made({ kind: 'ended' }), id: 'mine' }])).status).toBe(400);
    expect(await kept()).toHaveLength(before);
  });

  it('are seen by nobody of another school, nor by an assistant', async () => {
    const elsewhere = '/api/classes/01890a5d-ac96-774b-bcce-b302099a8057/lessons';
    expect((await test.send('GET', elsewhere)).status).toBe(404);
    expect((await test.send('POST', elsewhere, { events: [made({ kind: 'ended' })] })).status).toBe(404);
    expect((await test.send('GET', address(), undefined, null)).status).toBe(401);
  });
});
