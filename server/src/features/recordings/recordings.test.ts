import type { ChangeLine } from '@escalier/contract/changes';
import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { RecordingList } from '@escalier/contract/recordings';
import type { Refusal } from '@escalier/contract/refusals';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cookieOf, createTestApp, type TestApp } from '../../testing/index.ts';
import { flacBomb, wavOf } from '../../testing/sounds.ts';
import { rangeOf } from './routes.ts';

let test: TestApp;
let page: ClassPage;
let pupilId = '';
beforeAll(async () => {
  test = await createTestApp();
  const classes = (await (await test.send('GET', '/api/classes')).json()) as readonly ClassSummary[];
  const { id } = classes.find((each) => each.name === '4 Plover')!;
  page = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
  pupilId = page.pupils[0]!.id;
  await test.orm.em.fork().execute('update pupil set may_record = true where id = ?', [pupilId]);
});
afterAll(() => test.close());

const SECONDS = 9;
const BYTES = 44 + 2 * 8000 * SECONDS;
/** A WAV file of nine seconds. */
const wav = () => wavOf(SECONDS);
/** Nearly three megabytes. */
const large = () => wavOf(90, 16_000);

function keep(id: string, sound: Uint8Array<ArrayBuffer>, asked: Record<string, string> = {}) {
  const { id: stepId, tuneId } = page.steps[0]!;
  const query = new URLSearchParams({
    pupilId,
    stepId,
    tuneId,
    fileName: 'Malia step 1.wav',
    seconds: String(SECONDS),
    ...asked,
  });
  return test.app.request(`/api/recordings/${id}/sound?${query.toString()}`, {
    method: 'PUT',
    body: sound,
    headers: { 'content-type': 'application/octet-stream', cookie: test.cookie },
  });
}
function spokenBy(cookie: string, id: string, sound: Uint8Array<ArrayBuffer>, seconds: string, version: number) {
  return test.app.request(`/api/recordings/${id}/answer?seconds=${seconds}&version=${version}`, {
    method: 'PUT',
    body: sound,
    headers: { 'content-type': 'application/octet-stream', cookie },
  });
}
const list = async (): Promise<RecordingList> =>
  (await (await test.send('GET', `/api/classes/${page.id}/recordings`)).json()) as RecordingList;
const part = async (range: string, id: string) =>
  test.app.request(`/api/recordings/${id}/sound`, { headers: { range, cookie: test.cookie } });
const said = async (answer: Response) => ((await answer.json()) as Refusal).error;

