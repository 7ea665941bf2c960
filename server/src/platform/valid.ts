import type { FieldProblem } from '@escalier/contract/field-problems';
import type { DeepReadonly } from '@escalier/contract/fields';
import type { MiddlewareHandler, ValidationTargets } from 'hono';
import { validator } from 'hono-openapi';
import type * as z from 'zod/mini';
import { ON_THE_WIRE } from './answers.ts';
import type { AppEnv } from './context.ts';
import { problemOf } from './field-problem.ts';
import { notFound, wrongInput } from './problem.ts';

type Checked = { readonly success: true } | { readonly success: false; readonly error: readonly unknown[] };

/** A body as its sender may hold it, that nobody may change, and as the route gets it. */
type JsonChecked<Schema extends z.ZodMiniType> = MiddlewareHandler<
  AppEnv,
  string,
  { in: { json: DeepReadonly<z.input<Schema>> }; out: { json: z.output<Schema> } }
>;

function checked<Target extends keyof ValidationTargets, Schema extends z.ZodMiniType>(target: Target, schema: Schema) {
  const refuse = (result: Checked): void => {
    if (result.success) return;
    if (target === 'param') throw notFound('page');
    const fields = new Map<string, FieldProblem>();
    // Zod's issues say more than the standard does.
    for (const issue of result.error as readonly z.core.$ZodIssue[]) {
      const name = issue.path.map(String).join('.') || 'body';
      if (!fields.has(name)) fields.set(name, problemOf(issue));
    }
    throw wrongInput(Object.fromEntries(fields));
  };
  return validator(target, schema, refuse, ON_THE_WIRE);
}

/** Checks a part of a request; an id in the address that cannot exist is unknown, other wrong input names its fields. */
export function valid<Schema extends z.ZodMiniType>(target: 'json', schema: Schema): JsonChecked<Schema>;
export function valid<Target extends 'param' | 'query', Schema extends z.ZodMiniType>(
  target: Target,
  schema: Schema,
): ReturnType<typeof checked<Target, Schema>>;
export function valid(target: 'json' | 'param' | 'query', schema: z.ZodMiniType): unknown {
  return checked(target, schema);
}
