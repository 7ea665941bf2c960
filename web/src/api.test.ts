// @vitest-environment node
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import * as z from 'zod';
import { api, ask, askEarly } from './api.ts';

const anything = z.unknown();
let asked: string[];
beforeEach(() => {
  asked = [];
  vi.stubGlobal('fetch', (input: string, init: RequestInit = {}) => {
    asked.push(`${init.method ?? 'GET'} ${new URL(input, 'http://here').pathname}`);
    return Promise.resolve(Response.json({ answer: asked.length }));
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('what a first screen is asked for early', () => {
  it('is taken once, and asked for again after that', async () => {
    askEarly('/classes');
    expect(asked).toEqual(['GET /api/session', 'GET /api/classes']);
    expect(await ask(api.classes.$get() as never, anything)).toEqual({ answer: 2 });
    expect(await ask(api.classes.$get() as never, anything)).toEqual({ answer: 3 });
  });

  it('holds for nobody else: after signing in or out it is asked for anew', async () => {
    askEarly('/classes');
    await ask(api.session.$delete());
    expect(await ask(api.session.$get() as never, anything)).toEqual({ answer: 4 });
    expect(asked).toEqual(['GET /api/session', 'GET /api/classes', 'DELETE /api/session', 'GET /api/session']);
  });

  it('is nothing at the door, and the class at a page of it', () => {
    askEarly('/sign-in');
    expect(asked).toEqual([]);
    const id = '01a2184d-8c82-701b-a7d5-40e2295e2861';
    askEarly(`/classes/${id}/board`);
    expect(asked).toEqual(['GET /api/session', `GET /api/classes/${id}`]);
  });
});

it('a page that something else than the school has answered is no answer', async () => {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('<h1>Welcome to the hotel</h1>')));
  await expect(ask(api.classes.$get())).rejects.toMatchObject({ code: 'offline' });
});
