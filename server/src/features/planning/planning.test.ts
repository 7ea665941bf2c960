import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { ClassSettings } from '@escalier/contract/classes';
import type { Refusal } from '@escalier/contract/refusals';
import type { StaircaseChoice, StaircaseDto } from '@escalier/contract/staircases';
import type { TuneDto } from '@escalier/contract/tunes';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newId } from '../../platform/ids.ts';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import { ChangeEntity } from '../changes/index.ts';
import { PupilEntity } from '../classes/index.ts';

let test: TestApp;
let tunes: readonly TuneDto[];
beforeAll(async () => {
  test = await createTestApp();
  tunes = await get<TuneDto[]>('/api/tunes');
});
afterAll(() => test.close());

const get = async <Body>(path: string): Promise<Body> => (await (await test.send('GET', path)).json()) as Body;
const tune = (title: string): string => tunes.find((tune) => tune.title === title)!.id;
const problem = async (answer: Response) => ((await answer.json()) as Refusal).error;
const named = async (name: string): Promise<StaircaseDto> => {
  const [found] = (await get<StaircaseChoice[]>('/api/staircases')).filter((each) => each.name === name);
  return get(`/api/staircases/${found!.id}`);
};

const anyWay = { tempo: null, slips: null, lookFor: [] };
const step = (title: string, more: object = {}) => ({
  id: null,
  belt: 'straw',
  lessons: 2,
  toPass: 1,
  passRule: anyWay,
  tunes: [{ id: tune(title), role: 'main' }],
  ...more,
});
/** What a form sends of a staircase that it was filled from. */
const changeOf = ({ name, noteOrder, version, steps }: StaircaseDto) => ({
  name,
  noteOrder,
  version,
  steps: steps.map(({ results: _results, starters: _starters, tunes: own, ...rest }) => ({
    ...rest,
    tunes: own.map(({ id, role }) => ({ id, role })),
  })),
});
const put = (stairs: StaircaseDto, change: object) =>
  test.send('PUT', `/api/staircases/${stairs.id}`, { ...changeOf(stairs), ...change });
const make = async (name: string, ...titles: string[]): Promise<StaircaseDto> => {
  const steps = titles.map((title) => step(title));
  const body = { name, instrumentId: 'soprano-recorder-baroque', noteOrder: ['B4', 'A4'], steps };
  const answer = await test.send('POST', '/api/staircases', body);
  expect(answer.status).toBe(201);
  return (await answer.json()) as StaircaseDto;
};

describe('making a staircase', () => {
  it('keeps steps in order, with tunes, lessons and what passing means', async () => {
    const made = await make('Mine', 'One Boot', 'Doorbell');
    const passRule = { tempo: 72, slips: 2, lookFor: ['hands', 'tongue'] };
    const choices = [
      { id: tune('Doorbell'), role: 'main' },
      { id: tune('Paper Planes'), role: 'choice' },
      { id: tune('Goose Walk'), role: 'extra' },
    ];
    const [first, second] = changeOf(made).steps;
    const changed = await put(made, { steps: [first, { ...second, passRule, tunes: choices, lessons: 4, toPass: 2 }] });
    expect(changed.status).toBe(200);
    const again = await get<StaircaseDto>(`/api/staircases/${made.id}`);
    expect(again.version).toBe(2);
    expect(again.steps[1]).toMatchObject({
      id: second!.id,
      lessons: 4,
      toPass: 2,
      passRule,
      results: 0,
      starters: 0,
      tunes: [
        { title: 'Doorbell', role: 'main' },
        { title: 'Paper Planes', role: 'choice' },
        { title: 'Goose Walk', role: 'extra' },
      ],
    });
    const [line] = await test.orm.em.fork().find(ChangeEntity, { about: made.id }, { orderBy: { id: 'desc' } });
    expect(line!.what).toEqual({ code: 'staircase-changed', name: 'Mine' });
  });

  it('moves, inserts and removes steps', async () => {
    const made = await make('Moving', 'One Boot', 'Doorbell', 'Paper Planes');
    const [first, second, third] = changeOf(made).steps;
    const moved = (await (await put(made, { steps: [third, step('Lamp Lighter'), first] })).json()) as StaircaseDto;
    expect(moved.steps.map((step) => step.tunes[0]!.title)).toEqual(['Paper Planes', 'Lamp Lighter', 'One Boot']);
    expect(moved.steps[0]!.id).toBe(third!.id);
    expect(moved.steps.map((step) => step.id)).not.toContain(second!.id);
  });

  it.each<[string, object, string]>([
    ['no step', { steps: [] }, 'too-few'],
    ['no name', { name: ' ' }, 'missing'],
    ['a note twice in the order', { noteOrder: ['B4', 'B4'] }, 'twice'],
    ['no note', { noteOrder: ['H4'] }, 'not-note'],
    ['a belt nobody has', { steps: [{ belt: 'gold' }] }, ''],
    ['no lessons', { steps: [{ lessons: 0 }] }, 'too-low'],
    ['a tune of nobody', { steps: [{ tunes: [{ id: newId(), role: 'main' }] }] }, 'unknown'],
    ['no main tune', { steps: [{ tunes: 'extra' }] }, 'main-first'],
    ['a step of nobody', { steps: [{ id: newId() }] }, 'unknown'],
  ])('refuses %s, and stays as it was', async (_, change, words) => {
    const made = await named('Mine');
    const steps = (change as { steps?: object[] }).steps?.map((each) =>
      (each as { tunes?: unknown }).tunes === 'extra'
        ? step('One Boot', { tunes: [{ id: tune('One Boot'), role: 'extra' }] })
        : step('One Boot', each),
    );
    const refused = await put(made, { ...change, ...(steps === undefined ? {} : { steps }) });
    expect(refused.status).toBe(400);
    expect(JSON.stringify(await problem(refused))).toContain(words);
    expect(await named('Mine')).toEqual(made);
  });

  it('refuses a stale form with who changed it', async () => {
    const made = await named('Mine');
    expect((await put(made, { name: 'Mine' })).status).toBe(200);
    const stale = await put(made, { name: 'Mine' });
    expect(stale.status).toBe(409);
    expect((await problem(stale)).message).toContain('has changed this since you opened it');
  });

  it('deletes one that no class climbs', async () => {
    const made = await make('Going', 'One Boot');
    expect((await test.send('DELETE', `/api/staircases/${made.id}`)).status).toBe(200);
    expect((await test.send('GET', `/api/staircases/${made.id}`)).status).toBe(404);
    const climbed = await named('Recorder, from B down');
    const refused = await test.send('DELETE', `/api/staircases/${climbed.id}`);
    expect(refused.status).toBe(409);
    expect((await problem(refused)).message).toContain('4 Plover');
  });
});

