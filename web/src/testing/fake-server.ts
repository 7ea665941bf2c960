import { USUAL_ENGLISH } from '@escalier/messages';
import type { Me } from '@escalier/contract/people';
import type { Refusal, RefusalCode } from '@escalier/contract/refusals';
import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { vi } from 'vitest';
import type { Component } from 'vue';
import { routeLocationKey, routerKey } from 'vue-router';
import { useSession } from '../features/schools/index.ts';
import { fillAnswer } from './fill-answer.ts';
import { mountInApp } from './mount.ts';

/** What was asked for: method, path, and the body as it was sent. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** A refusal as the server gives it. */
export class Refused {
  readonly status: number;
  readonly body: unknown;

  constructor(status: number, message: string, fields?: Refusal['error']['fields'], code: RefusalCode = 'in-use') {
    this.status = status;
    this.body = { error: { code, message, ...(fields === undefined ? {} : { fields }) } };
  }
}

const noRecords = () => ({ records: [], last: 0 });

type Answers = Readonly<Record<string, (asked: Asked) => unknown>>;

/**
 * Stands in for the server in tests of pages: `'GET /api/terms': () => […]`. What is not named is a failure; what a test
 * leaves out of an answer is filled in by the contract.
 * @returns all that was asked for, in order.
 */
export function fakeServer(answers: Answers): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (input: string | URL | Request, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const path = new URL(input instanceof Request ? input.url : input, 'http://here').pathname;
    const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
    const one = { method, path, body };
    asked.push(one);
    const answer = answers[`${method} ${path}`] ?? (path.endsWith('/records') ? noRecords : undefined);
    if (answer === undefined) throw new Error(`The test gives no answer to ${method} ${path}`);
    const given = await answer(one);
    return given instanceof Refused
      ? new Response(JSON.stringify(given.body), { status: given.status })
      : Response.json(fillAnswer(method, path, given));
  });
  return asked;
}

const MARA: Me = {
  name: 'Mara Tillen',
  email: 'mara@osierbridge.example',
  school: 'Osier Bridge School',
  role: 'owner',
  timeZone: 'Europe/London',
  english: USUAL_ENGLISH,
  schoolVersion: 1,
  noteColours: null,
  until: '2999-01-01T00:00:00.000Z',
};

/** A page as somebody signed in sees it, with what it asks for at first answered, and where it went on to. */
export async function openPage(
  page: Component,
  props: Record<string, unknown> = {},
  me: Partial<Me> = {},
  query: Readonly<Record<string, string>> = {},
) {
  setActivePinia(createPinia());
  useSession().me = { ...MARA, ...me };
  const push = vi.fn();
  const { wrapper } = mountInApp(page, props, {
    [routeLocationKey]: { name: 'here', meta: { title: 'Here' }, query, params: {} },
    [routerKey]: { push, replace: push, resolve: ({ name }: { name: string }) => ({ href: `/${name}` }) },
  });
  await flushPromises();
  return { wrapper, push };
}
