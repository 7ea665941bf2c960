import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { ClassSettings } from '@escalier/contract/classes';
import type { PupilRecord } from '@escalier/contract/pupils';
import type { FieldProblem } from '@escalier/contract/field-problems';
import type { Refusal } from '@escalier/contract/refusals';
import type { StaircaseChoice } from '@escalier/contract/staircases';
import type { ClassCalendar, TermDto } from '@escalier/contract/terms';
import type { TuneDto } from '@escalier/contract/tunes';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { AccountEntity } from '../accounts/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { hashPassword } from '../sign-in/index.ts';
import { newId } from '../../platform/ids.ts';
import { createTestApp, signedIn, type TestApp } from '../../testing/index.ts';

let test: TestApp;
let stranger: string;
const ids = new Map<string, string>();

beforeAll(async () => {
  test = await createTestApp();
  const list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
  for (const each of list) ids.set(each.name, each.id);
  const em = test.orm.em.fork();
  const school = newId();
  await em.insert(SchoolEntity, { id: school, name: 'Elsewhere', timeZone: 'Europe/Lisbon' });
  const account = { email: 'other@elsewhere.example', password: 'a-long-password' };
  const passwordHash = await hashPassword(account.password);
  await em.insert(AccountEntity, {
    id: newId(),
    school,
    email: account.email,
    name: 'Other',
    passwordHash,
    role: 'owner',
    sealKey: '',
  });
  stranger = await signedIn((body) => test.send('POST', '/api/sign-in', body, null), account);
});
afterAll(() => test.close());

async function get<Body>(path: string): Promise<Body> {
  const answer = await test.send('GET', path);
  expect(answer.status, path).toBe(200);
  return (await answer.json()) as Body;
}

async function fields(answer: Response): Promise<Readonly<Record<string, FieldProblem>>> {
  expect(answer.status).toBe(400);
  return ((await answer.json()) as Refusal).error.fields ?? {};
}

const plover = (): string => ids.get('4 Plover')!;
const otter = (): string => ids.get('4 Otter')!;

describe('the settings of a class', () => {
  it('change how it meets, and with it the lessons', async () => {
    const { id, staircaseId, ...settings } = await get<ClassSettings>(`/api/classes/${plover()}/settings`);
    expect([id, staircaseId]).toHaveLength(2);
    const before = (await get<ClassPage>(`/api/classes/${plover()}`)).lessons.total;
    const alternating = {
      ...settings,
      meetings: [{ on: { kind: 'alternating', week: 'A', weekday: 2 }, at: '09:40', minutes: 40, mode: 'home' }],
    };
    expect((await test.send('PUT', `/api/classes/${plover()}/settings`, alternating)).status).toBe(200);
    const { lessons } = await get<ClassPage>(`/api/classes/${plover()}`);
    expect(lessons.total).toBeLessThan(before / 2);
    expect(lessons.all.every((lesson) => lesson.mode === 'home')).toBe(true);
    const back = { ...settings, version: settings.version + 1 };
    expect((await test.send('PUT', `/api/classes/${plover()}/settings`, back)).status).toBe(200);
  });

  it('are refused with what is wrong where', async () => {
    const { id: _, staircaseId: __, ...settings } = await get<ClassSettings>(`/api/classes/${plover()}/settings`);
    const put = (more: object) => test.send('PUT', `/api/classes/${plover()}/settings`, { ...settings, ...more });
    expect(await fields(await put({ name: '  ' }))).toEqual({ name: { code: 'missing' } });
    expect(await fields(await put({ termId: newId() }))).toEqual({ termId: { code: 'unknown' } });
    const at = { on: { kind: 'weekly', weekday: 1 }, at: '25:00', minutes: 40, mode: 'room' };
    expect(await fields(await put({ meetings: [at] }))).toEqual({ 'meetings.0.at': { code: 'not-time' } });
    const style = { ...settings.style, posture: { ...settings.style.posture, mouth: 'nose' } };
    expect(Object.keys(await fields(await put({ style })))).toEqual(['style.posture.mouth']);
  });

  it('say what the class brings, and nothing of it is new on its stairs', async () => {
    const { id: _, staircaseId: __, ...settings } = await get<ClassSettings>(`/api/classes/${otter()}/settings`);
    const news = async () => (await get<ClassPage>(`/api/classes/${otter()}`)).steps.map((step) => step.newNotes);
    expect((await news())[2]).toEqual(['E4']);
    const tunes = await get<TuneDto[]>('/api/tunes');
    const goose = tunes.find((tune) => tune.title === 'Goose Walk')!.id;
    const put = (brings: object, version: number) =>
      test.send('PUT', `/api/classes/${otter()}/settings`, {
        ...settings,
        brings: { ...settings.brings, ...brings },
        version,
      });
    expect((await put({ notes: ['B4'], tuneIds: [goose] }, settings.version)).status).toBe(200);
    expect((await news()).slice(0, 3)).toEqual([[], [], []]);
    expect(await fields(await put({ tuneIds: [newId()] }, settings.version + 1))).toEqual({
      brings: { code: 'unknown' },
    });
    expect(Object.keys(await fields(await put({ notes: ['H4'] }, settings.version + 1)))).toEqual(['brings.notes.0']);
    expect((await put({}, settings.version + 1)).status).toBe(200);
  });

  it('choose a fingering where there are several, and the class’s instrument carries it', async () => {
    const { id: _, staircaseId: __, ...settings } = await get<ClassSettings>(`/api/classes/${otter()}/settings`);
    const style = { ...settings.style, teaching: { ...settings.style.teaching, fingerings: { 'F#5': 1 } } };
    expect((await test.send('PUT', `/api/classes/${otter()}/settings`, { ...settings, style })).status).toBe(200);
    expect((await get<ClassPage>(`/api/classes/${otter()}`)).instrumentId).toBe('soprano-recorder-baroque~F#5.1');
    const bad = { ...settings.style.teaching, echo: { turns: 9, sight: 'shown' } };
    const refused = { ...settings, style: { ...style, teaching: bad }, version: settings.version + 1 };
    expect(await fields(await test.send('PUT', `/api/classes/${otter()}/settings`, refused))).toEqual({
      'style.teaching.echo.turns': { code: 'too-high', most: 3 },
    });
  });

  it('make a new class on the stairs of the school', async () => {
    const [stairs] = await get<StaircaseChoice[]>('/api/staircases');
    const { id: _, staircaseId: __, ...settings } = await get<ClassSettings>(`/api/classes/${plover()}/settings`);
    const made = await test.send('POST', '/api/classes', { ...settings, name: '5 Heron', staircaseId: stairs!.id });
    expect(made.status).toBe(201);
    const { id } = (await made.json()) as ClassSettings;
    expect((await get<ClassPage>(`/api/classes/${id}`)).pupils).toEqual([]);
    expect((await test.send('POST', '/api/classes', { ...settings, name: 'X', staircaseId: newId() })).status).toBe(
      400,
    );
    expect((await test.send('GET', `/api/classes/${id}/settings`, undefined, stranger)).status).toBe(404);
  });
});

