import { USUAL_ENGLISH } from '@escalier/messages';
import '../../testing/own-database.ts';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { deviceAccount, fresh, leftHere, useOutbox } from '../../offline/index.ts';
import { useSession } from './session.ts';
import { eventually } from '../../testing/eventually.ts';

const MARA = 'mara@osierbridge.example';
const KEY = 'A'.repeat(43);
const DAY = 86_400_000;

/** What the school says at an address; a way that is closed throws. */
let answers: Record<string, () => Response>;
let asked: string[];
let removed: string[];
let opened: string[];

function me(email = MARA, more: object = {}): object {
  const until = new Date(Date.now() + DAY).toISOString();
  return {
    name: 'Mara',
    email,
    school: 'S',
    role: 'owner',
    timeZone: 'UTC',
    english: USUAL_ENGLISH,
    schoolVersion: 1,
    noteColours: null,
    until,
    ...more,
  };
}

const signedOut = () =>
  Response.json({ error: { code: 'signed-out', message: 'Please sign in first.' } }, { status: 401 });

beforeEach(() => {
  setActivePinia(createPinia());
  localStorage.clear();
  [answers, asked, removed, opened] = [{}, [], [], []];
  vi.stubGlobal('fetch', (input: string, init: RequestInit = {}) => {
    const what = `${init.method ?? 'GET'} ${new URL(input, 'http://here').pathname}`;
    asked.push(what);
    const answer = answers[what];
    return answer === undefined ? Promise.reject(new TypeError('offline')) : Promise.resolve(answer());
  });
  vi.stubGlobal('caches', { delete: (name: string) => Promise.resolve(removed.push(name) > 0) });
  vi.spyOn(fresh, 'page').mockImplementation((path) => void opened.push(path));
});
afterEach(async () => {
  await useOutbox().leave();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

async function signedIn() {
  answers['GET /api/session'] = () => Response.json(me());
  const session = useSession();
  await session.load();
  expect(session.me?.email).toBe(MARA);
  const outbox = useOutbox();
  await outbox.open(MARA, KEY);
  await outbox.keepRecords({ classId: 'c', events: [], last: 3 });
  removed = [];
  return { session, outbox };
}

/** Whether anything of the school can still be read on this device. */
async function holdsRecords(): Promise<boolean> {
  const outbox = useOutbox();
  await outbox.open(MARA, KEY);
  return (await outbox.keptRecords('c')) !== null;
}

describe('children’s data leaves a shared device', () => {
  it('when somebody signs out, and the school hears of it', async () => {
    const { session } = await signedIn();
    answers['DELETE /api/session'] = () => Response.json({ ok: true });
    await session.signOut();
    expect(session.me).toBeNull();
    expect(removed).toContain('escalier-answers');
    expect(opened).toEqual(['/sign-in']);
    expect(leftHere.get()).toBe(false);
    expect(await holdsRecords()).toBe(false);
  });

  it('when somebody signs out without a network: nobody gets in by the old cookie, the school hears of it later', async () => {
    const { session } = await signedIn();
    await session.signOut();
    expect([session.me, leftHere.get(), deviceAccount.get()]).toEqual([null, true, null]);
    expect(removed).toContain('escalier-answers');

    // The next page of this device, still without a network, and then with one.
    setActivePinia(createPinia());
    asked = [];
    await useSession().load();
    expect([useSession().me, asked]).toEqual([null, ['DELETE /api/session']]);
    answers['DELETE /api/session'] = () => Response.json({ ok: true });
    answers['GET /api/session'] = signedOut;
    setActivePinia(createPinia());
    await useSession().load();
    expect([useSession().me, leftHere.get()]).toEqual([null, false]);
  });

  it('when the school ends the session, wherever that was done', async () => {
    const { session } = await signedIn();
    await session.ended('/classes/c');
    expect(session.me).toBeNull();
    expect(removed).toContain('escalier-answers');
    expect(opened).toEqual(['/sign-in?to=%2Fclasses%2Fc']);
    expect(await holdsRecords()).toBe(false);
  });

  it('when it opens and the school knows no session any more', async () => {
    await signedIn();
    answers['GET /api/session'] = signedOut;
    setActivePinia(createPinia());
    await useSession().load();
    expect(useSession().me).toBeNull();
    expect(removed).toContain('escalier-answers');
    expect(await holdsRecords()).toBe(false);
  });

  it('when the session has run out while there was no network', async () => {
    await signedIn();
    answers['GET /api/session'] = () => Response.json(me(MARA, { until: new Date(Date.now() - 1000).toISOString() }));
    setActivePinia(createPinia());
    await useSession().load();
    expect(useSession().me).toBeNull();
    expect(removed).toContain('escalier-answers');
  });

  it('when the school has not been heard of for a week', async () => {
    const old = new Date(Date.now() - 8 * DAY).toUTCString();
    answers['GET /api/session'] = () => Response.json(me(), { headers: { date: old } });
    await useSession().load();
    expect(useSession().me).toBeNull();
    expect(removed).toContain('escalier-answers');
  });

  it('when another teacher signs in', async () => {
    const { session } = await signedIn();
    answers['POST /api/sign-in'] = () => Response.json({ ok: true });
    answers['GET /api/session'] = () => Response.json(me('ivo@osierbridge.example'));
    await session.signIn('ivo@osierbridge.example', 'x');
    expect(removed).toContain('escalier-answers');
    expect(deviceAccount.get()).toBe('ivo@osierbridge.example');
  });

  it('in every tab, when one of them signs out', async () => {
    const { session } = await signedIn();
    const other = new BroadcastChannel('escalier-session');
    other.postMessage({ kind: 'left' });
    await eventually(() => expect(opened).toContain('/sign-in'));
    expect(session.me).toBeNull();
    other.close();
  });
});

it('what is unsent stays for its account, sealed', async () => {
  const { session, outbox } = await signedIn();
  const event = {
    kind: 'heard',
    id: 'e',
    pupilId: 'p',
    stepId: 's',
    outcome: 'nearly',
    remarks: [],
    heardAt: '2026-03-03T10:00:00.000Z',
  } as const;
  await outbox.add('c', event);
  await session.signOut();
  expect(outbox.waiting).toEqual([]);
  await outbox.open('ivo@osierbridge.example', 'B'.repeat(43));
  expect([outbox.waiting, outbox.others]).toEqual([[], [MARA]]);
  await outbox.open(MARA, KEY);
  expect(outbox.waiting.map((kept) => kept.event.id)).toEqual(['e']);
});

describe('the key that seals what is unsent', () => {
  it('comes once, can be used without the school, is never to be read, and goes with who signs out', async () => {
    answers['GET /api/session/seal'] = () => Response.json({ key: KEY });
    const { session } = await signedIn();
    expect(session.sealKey?.extractable).toBe(false);
    expect(JSON.stringify(session.me)).not.toContain(KEY);
    setActivePinia(createPinia());
    delete answers['GET /api/session/seal'];
    const again = useSession();
    await again.load();
    expect(again.sealKey?.type).toBe('secret');
    answers['DELETE /api/session'] = () => Response.json({ ok: true });
    await again.signOut();
    setActivePinia(createPinia());
    const other = useSession();
    await other.load();
    expect(other.sealKey).toBeNull();
  });
});