describe('recordings', () => {
  it('are kept once each, listed, played in parts, and erased', async () => {
    const id = v7();
    expect((await keep(id, wav())).status).toBe(201);
    expect((await keep(id, wav())).status).toBe(201);
    const { recordings, storage } = await list();
    expect(recordings.filter((recording) => recording.id === id)).toMatchObject([
      { pupilId, fileName: 'Malia step 1.wav', seconds: SECONDS, heard: null, words: '' },
    ]);
    expect(storage).toMatchObject({ bytes: BYTES, megabytes: 500, days: 30 });
    const all = await test.send('GET', `/api/recordings/${id}/sound`);
    expect(all.headers.get('content-type')).toBe('audio/wav');
    expect((await all.arrayBuffer()).byteLength).toBe(BYTES);
    const some = await part('bytes=8-11', id);
    expect([some.status, some.headers.get('content-range'), await some.text()]).toEqual([
      206,
      `bytes 8-11/${BYTES}`,
      'WAVE',
    ]);
    expect((await part(`bytes=${BYTES}-`, id)).status).toBe(416);
    expect((await test.send('DELETE', `/api/recordings/${id}`)).status).toBe(200);
    expect((await test.send('GET', `/api/recordings/${id}/sound`)).status).toBe(404);
  });

  it('carry what listening made of them, and the teacher’s words, for nobody outside the class', async () => {
    const id = v7();
    await keep(id, wav());
    const heard = { outcome: 'nearly', remarks: ['note'], words: 'One note too many in bar 3.', sure: 0.9 };
    expect((await test.send('PATCH', `/api/recordings/${id}`, { heard })).status).toBe(200);
    await test.send('PATCH', `/api/recordings/${id}`, { words: 'Well done.', version: 0 });
    expect((await list()).recordings.find((recording) => recording.id === id)).toMatchObject({
      heard,
      words: 'Well done.',
    });
    // Erasing is for teachers: an assistant may listen, and no more.
    const assistant = await cookieOf(test, 'sunniva@osierbridge.example');
    expect((await test.send('GET', `/api/recordings/${id}/sound`, undefined, assistant)).status).toBe(200);
    expect((await test.send('DELETE', `/api/recordings/${id}`, undefined, assistant)).status).toBe(403);
    // Ivo teaches another class.
    const other = await cookieOf(test, 'ivo@osierbridge.example');
    for (const [method, path] of [
      ['GET', `/api/recordings/${id}/sound`],
      ['GET', `/api/classes/${page.id}/recordings`],
      ['DELETE', `/api/recordings/${id}`],
    ] as const)
      expect((await test.send(method, path, undefined, other)).status).toBe(404);
    expect((await test.send('PATCH', `/api/recordings/${id}`, { words: '', version: 1 }, other)).status).toBe(404);
  });

  it('carry a spoken answer, which counts to the room and goes with them', async () => {
    const id = v7();
    await keep(id, wav());
    const answer = (sound: Uint8Array<ArrayBuffer>, seconds = '4', cookie = test.cookie) =>
      spokenBy(cookie, id, sound, seconds, 0);
    const before = (await list()).storage.bytes;
    const spoken = wavOf(4);
    expect((await test.send('GET', `/api/recordings/${id}/answer`)).status).toBe(404);
    expect((await answer(spoken)).status).toBe(200);
    const { recordings, storage } = await list();
    expect(recordings.find((recording) => recording.id === id)).toMatchObject({ spokenSeconds: 4, answerVersion: 1 });
    expect(storage.bytes).toBe(before + spoken.length);
    const heard = await test.send('GET', `/api/recordings/${id}/answer`);
    expect((await heard.arrayBuffer()).byteLength).toBe(spoken.length);
    expect((await said(await answer(wavOf(61), '61'))).fields).toEqual({ seconds: { code: 'too-high', most: 60 } });
    expect((await said(await answer(wavOf(90), '60'))).fields).toEqual({ sound: { code: 'sound-too-long', most: 60 } });
    expect((await said(await answer(new TextEncoder().encode('A letter.')))).fields).toHaveProperty('sound');
    const other = await cookieOf(test, 'ivo@osierbridge.example');
    expect((await answer(spoken, '4', other)).status).toBe(404);
    expect((await test.send('GET', `/api/recordings/${id}/answer`, undefined, other)).status).toBe(404);
    expect((await test.send('DELETE', `/api/recordings/${id}/answer?version=1`)).status).toBe(200);
    expect((await list()).recordings.find((recording) => recording.id === id)?.spokenSeconds).toBeNull();
    await test.send('DELETE', `/api/recordings/${id}`);
  });

  it('keep an answer that somebody else gave meanwhile, name who changed it, and let no helper erase it', async () => {
    const id = v7();
    await keep(id, wav());
    const helper = await cookieOf(test, 'sunniva@osierbridge.example');
    const words = (text: string, version: number, cookie = test.cookie) =>
      test.send('PATCH', `/api/recordings/${id}`, { words: text, version }, cookie);
    expect((await words('A lovely sound.', 0)).status).toBe(200);
    const stale = await said(await words('Bar 3 again.', 0, helper));
    expect(stale).toMatchObject({ code: 'changed', changed: { by: 'Mara Tillen' } });
    expect(stale.changed!.what).toEqual({
      code: 'recording-answer-now',
      words: 'A lovely sound.',
      spokenSeconds: null,
    });
    expect((await said(await spokenBy(helper, id, wavOf(2), '2', 0))).code).toBe('changed');
    expect(await said(await words('', 1, helper))).toMatchObject({ code: 'not-your-role' });
    expect((await test.send('DELETE', `/api/recordings/${id}/answer?version=1`, undefined, helper)).status).toBe(403);
    expect((await words('Bar 3 again.', 1, helper)).status).toBe(200);
    expect((await test.send('PATCH', `/api/recordings/${id}`, { words: 'Without a version.' })).status).toBe(400);
    const answered = (await list()).recordings.find((recording) => recording.id === id);
    expect(answered).toMatchObject({ words: 'Bar 3 again.', answerVersion: 2 });
    const lines = (await (await test.send('GET', '/api/changes')).json()) as readonly ChangeLine[];
    const written = lines.filter((line) => line.what.code === 'recording-answered');
    expect(written.map(({ who }) => who)).toEqual(['Sunniva Hale', 'Mara Tillen', 'Mara Tillen']);
    await test.send('DELETE', `/api/recordings/${id}`);
  });

  it('need the family’s consent, a sound, a tune of the class, and not more than three minutes or 3 MB', async () => {
    const other = page.pupils[1]!.id;
    await test.orm.em.fork().execute('update pupil set may_record = false where id = ?', [other]);
    expect(await said(await keep(v7(), wav(), { pupilId: other }))).toMatchObject({ code: 'no-consent' });
    const letter = new TextEncoder().encode('This is a letter, and no sound.');
    expect((await said(await keep(v7(), letter))).fields).toEqual({ sound: { code: 'not-sound' } });
    expect((await said(await keep(v7(), new Uint8Array()))).fields).toHaveProperty('sound');
    expect((await said(await keep(v7(), wav(), { tuneId: v7() }))).fields).toHaveProperty('stepId');
    expect((await said(await keep(v7(), wav(), { seconds: '181' }))).fields).toEqual({
      seconds: { code: 'too-high', most: 180 },
    });
    expect((await said(await keep(v7(), wav(), { seconds: '20' }))).fields).toEqual({
      seconds: { code: 'other-length', seconds: SECONDS },
    });
    for (const bomb of [flacBomb(49 * 60), flacBomb(49 * 60, SECONDS)])
      expect((await said(await keep(v7(), bomb))).fields).toEqual({ sound: { code: 'sound-too-long', most: 180 } });
    expect((await said(await keep(v7(), new TextEncoder().encode('OggS<html>')))).fields).toEqual({
      sound: { code: 'not-sound' },
    });
    expect((await keep(v7(), wavOf(100, 16_000), { seconds: '100' })).status).toBe(413);
  });

  it('fill no more room than the owner gives, and go after the owner’s days', async () => {
    expect((await test.send('PUT', '/api/recordings/storage', { days: 0, megabytes: 10 })).status).toBe(400);
    await test.send('PUT', '/api/recordings/storage', { days: 7, megabytes: 10 });
    const ids = [v7(), v7(), v7(), v7()];
    for (const id of ids.slice(0, 3)) expect((await keep(id, large(), { seconds: '90' })).status).toBe(201);
    expect(await said(await keep(ids[3]!, large(), { seconds: '90' }))).toMatchObject({ code: 'full' });
    await test.orm.em
      .fork()
      .execute("update recording set received_at = received_at - interval '8 days' where id = ?", [ids[0]!]);
    expect((await test.send('GET', `/api/recordings/${ids[0]!}/sound`)).status).toBe(404);
    expect((await list()).recordings.map(({ id }) => id)).not.toContain(ids[0]);
    // What is over makes room.
    expect((await keep(ids[3]!, large(), { seconds: '90' })).status).toBe(201);
  });

  it('are erased with their pupil', async () => {
    await keep(v7(), wav());
    await test.send('POST', `/api/pupils/${pupilId}/erase`, {});
    expect((await list()).recordings.filter((recording) => recording.pupilId === pupilId)).toEqual([]);
  });
});

it('reads ranges', () => {
  expect(rangeOf(undefined, 10)).toBeNull();
  expect(rangeOf('bytes=2-4', 10)).toEqual([2, 4]);
  expect(rangeOf('bytes=2-', 10)).toEqual([2, 9]);
  expect(rangeOf('bytes=-3', 10)).toEqual([7, 9]);
  expect(rangeOf('bytes=5-2', 10)).toBe('outside');
  expect(rangeOf('bytes=0-1,4-5', 10)).toBeNull();
});