describe('the calendar', () => {
  it('compares the parallel groups and says what days off cost', async () => {
    const calendar = await get<ClassCalendar>(`/api/calendar/${plover()}`);
    expect(calendar.groups.map((group) => group.name)).toEqual(expect.arrayContaining(['4 Otter', '4 Plover']));
    expect(calendar.lost.map((lost) => lost.reason)).toContain('Half-term holiday');
    expect(calendar.lessons.length).toBe((await get<ClassPage>(`/api/classes/${plover()}`)).lessons.total);
  });

  it('gives the lessons as a file, and to a calendar program by a secret that can be taken back', async () => {
    const file = await test.send('GET', `/api/calendar/${plover()}/lessons.ics`);
    expect(file.headers.get('content-type')).toContain('text/calendar');
    expect(await file.text()).toContain('SUMMARY:4 Plover: lesson 1 of');
    const { token } = (await (await test.send('PUT', `/api/calendar/${plover()}/link`, { on: true })).json()) as {
      token: string;
    };
    const subscribed = await test.send('GET', `/api/calendars/${token}`, undefined, null);
    expect(await subscribed.text()).toContain('BEGIN:VEVENT');
    await test.send('PUT', `/api/calendar/${plover()}/link`, { on: false });
    expect((await test.send('GET', `/api/calendars/${token}`, undefined, null)).status).toBe(404);
  });

  it('takes holidays from an iCalendar file after a preview, and keeps a term whole', async () => {
    const [term] = await get<TermDto[]>('/api/terms');
    const day = term!.startsOn.replaceAll('-', '');
    const ics = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:${day}\r\nSUMMARY:Snow\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
    const preview = await test.send('POST', `/api/terms/${term!.id}/holidays`, { ics });
    const { daysOff } = (await preview.json()) as { daysOff: TermDto['daysOff'] };
    expect(daysOff).toEqual([{ from: term!.startsOn, to: term!.startsOn, reason: 'Snow' }]);
    expect((await get<TermDto[]>('/api/terms'))[0]).toEqual(term);
    const { id, ...rest } = term!;
    expect(
      (await test.send('PUT', `/api/terms/${id}`, { ...rest, daysOff: [...rest.daysOff, ...daysOff] })).status,
    ).toBe(200);
    expect((await get<TermDto[]>('/api/terms'))[0]!.daysOff).toHaveLength(rest.daysOff.length + 1);
    const back = { ...rest, version: rest.version + 1 };
    expect((await test.send('PUT', `/api/terms/${id}`, back)).status).toBe(200);
    expect(await fields(await test.send('POST', `/api/terms/${id}/holidays`, { ics: 'no' }))).toHaveProperty('ics');
    expect(await fields(await test.send('PUT', `/api/terms/${id}`, { ...rest, endsOn: '2020-01-01' }))).toEqual({
      endsOn: { code: 'first-last' },
    });
    expect((await test.send('POST', '/api/terms', { ...rest, name: 'Summer' })).status).toBe(201);
    expect((await test.send('PUT', `/api/terms/${id}`, rest, stranger)).status).toBe(404);
  });
});

