import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { createTestApp, type TestApp } from './testing/index.ts';

interface Operation {
  readonly responses?: Readonly<Record<string, { readonly content?: object }>>;
  readonly parameters?: readonly { readonly in: string; readonly name: string }[];
  readonly requestBody?: object;
}

interface Document {
  readonly openapi: string;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}

let test: TestApp;
let document: Document;
beforeAll(async () => {
  test = await createTestApp();
  document = (await (await test.send('GET', '/api/openapi.json', undefined, null)).json()) as Document;
});
afterAll(() => test.close());

/** Every route of the API, as the document names it. */
function routes(): readonly string[] {
  const found = test.app.routes.filter(({ method, path }) => method !== 'ALL' && path.startsWith('/api/'));
  const named = found.map(({ method, path }) => `${method.toLowerCase()} ${path.replace(/:(\w+)/g, '{$1}')}`);
  return [...new Set(named)].filter((route) => route !== 'get /api/openapi.json');
}

it('the document names every route, with what it answers', () => {
  expect(document.openapi).toMatch(/^3\.1\./);
  const known = Object.entries(document.paths).flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, { responses = {} }]) => {
      const answered = Object.entries(responses).some(
        ([status, { content }]) => status < '300' && content !== undefined,
      );
      return answered ? `${method} ${path.replace(/\/$/, '')}` : `${method} ${path} answers nothing that is described`;
    }),
  );
  expect(known.toSorted()).toEqual(
    routes()
      .map((route) => route.replace(/\/$/, ''))
      .toSorted(),
  );
});

it('the document in docs/reference is the one that the server gives', async () => {
  const kept = new URL('../../docs/reference/openapi.json', import.meta.url);
  // To write it anew: npm run test:server -- document -u
  await expect(`${JSON.stringify(document, null, 2)}\n`).toMatchFileSnapshot(fileURLToPath(kept));
});

it('the document says what a route takes: parts of the address, questions and bodies', () => {
  const step = document.paths['/api/classes/{id}/steps/{position}']!['get']!;
  expect(step.parameters!.map(({ in: where, name }) => `${where} ${name}`)).toEqual(['path id', 'path position']);
  const records = document.paths['/api/hearing/events']!['post']!;
  expect(JSON.stringify(records.requestBody)).toContain('#/components/schemas/SentEvents');
  expect(JSON.stringify(records.responses!['400'])).toContain('#/components/schemas/Refusal');
  const meant = new Set(JSON.stringify(document).match(/#\/components\/schemas\/\w+/g));
  const there = Object.keys(document.components.schemas).map((name) => `#/components/schemas/${name}`);
  expect([...meant].filter((name) => !there.includes(name))).toEqual([]);
  expect(there).toContain('#/components/schemas/ClassPage');
});
