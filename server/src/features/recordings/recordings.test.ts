import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ErrorBody } from '../../platform/problem.ts';
import { cookieOf, createTestApp, type TestApp } from '../../testing/index.ts';
import type { ClassPage, ClassSummary } from '../class-page/index.ts';
import { rangeOf } from './routes.ts';
import type { RecordingList } from './service.ts';
import { soundType } from './sound-type.ts';

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

/** A WAV file of so many bytes. */
function wav(bytes = 400): Uint8Array<ArrayBuffer> {
  const file = new Uint8Array(bytes).fill(7);
  file.set(new TextEncoder().encode('RIFF    WAVEfmt '));
  return file;
}

function keep(id: string, sound: Uint8Array<ArrayBuffer>, asked: Record<string, string> = {}) {
  const { id: stepId, tuneId } = page.steps[0]!;
  const query = new URLSearchParams({
    pupilId,
    stepId,
    tuneId,
    fileName: 'Malia step 1.wav',
    seconds: '9.5',
    ...asked,
  });
  return test.app.request(`/api/recordings/${id}/sound?${query.toString()}`, {
    method: 'PUT',
    body: sound,
    headers: { 'content-type': 'application/octet-stream', cookie: test.cookie },
  });
}
const list = async (): Promise<RecordingList> =>
  (await (await test.send('GET', `/api/classes/${page.id}/recordings`)).json()) as RecordingList;
const part = async (range: string, id: string) =>
  test.app.request(`/api/recordings/${id}/sound`, { headers: { range, cookie: test.cookie } });
const said = async (answer: Response) => ((await answer.json()) as ErrorBody).error;