describe('results that hang on a step', () => {
  it('stay with their tune when steps move', async () => {
    const stairs = await named('Recorder, from B down');
    const [plover] = (await get<ClassSummary[]>('/api/classes')).filter((each) => each.name === '4 Plover');
    const before = await test.view(plover!.id);
    const { steps } = changeOf(stairs);
    const swapped = [steps[1], steps[0], ...steps.slice(2)];
    expect((await put(stairs, { steps: swapped })).status).toBe(200);
    const after = await get<ClassPage>(`/api/classes/${plover!.id}`);
    expect(after.steps.map((step) => step.id)).toEqual(swapped.map((each) => each!.id));
    const passedOn = (view: typeof before, stepId: string): number =>
      view.pupils.filter(({ standing }) => standing?.steps.some((step) => step.stepId === stepId && step.passed))
        .length;
    const now = await test.view(plover!.id);
    expect(passedOn(before, steps[0]!.id)).toBeGreaterThan(0);
    for (const { id } of steps) expect(passedOn(now, id)).toBe(passedOn(before, id));
    const back = await named('Recorder, from B down');
    expect((await put(back, { steps: changeOf(stairs).steps })).status).toBe(200);
  });

  it('keep a step from being removed or given another tune, and say what to do instead', async () => {
    const stairs = await named('Recorder, from B down');
    const { steps } = changeOf(stairs);
    expect(stairs.steps[0]!.results).toBeGreaterThan(0);
    const removed = await put(stairs, { steps: steps.slice(1) });
    expect(removed.status).toBe(409);
    expect((await problem(removed)).message).toMatch(/^Step 1, “Three Lanterns”, has \d+ results\. Move it/);
    const other = [{ id: tune('One Boot'), role: 'main' }];
    const exchanged = await put(stairs, { steps: [{ ...steps[0], tunes: other }, ...steps.slice(1)] });
    expect((await problem(exchanged)).message).toContain('as a choice beside it');
    expect((await named('Recorder, from B down')).version).toBe(stairs.version);
  });

  it('let a step with none be removed, unless pupils begin there', async () => {
    const stairs = await named('Recorder, from B down');
    const steps = [...changeOf(stairs).steps, step('One Boot')];
    const longer = (await (await put(stairs, { steps })).json()) as StaircaseDto;
    const added = longer.steps.at(-1)!;
    const [plover] = (await get<ClassSummary[]>('/api/classes')).filter((each) => each.name === '4 Plover');
    const pupil = { name: 'Late', startStep: longer.steps.length, joinedOn: '2026-03-01' };
    expect((await test.send('POST', `/api/classes/${plover!.id}/pupils`, { pupils: [pupil] })).status).toBe(201);
    const without = changeOf(longer).steps.slice(0, -1);
    const refused = await put(longer, { steps: without });
    expect(refused.status).toBe(409);
    expect((await problem(refused)).message).toContain('is where a pupil starts');
    await test.orm.em.fork().nativeDelete(PupilEntity, { startStep: added.id });
    expect((await put(longer, { steps: without })).status).toBe(200);
  });

  it('count no extra tune as passing the step', async () => {
    const [plover] = (await get<ClassSummary[]>('/api/classes')).filter((each) => each.name === '4 Plover');
    const page = await get<ClassPage>(`/api/classes/${plover!.id}`);
    const last = page.steps.at(-1)!;
    const stairs = await named('Recorder, from B down');
    const { steps } = changeOf(stairs);
    const extra = { id: tune('One Boot'), role: 'extra' as const };
    const withExtra = steps.map((step) => (step.id === last.id ? { ...step, tunes: [...step.tunes, extra] } : step));
    expect((await put(stairs, { steps: withExtra })).status).toBe(200);
    const pupil = page.pupils.find((pupil) => pupil.leftOn === null)!;
    await test.record({
      kind: 'heard',
      id: newId(),
      classId: plover!.id,
      pupilId: pupil.id,
      stepId: last.id,
      tuneId: extra.id,
      outcome: 'passed',
      remarks: [],
      heardAt: '2026-03-03T09:45:00.000Z',
    });
    const standing = (await test.view(plover!.id)).pupils.find((each) => each.id === pupil.id)!.standing!;
    expect(standing.steps.find((step) => step.stepId === last.id)?.passed ?? false).toBe(false);
  });
});

