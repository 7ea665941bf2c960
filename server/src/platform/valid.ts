import { zValidator } from '@hono/zod-validator';
import type { ValidationTargets } from 'hono';
import type { ZodType } from 'zod';
import { problemOf, type FieldProblem } from './field-problem.ts';
import { notFound, wrongInput } from './problem.ts';

/** Checks a part of a request; an id in the address that cannot exist is unknown, other wrong input names its fields. */
export function valid<Target extends keyof ValidationTargets, Schema extends ZodType>(target: Target, schema: Schema) {
  return zValidator(target, schema, (result) => {
    if (result.success) return;
    if (target === 'param') throw notFound('page');
    const fields = new Map<string, FieldProblem>();
    for (const issue of result.error.issues) {
      const name = issue.path.map(String).join('.') || 'body';
      if (!fields.has(name)) fields.set(name, problemOf(issue));
    }
    throw wrongInput(Object.fromEntries(fields));
  });
}