describe('recordings', () => {
  it('are kept once each, listed, played in parts, and erased', async () => {
    const id = v7();
    expect((await keep(id, wav())).status).toBe(201);
    expect((await keep(id, wav())).status).toBe(201);
    const { recordings, storage } = await list();
    expect(recordings.filter((each) => each.id === id)).toMatchObject([
      { pupilId, fileName: 'Malia step 1.wav', seconds: 9.5, heard: null, words: '' },
    ]);
    expect(storage).toMatchObject({ bytes: 400, megabytes: 500, days: 30 });
    const all = await test.send('GET', `/api/recordings/${id}/sound`);
    expect(all.headers.get('content-type')).toBe('audio/wav');
    expect((await all.arrayBuffer()).byteLength).toBe(400);
    const some = await part('bytes=8-11', id);
    expect([some.status, some.headers.get('content-range'), await some.text()]).toEqual([
      206,
      'bytes 8-11/400',
      'WAVE',
    ]);
    expect((await part('bytes=400-', id)).status).toBe(416);
    expect((await test.send('DELETE', `/api/recordings/${id}`)).status).toBe(200);
    expect((await test.send('GET', `/api/recordings/${id}/sound`)).status).toBe(404);
  });

  it('carry what listening made of them, and the teacher’s words, for nobody outside the class', async () => {
    const id = v7();
    await keep(id, wav());
    const heard = { outcome: 'nearly', remarks: ['note'], words: 'One note too many in bar 3.', sure: 0.9 };
    expect((await test.send('PATCH', `/api/recordings/${id}`, { heard })).status).toBe(200);
    await test.send('PATCH', `/api/recordings/${id}`, { words: 'Well done.' });
    expect((await list()).recordings.find((each) => each.id === id)).toMatchObject({ heard, words: 'Well done.' });
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
    expect((await test.send('PATCH', `/api/recordings/${id}`, { words: '' }, other)).status).toBe(404);
  });

  it('carry a spoken answer, which counts to the room and goes with them', async () => {
    const id = v7();
    await keep(id, wav());
    const answer = (sound: Uint8Array<ArrayBuffer>, seconds = '4', cookie = test.cookie) =>
      test.app.request(`/api/recordings/${id}/answer?seconds=${seconds}`, {
        method: 'PUT',
        body: sound,
        headers: { 'content-type': 'application/octet-stream', cookie },
      });
    const before = (await list()).storage.bytes;
    expect((await test.send('GET', `/api/recordings/${id}/answer`)).status).toBe(404);
    expect((await answer(wav(300))).status).toBe(200);
    const { recordings, storage } = await list();
    expect(recordings.find((each) => each.id === id)?.spokenSeconds).toBe(4);
    expect(storage.bytes).toBe(before + 300);
    expect((await (await test.send('GET', `/api/recordings/${id}/answer`)).arrayBuffer()).byteLength).toBe(300);
    expect((await said(await answer(wav(), '61'))).fields).toEqual({ seconds: { code: 'too-high', most: 60 } });
    expect((await said(await answer(new TextEncoder().encode('A letter.')))).fields).toHaveProperty('sound');
    const other = await cookieOf(test, 'ivo@osierbridge.example');
    expect((await answer(wav(), '4', other)).status).toBe(404);
    expect((await test.send('GET', `/api/recordings/${id}/answer`, undefined, other)).status).toBe(404);
    expect((await test.send('DELETE', `/api/recordings/${id}/answer`)).status).toBe(200);
    expect((await list()).recordings.find((each) => each.id === id)?.spokenSeconds).toBeNull();
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
    expect((await keep(v7(), wav(3 * 1024 * 1024 + 1))).status).toBe(413);
  });

  it('fill no more room than the owner gives, and go after the owner’s days', async () => {
    expect((await test.send('PUT', '/api/recordings/storage', { days: 0, megabytes: 10 })).status).toBe(400);
    await test.send('PUT', '/api/recordings/storage', { days: 7, megabytes: 10 });
    const ids = [v7(), v7(), v7(), v7()];
    for (const id of ids.slice(0, 3)) expect((await keep(id, wav(3 * 1024 * 1024))).status).toBe(201);
    expect(await said(await keep(ids[3]!, wav(3 * 1024 * 1024)))).toMatchObject({ code: 'full' });
    await test.orm.em
      .fork()
      .execute("update recording set received_at = received_at - interval '8 days' where id = ?", [ids[0]!]);
    expect((await test.send('GET', `/api/recordings/${ids[0]!}/sound`)).status).toBe(404);
    expect((await list()).recordings.map(({ id }) => id)).not.toContain(ids[0]);
    // What is over makes room.
    expect((await keep(ids[3]!, wav(3 * 1024 * 1024))).status).toBe(201);
  });

  it('are erased with their pupil', async () => {
    await keep(v7(), wav());
    await test.send('POST', `/api/pupils/${pupilId}/erase`);
    expect((await list()).recordings.filter((each) => each.pupilId === pupilId)).toEqual([]);
  });
});

it('knows sound files by how they begin', () => {
  const bytes = (text: string) => new TextEncoder().encode(text);
  expect(['fLaC', 'OggS', 'ID3', 'xxxxftypM4A'].map((text) => soundType(bytes(text)))).toEqual([
    ...['audio/flac', 'audio/ogg', 'audio/mpeg', 'audio/mp4'],
  ]);
  expect(soundType(new Uint8Array([0xff, 0xfb, 0x90]))).toBe('audio/mpeg');
  expect(soundType(new Uint8Array([0x1a, 0x45, 0xdf, 0xa3]))).toBe('audio/webm');
  expect(soundType(bytes('<html>'))).toBeNull();
});

it('reads ranges', () => {
  expect(rangeOf(undefined, 10)).toBeNull();
  expect(rangeOf('bytes=2-4', 10)).toEqual([2, 4]);
  expect(rangeOf('bytes=2-', 10)).toEqual([2, 9]);
  expect(rangeOf('bytes=-3', 10)).toEqual([7, 9]);
  expect(rangeOf('bytes=5-2', 10)).toBe('outside');
  expect(rangeOf('bytes=0-1,4-5', 10)).toBeNull();
});
