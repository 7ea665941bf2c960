import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { AccessSlip, RoomFacts, RoomOfClass } from '@escalier/contract/practice-rooms';
import type { RecordingList } from '@escalier/contract/recordings';
import type { Refusal } from '@escalier/contract/refusals';
import { addDays, addMinutes } from 'date-fns';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { createTestApp, TEST_NOW, type TestApp } from '../../testing/index.ts';
import { wavOf } from '../../testing/sounds.ts';

let test: TestApp;
let page: ClassPage;
let otherClass = '';
beforeAll(async () => {
  test = await createTestApp();
  const classes = (await (await test.send('GET', '/api/classes')).json()) as readonly ClassSummary[];
  const { id } = classes.find((each) => each.name === '4 Plover')!;
  otherClass = classes.find((each) => each.name === '4 Otter')!.id;
  page = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
  await test.orm.em.fork().execute('update pupil set may_record = false');
});
afterAll(() => test.close());

const UNTIL = '2026-03-31';
const pupil = () => page.pupils.find(({ leftOn }) => leftOn === null)!;
const said = async (answer: Response) => ((await answer.json()) as Refusal).error;
const open = (until: string | null = UNTIL) => test.send('PUT', `/api/classes/${page.id}/room`, { until });
const allow = (allowed: boolean) => test.send('PUT', '/api/school/rooms', { allowed });
const room = async () => (await (await test.send('GET', `/api/classes/${page.id}/room`)).json()) as RoomOfClass;

async function slip(pupilId = pupil().id): Promise<AccessSlip> {
  const answer = await test.send('POST', `/api/classes/${page.id}/room/slips`, { pupilIds: [pupilId] });
  expect(answer.status).toBe(201);
  return ((await answer.json()) as readonly AccessSlip[])[0]!;
}

/** As somebody who has no more than a slip. */
function through(token: string | null, path = '', init: RequestInit = {}): Promise<Response> {
  const headers = { ...init.headers, ...(token === null ? {} : { authorization: `Bearer ${token}` }) };
  return Promise.resolve(test.app.request(`/api/room${path}`, { ...init, headers }));
}
const facts = async (token: string) => (await (await through(token)).json()) as RoomFacts;
const byWords = (words: string) =>
  through(null, '/words', {
    method: 'POST',
    body: JSON.stringify({ words }),
    headers: { 'content-type': 'application/json' },
  });

const wav = () => wavOf(9);
const send = (token: string, tuneId: string, id = v7(), seconds = '9') =>
  through(token, `/recordings/${id}?${new URLSearchParams({ tuneId, seconds }).toString()}`, {
    method: 'PUT',
    body: wav(),
    headers: { 'content-type': 'application/octet-stream' },
  });

