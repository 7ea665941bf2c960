import type { FieldProblem, FieldProblems, PlainCode } from '@escalier/contract/field-problems';
import type { ChangedBy, Refusal, RefusalCode } from '@escalier/contract/refusals';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { t } from './messages.ts';

export interface ProblemDetails {
  readonly fields?: FieldProblems;
  readonly changed?: ChangedBy;
  /** Seconds until trying again makes sense; goes out as a header. */
  readonly retryAfter?: number;
}

/** A refusal that the person who asked can understand and mend. */
export class Problem extends Error {
  readonly status: ContentfulStatusCode;
  readonly body: Refusal;
  readonly headers: Readonly<Record<string, string>>;

  constructor(
    status: ContentfulStatusCode,
    code: RefusalCode,
    message: string,
    { retryAfter, ...details }: ProblemDetails = {},
  ) {
    super(message);
    this.status = status;
    this.headers = retryAfter === undefined ? {} : { 'Retry-After': String(retryAfter) };
    this.body = { error: { code, message, ...details } };
  }
}

export function notFound(what: string): Problem {
  return new Problem(404, 'not-found', t('problem.there-is-no-such-what', { what }));
}

export function wrongInput(fields: Readonly<Record<string, FieldProblem | PlainCode>>): Problem {
  const named = Object.keys(fields).join(', ');
  const problems = Object.entries(fields).map(([name, wrong]) => [
    name,
    typeof wrong === 'string' ? { code: wrong } : wrong,
  ]);
  return new Problem(400, 'wrong-input', t('problem.not-saved-please-check-named', { named }), {
    fields: Object.fromEntries(problems) as FieldProblems,
  });
}
