import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { ClassSettings } from '@escalier/contract/classes';
import type { People } from '@escalier/contract/people';
import type { PupilRecord } from '@escalier/contract/pupils';
import type { StaircaseDto } from '@escalier/contract/staircases';
import { seededRandom } from '@escalier/core/testing';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from './testing/index.ts';
import { wavOf } from './testing/sounds.ts';

/** Short here; `npm run fuzz -- --runs 10000` runs as long as one likes. */
const RUNS = Number(process.env.ESCALIER_FUZZ_RUNS ?? 8);
const SEED = Number(process.env.ESCALIER_FUZZ_SEED ?? 7);

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const get = async <Body>(path: string): Promise<Body> => (await (await test.send('GET', path)).json()) as Body;

interface Sending {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** One good body for every route that takes one. */
async function goodOnes(): Promise<readonly Sending[]> {
  const [first, second] = await get<ClassSummary[]>('/api/classes');
  const id = first!.id;
  const page = await get<ClassPage>(`/api/classes/${id}`);
  const settings = await get<ClassSettings>(`/api/classes/${id}/settings`);
  const [pupil] = await get<PupilRecord[]>(`/api/classes/${id}/pupils`);
  const [term] = await get<Record<string, unknown>[]>('/api/terms');
  const [tune] = await get<Record<string, unknown>[]>('/api/tunes');
  const { people } = await get<People>('/api/people');
  const { instruments } = await get<{ instruments: { id: string }[] }>('/api/instruments');
  const step = page.steps[0]!;
  const stairs = await get<StaircaseDto>(`/api/staircases/${page.staircaseId}`);
  const heard = { kind: 'heard', id: v7(), pupilId: pupil!.id, stepId: step.id, outcome: 'nearly', remarks: ['leak'] };
  const event = { ...heard, tempo: 80, reason: 'again', heardAt: '2026-03-03T09:40:00Z' };
  const put = (path: string, body: unknown): Sending => ({ method: 'PUT', path, body });
  const post = (path: string, body: unknown): Sending => ({ method: 'POST', path, body });
  return [
    post('/api/sign-in', { email: 'a@b.example', password: 'guess' }),
    post('/api/first-run', { code: 'x', school: 'S', timeZone: 'UTC', name: 'N', email: 'a@b.example', password: 'x' }),
    post(`/api/invitations/${'x'.repeat(43)}`, { name: 'N', email: 'a@b.example', password: 'four plain words here' }),
    put('/api/account/password', { current: 'guess', next: 'four plain words here' }),
    put('/api/school', { name: 'S', timeZone: 'UTC', version: 1 }),
    put('/api/school/cautions', await get('/api/school/cautions')),
    put('/api/school/remarks', await get('/api/school/remarks')),
    put(`/api/people/${people[0]!.id}`, people[0]),
    post('/api/people/invitations', { name: 'New', role: 'teacher', classIds: [id] }),
    post('/api/terms', term),
    put(`/api/terms/${String(term!.id)}`, term),
    post(`/api/terms/${String(term!.id)}/holidays`, { ics: 'BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n' }),
    put(`/api/calendar/${id}/link`, { on: true }),
    put(`/api/calendar/${id}/lost`, { date: '2026-03-03', reason: 'trip', isLost: true }),
    put(`/api/classes/${id}/staircase`, { staircaseId: page.staircaseId, version: settings.version }),
    post('/api/staircases', { ...stairs, name: 'Another', steps: stairs.steps.map((step) => ({ ...step, id: null })) }),
    put(`/api/staircases/${stairs.id}`, stairs),
    post('/api/classes', { ...settings, name: 'Another' }),
    put(`/api/classes/${id}/settings`, settings),
    post(`/api/classes/${id}/pupils`, { pupils: [{ name: 'Ada', startStep: 1, joinedOn: '2026-01-31' }] }),
    put(`/api/classes/${id}/tunes/${step.tuneId}`, { breathSeconds: 6, breaths: [], version: 0 }),
    put(`/api/pupils/${pupil!.id}`, pupil),
    put(`/api/pupils/${pupil!.id}/absence`, { date: '2026-03-03', absent: true }),
    post(`/api/pupils/${pupil!.id}/move`, { classId: second!.id }),
    post('/api/hearing/events', { sentAt: '2026-03-03T10:00:00Z', events: [event] }),
    post('/api/instruments', { kind: 'tin-whistle-d', from: 900, count: 2, owner: 'school' }),
    post('/api/instruments/lend', { classId: id, share: false, dryRun: true }),
    post('/api/instruments/take-back', { classId: id }),
    post('/api/instruments/cleaned', { ids: [instruments[0]!.id] }),
    post(`/api/instruments/${instruments[0]!.id}/loans`, { pupilId: pupil!.id }),
    put(`/api/instruments/${instruments[0]!.id}`, instruments[0]),
    put('/api/belts', { belts: (await get<{ stock: unknown[] }>('/api/belts')).stock.slice(0, 2) }),
    put('/api/belts/given', { belts: [{ pupilId: pupil!.id, stepId: step.id }], given: true }),
    post('/api/tunes', { abc: 'X:1\nT:New\nM:4/4\nL:1/4\nK:G\nGABd|]' }),
    put(`/api/tunes/${String(tune!.id)}`, tune),
    post('/api/archive', await get('/api/archive')),
    post(`/api/pupils/${pupil!.id}/erase`, { clean: [{ place: 'instrument-note', key: v7() }] }),
    ...(await roomsAndRecordings(id, pupil!.id, step)),
    put('/api/school/templates', await get('/api/school/templates')),
    post(`/api/classes/${id}/lessons`, { events: lessonEvents() }),
    put(`/api/notes/${id}/B4`, { hint: 'Like a bee.', bookPage: '7', version: 0 }),
  ];
}

/** What is sent about recordings and practice rooms: a recording of the demo's pupil, an open room, its task and slips. */
async function roomsAndRecordings(
  classId: string,
  pupilId: string,
  step: { readonly id: string; readonly tuneId: string },
): Promise<readonly Sending[]> {
  const id = v7();
  await test.orm.em.fork().execute('update pupil set may_record = true where id = ?', [pupilId]);
  await test.send('PUT', '/api/school/rooms', { allowed: true });
  await test.send('PUT', `/api/classes/${classId}/room`, { until: '2026-03-31' });
  const query = new URLSearchParams({ pupilId, stepId: step.id, tuneId: step.tuneId, fileName: 'a.wav', seconds: '9' });
  const kept = await test.app.request(`/api/recordings/${id}/sound?${query.toString()}`, {
    method: 'PUT',
    body: wavOf(9),
    headers: { 'content-type': 'application/octet-stream', cookie: test.cookie },
  });
  expect(kept.status).toBe(201);
  const heard = { outcome: 'nearly', remarks: ['leak'], words: 'One note.', sure: 0.9 };
  const task = { tuneId: step.tuneId, bars: [1, 2], tempo: 60, words: 'Slowly.' };
  return [
    { method: 'PATCH', path: `/api/recordings/${id}`, body: { heard } },
    { method: 'PATCH', path: `/api/recordings/${id}`, body: { words: 'Well done.', version: 0 } },
    { method: 'PUT', path: '/api/recordings/storage', body: { days: 30, megabytes: 500 } },
    { method: 'PUT', path: '/api/school/rooms', body: { allowed: true } },
    { method: 'PUT', path: `/api/classes/${classId}/room`, body: { until: '2026-03-31' } },
    { method: 'PUT', path: `/api/classes/${classId}/room/task`, body: { task, version: 0 } },
    { method: 'POST', path: `/api/classes/${classId}/room/slips`, body: { pupilIds: [pupilId] } },
    { method: 'POST', path: '/api/room/words', body: { words: 'otter lamp river' } },
  ];
}

function lessonEvents(): readonly object[] {
  const at = '2026-03-03T09:40:00.000Z';
  return [
    { id: v7(), date: '2026-03-03', at, kind: 'remark', text: 'A good lesson.' },
    { id: v7(), date: '2026-03-03', at, kind: 'play', on: true, tempo: 80 },
  ];
}

const NASTY: readonly unknown[] = [
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202e',
  '',
  ' ',
  'x'.repeat(10_000),
  '9'.repeat(400),
  '0000-01-01',
  '9999-12-31',
  '2026-02-30',
  '0001-01-01T00:00:00Z',
  '+275760-09-13T00:00:00Z',
  'Moon/Crater',
  "'; drop table pupil; --",
  '%00',
  '../../etc/passwd',
  '{}',
  0,
  -1,
  1e308,
  -0.5,
  2_147_483_648,
  9_007_199_254_740_993,
  null,
  true,
  [],
  {},
  [[[[]]]],
  { constructor: 1 },
  v7(),
  '00000000-0000-0000-0000-000000000000',
  Array.from({ length: 3000 }, () => 1),
];

/** A good body with some places of it replaced, doubled or left out. */
function spoilt(body: unknown, random: () => number): unknown {
  const pick = <Value>(list: readonly Value[]): Value => list[Math.floor(random() * list.length)]!;
  if (random() < 0.02) return structuredClone(pick(NASTY));
  const copy = structuredClone(body);
  for (let change = 0; change <= random() * 3; change++) {
    let at = copy;
    for (let depth = 0; depth < 8 && typeof at === 'object' && at !== null; depth++) {
      const key = pick(Object.keys(at)) as string | undefined;
      if (key === undefined) break;
      const group = at as Record<string, unknown>;
      const inner = group[key];
      const isLeaf = typeof inner !== 'object' || inner === null || random() < 0.2;
      if (!isLeaf) {
        at = inner;
        continue;
      }
      const what = random();
      if (what < 0.7) group[key] = structuredClone(pick(NASTY));
      else if (what < 0.8 && !Array.isArray(group)) delete group[key];
      else if (typeof inner === 'string') group[key] = `${inner}${String(pick(NASTY))}`;
      else group[key] = [inner, inner];
      break;
    }
  }
  return copy;
}

/** Of one kind: what writes much is tried less often, so that many runs of all end within ten minutes. */
const MOST_MS_EACH = 10_000;
const COUNT_EACH = RUNS > 100 ? 20 : 1;
const IDS = /[0-9a-f]{8}-[0-9a-f-]{27}|x{43}/g;

/** How many rows there are: a refusal leaves them as they were, but for what counts tries to sign in. */
async function rows(): Promise<string> {
  const [counted] = await test.orm.em.fork().execute<object[]>(
    `select (select count(*) from account) a, (select count(*) from term) t, (select count(*) from tune) u,
      (select count(*) from school_class) c, (select count(*) from pupil) p, (select count(*) from record_event) r,
      (select count(*) from instrument) i, (select count(*) from loan) l, (select count(*) from absence) b,
      (select count(*) from change where what->>'code' not in ('school-exported', 'tables-exported')) h`,
  );
  return JSON.stringify(counted);
}

describe('spoilt bodies', () => {
  it('break nothing: a sentence, and the school as it was', async () => {
    const random = seededRandom(SEED);
    const broken: string[] = [];
    for (const { method, path, body } of await goodOnes()) {
      // A whole school takes a second to read.
      const runs = path === '/api/archive' ? Math.ceil(RUNS / 30) : RUNS;
      const end = performance.now() + MOST_MS_EACH;
      let [tried, refused, before] = [0, 0, await rows()];
      for (let run = 0; run < runs && performance.now() < end; run++) {
        tried++;
        const sent = spoilt(body, random);
        const answer = await test.send(method, path, sent);
        if (answer.status >= 500 && answer.status !== 503)
          broken.push(`${run} ${method} ${path}: ${JSON.stringify(sent)?.slice(0, 300)}`);
        if (answer.status < 400) {
          before = await rows();
          continue;
        }
        refused++;
        const { error } = (await answer.json()) as { error?: { message?: string } };
        expect(error?.message).toMatch(/\.$/);
        // Refusals change nothing: looked at after some of them, for counting takes longer than refusing.
        if (run % COUNT_EACH === 0)
          expect(await rows(), `${method} ${path} was refused, ${run} or a little before`).toBe(before);
      }
      if (process.env.ESCALIER_FUZZ_RUNS !== undefined)
        process.stdout.write(
          `${method} ${path.replace(IDS, 'ID')}: ${tried} tried, ${refused} refused, ${broken.length} broken\n`,
        );
    }
    expect(broken.slice(0, 10)).toEqual([]);
  }, 3_600_000);

  it('nor do spoilt addresses', async () => {
    for (const part of ['%00', '%ED%A0%80', '..%2f', '%', 'x'.repeat(5000), '0', "'", '%F0%9F%8E%B5'])
      for (const path of ['/api/calendars/', '/api/invitations/', '/api/classes/', '/api/tunes/', '/api/notes/', '/']) {
        const answer = await test.send('GET', `${path}${part}`);
        expect(answer.status, `${path}${part}`).toBeLessThan(500);
      }
    for (const query of ['after=-1', 'after=1e99', 'after=%00', 'before=x', 'after=99999999999999999999']) {
      const { id } = (await get<ClassSummary[]>('/api/classes'))[0]!;
      for (const path of [`/api/classes/${id}/records`, '/api/changes'])
        expect((await test.send('GET', `${path}?${query}`)).status, query).toBeLessThan(500);
    }
  });

  it('the same tune ten times at once is kept once, and one e-mail by two invitations makes one account', async () => {
    const abc = 'X:1\nT:Ten Times\nM:4/4\nL:1/4\nK:G\nG B d B|A c e c|]';
    const tunes = await Promise.all(Array.from({ length: 10 }, () => test.send('POST', '/api/tunes', { abc })));
    expect(tunes.map((answer) => answer.status).toSorted()).toEqual([201, ...Array.from({ length: 9 }, () => 409)]);
    const invite = async () => {
      const body = { name: 'Twin', role: 'teacher', classIds: [] };
      return ((await (await test.send('POST', '/api/people/invitations', body)).json()) as { token: string }).token;
    };
    const [one, two] = [await invite(), await invite()];
    const account = { name: 'Twin', email: 'twin@osierbridge.example', password: 'four plain words here' };
    const accept = (token: string) => test.send('POST', `/api/invitations/${token}`, account, null);
    const both = (await Promise.all([accept(one), accept(two)])).map((answer) => answer.status).toSorted();
    expect(both[0]).toBe(201);
    expect([400, 409]).toContain(both[1]);
  });
});