describe('the practice room of a class', () => {
  it('stays closed until the owner has allowed it', async () => {
    expect(await room()).toMatchObject({ allowed: false, room: null });
    expect(await said(await open())).toMatchObject({ code: 'rooms-off' });
    const answer = await test.send('POST', `/api/classes/${page.id}/room/slips`, { pupilIds: [pupil().id] });
    expect(await said(answer)).toMatchObject({ code: 'room-closed' });
    expect((await allow(true)).status).toBe(200);
    expect((await open('2026-03-01')).status).toBe(400);
    expect((await open()).status).toBe(200);
    expect((await room()).room).toEqual({ until: UNTIL, task: null, version: 0 });
  });

  it('knows the pupil’s way up, and neither name nor class nor school', async () => {
    const { token, pictureName } = await slip();
    const answer = await through(token);
    expect([answer.status, answer.headers.get('set-cookie')]).toEqual([200, null]);
    const text = await answer.text();
    const { school: schoolName } = (await (await test.send('GET', '/api/session')).json()) as { school: string };
    for (const secret of [pupil().name, pupil().id, page.id, '4 Plover', schoolName])
      expect(text).not.toContain(secret);
    const known = JSON.parse(text) as RoomFacts;
    expect(known).toMatchObject({ pictureName, until: UNTIL, mayHandIn: false, task: null, answers: [] });
    expect(known.tunes.length).toBe(Math.min(known.now + 2, 6));
    expect(known.tunes.filter(({ passed }) => passed).length).toBe(known.now);
    expect(known.tunes[0]!.abc).toContain('T:Three Lanterns');
  });

  it('is found by the three words too, and a token of theirs opens it on another device', async () => {
    const { words, token, pictureName } = await slip();
    const answer = await byWords(`  ${words.toUpperCase().replaceAll(' ', ', ')}`);
    const other = ((await answer.json()) as { token: string }).token;
    expect(other).not.toBe(token);
    expect((await facts(other)).pictureName).toBe(pictureName);
    expect((await facts(token)).pictureName).toBe(pictureName);
    test.setNow(addMinutes(TEST_NOW, 1));
    for (let device = 0; device < 12; device++) await byWords(words);
    test.setNow(TEST_NOW);
    expect((await through(other)).status).toBe(404);
    expect((await through(token)).status).toBe(200);
  });

  it('gives every pupil a name of their own, which a new slip keeps', async () => {
    const pupilIds = page.pupils.filter(({ leftOn }) => leftOn === null).map(({ id }) => id);
    const answer = await test.send('POST', `/api/classes/${page.id}/room/slips`, { pupilIds });
    const slips = (await answer.json()) as readonly AccessSlip[];
    expect(new Set(slips.map(({ pictureName }) => pictureName)).size).toBe(pupilIds.length);
    const mine = slips.find(({ pupilId }) => pupilId === pupil().id)!;
    expect((await slip()).pictureName).toBe(mine.pictureName);
    expect((await room()).pupils.every(({ pictureName }) => pictureName !== null)).toBe(true);
  });

  it('has what the teacher set for the week', async () => {
    const { token } = await slip();
    const tuneId = page.steps[0]!.tuneId;
    const task = { tuneId, bars: [3, 4], tempo: 60, words: 'Slowly, with the beat.' };
    expect((await test.send('PUT', `/api/classes/${page.id}/room/task`, { task, version: 0 })).status).toBe(200);
    expect((await facts(token)).task).toMatchObject({ tune: 0, bars: [3, 4], tempo: 60, words: task.words });
    for (const wrong of [
      { ...task, bars: [4, 3] },
      { ...task, tempo: 5 },
      { ...task, bars: [3, 99] },
      { ...task, tuneId: v7() },
    ])
      expect((await test.send('PUT', `/api/classes/${page.id}/room/task`, { task: wrong, version: 1 })).status).toBe(
        400,
      );
    const stale = await test.send('PUT', `/api/classes/${page.id}/room/task`, { task: null, version: 0 });
    expect(await said(stale)).toMatchObject({ code: 'changed', changed: { by: 'Mara Tillen' } });
    expect((await test.send('PUT', `/api/classes/${page.id}/room/task`, { task: null, version: 1 })).status).toBe(200);
    expect((await facts(token)).task).toBeNull();
  });
});

describe('a door', () => {
  it('does not open for a stranger, and nothing else opens by its token', async () => {
    expect((await through(null)).status).toBe(401);
    expect((await through('x'.repeat(43))).status).toBe(404);
    expect((await through('too short')).status).toBe(401);
    const { token } = await slip();
    for (const path of ['/api/session', '/api/classes', `/api/classes/${page.id}`, '/api/tunes']) {
      const answer = await test.app.request(path, { headers: { authorization: `Bearer ${token}` } });
      expect(answer.status, path).toBe(401);
    }
    for (const [method, path] of [
      ['GET', `/api/classes/${page.id}/room`],
      ['POST', `/api/classes/${page.id}/room/slips`],
    ] as const)
      expect((await test.send(method, path, method === 'GET' ? undefined : {}, null)).status).toBe(401);
  });

  it('is closed by a new slip, by the switch, by the last day, and with the room', async () => {
    const before = await slip();
    const { token, words } = await slip();
    expect(await said(await through(before.token))).toMatchObject({ code: 'slip-void' });
    expect((await byWords(before.words)).status).toBe(404);
    const state = async () => [(await through(token)).status, (await byWords(words)).status];
    await allow(false);
    expect(await state()).toEqual([404, 404]);
    await allow(true);
    test.setNow(addDays(TEST_NOW, 60));
    expect(await state()).toEqual([404, 404]);
    test.setNow(TEST_NOW);
    await open(null);
    expect(await state()).toEqual([404, 404]);
    await open();
    expect(await state(), 'slips from before it was closed').toEqual([404, 404]);
  });

  it('does not go along to another class, and is gone with the pupil’s data', async () => {
    const someone = page.pupils.filter(({ leftOn }) => leftOn === null)[3]!.id;
    const { token } = await slip(someone);
    const away = await test.send('POST', `/api/classes/${page.id}/room/slips`, { pupilIds: [v7()] });
    expect(away.status).toBe(400);
    expect((await test.send('POST', `/api/pupils/${someone}/move`, { classId: otherClass, version: 1 })).status).toBe(
      200,
    );
    expect((await through(token)).status).toBe(404);
    const other = page.pupils.filter(({ leftOn }) => leftOn === null)[6]!.id;
    const gone = await slip(other);
    expect((await through(gone.token)).status).toBe(200);
    expect((await test.send('POST', `/api/pupils/${other}/erase`, {})).status).toBe(200);
    expect((await through(gone.token)).status).toBe(404);
    const kept = 'select count(*)::int as n from door where pupil_id = ?';
    expect(await test.orm.em.fork().execute(kept, [other])).toEqual([{ n: 0 }]);
  });

  it('makes who guesses at words wait, though one slip was right in between', async () => {
    const { words } = await slip();
    const answers: number[] = [];
    for (let guess = 0; guess < 60; guess++)
      answers.push((await byWords(guess % 7 === 0 ? words : 'otter lamp zigzag')).status);
    expect(answers.slice(-5)).toEqual([429, 429, 429, 429, 429]);
    const refused = await byWords('not words');
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
    expect(await said(refused)).toMatchObject({ code: 'too-many-tries' });
    vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + 3_600_000 });
    expect((await byWords(words)).status).toBe(200);
    expect((await byWords('one two three')).status).toBe(400);
    vi.useRealTimers();
  });
});

