import type { ReadOf } from '@escalier/contract/fields';
import { Refusal } from '@escalier/contract/refusals';
import type { Api } from '@escalier/server/api';
import { hc } from 'hono/client';
import type * as z from 'zod/mini';
import { ApiError, type Told } from './refusals/index.ts';
import { t } from './messages.ts';

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

/**
 * Asks the school. What comes from the network is read by its schema here, once; without one, nothing of it is needed.
 * @throws ApiError with a sentence for the person at the screen.
 */
export async function ask(request: Promise<Answer<unknown>>): Promise<void>;
export async function ask<Schema extends z.ZodMiniType>(
  request: Promise<Answer<ReadOf<Schema>>>,
  schema: Schema,
): Promise<ReadOf<Schema>>;
export async function ask(request: Promise<Answer<unknown>>, schema?: z.ZodMiniType): Promise<unknown> {
  let answer: Answer<unknown>;
  try {
    answer = await request;
  } catch {
    throw offline(t('api.cannot-reach-the-school-server'));
  }
  if (answer.ok) return readBody(answer, schema);
  const refused = new ApiError(await refusalOf(answer), answer.status);
  if (refused.code === 'signed-out') onSignedOut();
  throw refused;
}

function offline(message: string): ApiError {
  return new ApiError({ error: { code: 'offline', message } });
}

/** A network that asks for signing in itself answers with a page of its own. */
async function readBody(answer: Answer<unknown>, schema: z.ZodMiniType | undefined): Promise<unknown> {
  const body = await jsonOf(answer);
  if (body === undefined) throw offline(t('api.something-other-than-the-school-server'));
  if (schema === undefined) return undefined;
  const read = schema.safeParse(body);
  if (read.success) return read.data;
  throw new ApiError({
    error: { code: 'broken', message: t('api.this-page-and-the-school-server') },
  });
}

async function refusalOf(answer: Answer<unknown>): Promise<Told> {
  const read = Refusal.safeParse(await jsonOf(answer));
  if (read.success) return read.data;
  // A proxy or a broken server answered.
  return { error: { code: 'broken', message: t('api.the-school-server-sent-an-answer') } };
}

/** Undefined for what is no JSON. */
async function jsonOf(answer: Answer<unknown>): Promise<unknown> {
  return answer.json().catch(() => undefined);
}
