import { createMiddleware } from 'hono/factory';
import { routePath } from 'hono/route';
import { describeRoute, resolver, uniqueSymbol } from 'hono-openapi';
import * as z from 'zod/mini';
import type { AppEnv } from './context.ts';

type Status = 200 | 201;

/** How schemas go into the document: as they are on the wire, before anything is made of them. */
export const ON_THE_WIRE = { options: { io: 'input' } } as const;

/** The schema of what a route answers when it has done what it was asked; other statuses are refusals. */
export function answers(schema: z.ZodMiniType, status: Status = 200) {
  const content = { 'application/json': { schema: resolver(schema, ON_THE_WIRE) } };
  const described = describeRoute({ responses: { [status]: { description: 'Done', content } } });
  const checking = createMiddleware<AppEnv>(async (c, next) => {
    await next();
    if (c.var.checksAnswers && c.res.ok) checkAnswer(routePath(c), schema, await c.res.clone().json());
  });
  return Object.assign(checking, { [uniqueSymbol]: (described as never)[uniqueSymbol] });
}

/** For what is no JSON. */
export function answersFile(type: string) {
  const content = { [type]: { schema: { type: 'string', format: 'binary' } } } as const;
  return describeRoute({ responses: { 200: { description: 'A file', content } } });
}

/** An answer that is not what the contract says. */
export class ContractBroken extends Error {}

/** @throws ContractBroken when an answer is not what the contract says, or says more. */
function checkAnswer(route: string, schema: z.ZodMiniType, answer: unknown): void {
  const read = schema.safeParse(answer);
  if (!read.success) throw new ContractBroken(`${route} answers against the contract: ${z.prettifyError(read.error)}`);
  const more = surplus(answer, read.data);
  if (more !== null) throw new ContractBroken(`${route} answers more than the contract says: ${more}`);
}

/** Path to the first place where an answer says what its schema did not read, or read as something else; null for none. */
function surplus(answer: unknown, read: unknown): string | null {
  if (typeof answer !== 'object' || answer === null) return Object.is(answer, read) ? null : '';
  for (const [key, value] of Object.entries(answer)) {
    const below = surplus(value, (read as Readonly<Record<string, unknown>> | undefined)?.[key]);
    if (below !== null) return `${key}${below === '' ? '' : `.${below}`}`;
  }
  return null;
}