describe('the staircase of a class', () => {
  it('can be another as long as nobody has results', async () => {
    const stairs = await named('Mine');
    const [term] = await get<{ id: string }[]>('/api/terms');
    const [plover] = await get<ClassSummary[]>('/api/classes');
    const { style } = await get<ClassSettings>(`/api/classes/${plover!.id}/settings`);
    const other = await named('Whistle, top three first');
    const added = await test.send('POST', '/api/classes', {
      name: 'New',
      grade: '',
      termId: term!.id,
      meetings: [],
      style,
      staircaseId: other.id,
    });
    const made = (await added.json()) as ClassSettings;
    const give = (id: string, version: number) =>
      test.send('PUT', `/api/classes/${id}/staircase`, { staircaseId: stairs.id, version });
    expect((await give(made.id, made.version)).status).toBe(200);
    expect((await get<ClassSettings>(`/api/classes/${made.id}/settings`)).staircaseId).toBe(stairs.id);
    const { version } = await get<ClassSettings>(`/api/classes/${plover!.id}/settings`);
    const refused = await give(plover!.id, version);
    expect(refused.status).toBe(409);
    expect((await problem(refused)).message).toContain('on its stairs');
  });
});

describe('a lesson that one class loses', () => {
  it('shifts the rest of that class, and nothing else; the calendar says what each lesson holds', async () => {
    const classes = await get<ClassSummary[]>('/api/classes');
    const [plover, otter] = ['4 Plover', '4 Otter'].map((name) => classes.find((each) => each.name === name)!);
    const page = await get<ClassPage>(`/api/classes/${plover!.id}`);
    const { date } = page.lessons.next!;
    const lose = (isLost: boolean, on: string = date) =>
      test.send('PUT', `/api/calendar/${plover!.id}/lost`, { date: on, reason: 'trip', isLost });
    const file = async () => (await test.send('GET', `/api/calendar/${plover!.id}/lessons.ics`)).text();
    expect((await file()).replaceAll('\r\n ', '')).toMatch(
      /SUMMARY:4 Plover: lesson 1 of \d+\\, step 1\\, new: Three Lanterns/,
    );
    expect((await lose(true)).status).toBe(200);
    expect((await lose(true)).status).toBe(200);
    const after = await get<ClassPage>(`/api/classes/${plover!.id}`);
    expect(after.lessons.total).toBe(page.lessons.total - 1);
    expect(after.lessons.lost).toBe(page.lessons.lost + 1);
    expect(after.lessons.all.map((lesson) => lesson.date)).not.toContain(date);
    const other = (await get<ClassSummary[]>('/api/classes')).find((each) => each.id === otter!.id)!;
    expect(other.lessons.total).toBe(otter!.lessons.total);
    expect((await lose(false)).status).toBe(200);
    expect((await get<ClassPage>(`/api/classes/${plover!.id}`)).lessons.total).toBe(page.lessons.total);
    const never = await lose(true, '2026-01-01');
    expect(never.status).toBe(400);
    expect((await problem(never)).fields?.date).toEqual({ code: 'no-lesson' });
  });
});