describe('pupils', () => {
  const list = (classId = plover()): Promise<PupilRecord[]> => get(`/api/classes/${classId}/pupils`);
  const add = (pupils: readonly object[], as?: string) =>
    test.send('POST', `/api/classes/${plover()}/pupils`, { pupils }, as);
  const fresh = (name: string, startStep = 1) => ({ name, startStep, joinedOn: '2026-03-03' });

  it('are added all or none, and told apart', async () => {
    const before = (await list()).length;
    expect(await fields(await add([fresh('Zelda'), fresh('Aino')]))).toEqual({
      'pupils.1.name': { code: 'name-taken', name: 'Aino' },
    });
    expect(await list()).toHaveLength(before);
    expect((await add([fresh('Zelda'), fresh('Zorro', 3)])).status).toBe(201);
    const page = await test.view(plover());
    expect(page.pupils.find((pupil) => pupil.name === 'Zorro')!.standing).toMatchObject({
      stepIndex: 2,
      passedSteps: 0,
    });
    expect(await fields(await add([fresh('Zack', 99)]))).toEqual({
      'pupils.0.startStep': { code: 'no-step', number: 99 },
    });
    expect((await add([fresh('Zoe')], stranger)).status).toBe(404);
  });

  it('are changed, leave and stay in the records; recording is off until somebody says so', async () => {
    const zelda = (await list()).find((pupil) => pupil.name === 'Zelda')!;
    expect(zelda.mayRecord).toBe(false);
    const { id, absences: _absences, moves: _moves, ...rest } = zelda;
    let { version } = zelda;
    const put = async (more: object) => {
      const answer = await test.send('PUT', `/api/pupils/${id}`, { ...rest, ...more, version });
      if (answer.ok) version += 1;
      return answer;
    };
    expect((await put({ note: 'Left-handed.', playsInstead: 'tin-whistle-d', handMark: 'a ring' })).status).toBe(200);
    expect((await list()).find((pupil) => pupil.id === id)).toMatchObject({
      note: 'Left-handed.',
      playsInstead: 'tin-whistle-d',
    });
    expect(await fields(await put({ leftOn: '2026-01-01' }))).toHaveProperty('leftOn');
    expect((await put({ leftOn: '2026-03-04' })).status).toBe(200);
    const page = await test.view(plover());
    expect(page.pupils.find((pupil) => pupil.id === id)!.standing).toBeNull();
    expect(await fields(await put({ name: 'Aino', leftOn: null }))).toHaveProperty('name');
  });

  it('move to a parallel class with their records, and to no class on other stairs', async () => {
    const goran = (await list()).find((pupil) => pupil.name === 'Goran')!;
    const before = (await test.view(plover())).pupils.find((pupil) => pupil.id === goran.id)!;
    const move = (classId: string) => test.send('POST', `/api/pupils/${goran.id}/move`, { classId });
    expect(await fields(await move(ids.get('Whistle Club')!))).toHaveProperty('classId');
    expect((await move(otter())).status).toBe(200);
    const after = (await test.view(otter())).pupils.find((pupil) => pupil.id === goran.id)!;
    expect(after.standing).toEqual(before.standing);
    expect((await list()).some((pupil) => pupil.id === goran.id)).toBe(false);
    expect((await move(plover())).status).toBe(200);
  });

  it('are away on a day, and the day can be taken back', async () => {
    const [first] = await list();
    const say = (absent: boolean) =>
      test.send('PUT', `/api/pupils/${first!.id}/absence`, { date: '2026-03-03', absent });
    expect((await say(true)).status).toBe(200);
    expect((await say(true)).status).toBe(200);
    expect((await list())[0]!.absences).toEqual(['2026-03-03']);
    const page = await test.view(plover());
    expect(page.pupils.find((pupil) => pupil.id === first!.id)!.away).toBe(true);
    expect(page.queue.map((place) => place.pupilId)).not.toContain(first!.id);
    await say(false);
    expect((await list())[0]!.absences).toEqual([]);
    expect(
      (await test.send('PUT', `/api/pupils/${first!.id}/absence`, { date: '2026-03-03', absent: true }, stranger))
        .status,
    ).toBe(404);
  });
});