describe('handing in', () => {
  it('waits for the family’s consent, comes into the inbox, and is answered', async () => {
    const { token } = await slip();
    const tuneId = page.steps[0]!.tuneId;
    expect(await said(await send(token, tuneId))).toMatchObject({ code: 'no-consent' });
    await test.orm.em.fork().execute('update pupil set may_record = true where id = ?', [pupil().id]);
    const id = v7();
    expect((await send(token, tuneId, id)).status).toBe(201);
    expect((await send(token, tuneId, id)).status).toBe(201);
    // As curl sends a file when it is not told what it is.
    const plain = { 'content-type': 'application/x-www-form-urlencoded' };
    const again = await through(token, `/recordings/${id}?tuneId=${tuneId}&seconds=9`, {
      method: 'PUT',
      body: wav(),
      headers: plain,
    });
    expect(again.status).toBe(201);
    expect((await send(token, v7())).status).toBe(404);
    expect((await send(token, tuneId, v7(), '500')).status).toBe(400);
    const list = (await (await test.send('GET', `/api/classes/${page.id}/recordings`)).json()) as RecordingList;
    expect(list.recordings).toMatchObject([{ id, pupilId: pupil().id, tuneId, fromHome: true, fileName: 'From home' }]);
    expect((await facts(token)).answers).toMatchObject([
      { id, words: '', outcome: null, bars: [], spokenSeconds: null },
    ]);

    await test.send('PATCH', `/api/recordings/${id}`, { words: 'Lovely sound. Bar 3 once more.', version: 0 });
    const event = { id: v7(), kind: 'heard', pupilId: pupil().id, stepId: page.steps[0]!.id, outcome: 'nearly' };
    const faults = [{ bar: 3, barIndex: 2 }];
    const listened = { recordingId: id, outcome: 'nearly', remarks: [] };
    const at = TEST_NOW.toISOString();
    expect(await test.record({ ...event, remarks: [], faults, listened, tuneId, heardAt: at })).toMatchObject([
      { id: event.id, stored: true },
    ]);
    const [answer] = (await facts(token)).answers;
    expect(answer).toMatchObject({ words: 'Lovely sound. Bar 3 once more.', outcome: 'nearly', bars: [3] });
    expect((await room()).pupils.find((each) => each.id === pupil().id)).toMatchObject({
      handedIn: 1,
      mayHandIn: true,
    });
  });

  it('lets the pupil hear what the teacher spoke, and no one else', async () => {
    const { token } = await slip();
    const other = await slip(page.pupils.filter(({ leftOn }) => leftOn === null)[5]!.id);
    const [answer] = (await facts(token)).answers;
    expect((await through(token, `/answers/${answer!.id}`)).status).toBe(404);
    await test.app.request(`/api/recordings/${answer!.id}/answer?seconds=9&version=1`, {
      method: 'PUT',
      body: wav(),
      headers: { 'content-type': 'application/octet-stream', cookie: test.cookie },
    });
    expect((await through(token, `/answers/${answer!.id}`)).headers.get('content-type')).toBe('audio/wav');
    expect((await through(other.token, `/answers/${answer!.id}`)).status).toBe(404);
    expect((await facts(other.token)).answers).toEqual([]);
  });

  it('ends for the day after ten, and with the school’s days the answers are gone', async () => {
    const { token } = await slip();
    const tuneId = page.steps[0]!.tuneId;
    const answers: number[] = [];
    for (let times = 0; times < 11; times++) answers.push((await send(token, tuneId)).status);
    expect(answers.slice(-2)).toEqual([429, 429]);
    test.setNow(addDays(TEST_NOW, 27));
    expect((await facts(token)).answers.length).toBe(10);
    await test.orm.em.fork().execute('update school set recording_days = 7');
    expect((await facts(token)).answers).toEqual([]);
    test.setNow(TEST_NOW);
  });
});
