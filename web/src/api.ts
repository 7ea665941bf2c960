import type { Api, ErrorBody, Imported } from '@escalier/server/api';
import { hc } from 'hono/client';
import { ApiError } from './refusals/index.ts';

export { ApiError };

/** What a first screen shows, by its address: asked for beside the session, not after it. */
const FIRST_DATA: readonly (readonly [page: RegExp, (id: string) => string])[] = [
  [/^\/(?:classes)?$/, () => '/api/classes'],
  [/^\/classes\/([0-9a-f-]{36})/, (id) => `/api/classes/${id}`],
  [/^\/tunes$/, () => '/api/tunes'],
];
/** A page that has not taken its answers by then has found them elsewhere. */
const EARLY_MS = 15_000;
const early = new Map<string, Promise<Response>>();

/** Asks for the session and for what a page begins with, before anything of the page has loaded. */
export function askEarly(page: string): void {
  const data = FIRST_DATA.flatMap(([pattern, path]) => {
    const match = pattern.exec(page);
    return match === null ? [] : [path(match[1] ?? '')];
  });
  for (const path of page === '/sign-in' ? [] : ['/api/session', ...data]) {
    const answer = fetch(path);
    answer.catch(() => undefined);
    early.set(path, answer);
  }
  setTimeout(() => early.clear(), EARLY_MS);
}

/** An answer that was asked for early is taken once; after signing in or out, or a change, none of them holds any more. */
const earlyFetch: typeof fetch = (input, init) => {
  if ((init?.method ?? 'GET') !== 'GET') early.clear();
  const path = typeof input === 'string' ? input : '';
  const answer = early.get(path);
  early.delete(path);
  return answer ?? fetch(input, init);
};

/** The typed door to the server. */
export const api = hc<Api>('/api', { fetch: earlyFetch });

interface Answer<Body> {
  readonly ok: boolean;
  readonly status: number;
  json(): Promise<Body>;
}

/** Called when the server says that the session is over. */
let onSignedOut: () => void = () => undefined;

export function whenSignedOut(listener: () => void): void {
  onSignedOut = listener;
}

/** @throws ApiError with a sentence for the person at the screen. */
export async function ask<Body>(request: Promise<Answer<Body>>): Promise<Body> {
  let answer: Answer<Body>;
  try {
    answer = await request;
  } catch {
    throw new ApiError({ error: { code: 'offline', message: 'Cannot reach the school server.' } });
  }
  if (answer.ok) return bodyOf(answer);
  const refused = new ApiError(await errorBody(answer), answer.status);
  if (refused.code === 'signed-out') onSignedOut();
  throw refused;
}

/** A network that asks for signing in itself answers with a page of its own. */
async function bodyOf<Body>(answer: Answer<Body>): Promise<Body> {
  try {
    return await answer.json();
  } catch {
    throw new ApiError({ error: { code: 'offline', message: 'Something other than the school server answered.' } });
  }
}

async function errorBody(answer: Answer<unknown>): Promise<ErrorBody> {
  try {
    const body = (await answer.json()) as Partial<ErrorBody>;
    if (body.error !== undefined) return { error: body.error };
  } catch {
    // Not JSON: a proxy or a broken server answered.
  }
  return { error: { code: 'broken', message: 'The school server gave an unreadable answer.' } };
}

/** Sends an archive as it is, from the disk of the device. @throws ApiError as `ask` does. */
export async function sendArchive(file: Blob): Promise<Imported> {
  const headers = { 'content-type': 'application/json' };
  return ask<Imported>(fetch('/api/archive', { method: 'POST', headers, body: file }));
}
