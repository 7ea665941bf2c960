import type { ContentfulStatusCode } from 'hono/utils/http-status';
import type { FieldProblem, PlainCode } from './field-problem.ts';

/** The one shape of an error that the API gives. `fields` says what is wrong with each field, for the web to say. */
export interface ErrorBody {
  readonly error: {
    readonly code: string;
    readonly message: string;
    readonly fields?: FieldProblems;
    /** Who changed a thing since it was read, and what: only with the code "changed". */
    readonly changed?: Changed;
  };
}

export type FieldProblems = Readonly<Record<string, FieldProblem>>;

export interface Changed {
  readonly by: string;
  /** ISO 8601 in UTC. */
  readonly at: string;
  readonly words: string;
}

export interface ProblemDetails {
  readonly fields?: FieldProblems;
  readonly changed?: Changed;
  /** Seconds until trying again makes sense; goes out as a header. */
  readonly retryAfter?: number;
}

/** A refusal that the person who asked can understand and mend. */
export class Problem extends Error {
  readonly status: ContentfulStatusCode;
  readonly body: ErrorBody;
  readonly headers: Readonly<Record<string, string>>;

  constructor(
    status: ContentfulStatusCode,
    code: string,
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
  return new Problem(404, 'not-found', `There is no such ${what}.`);
}

export function wrongInput(fields: Readonly<Record<string, FieldProblem | PlainCode>>): Problem {
  const named = Object.keys(fields).join(', ');
  const problems = Object.entries(fields).map(([name, wrong]) => [
    name,
    typeof wrong === 'string' ? { code: wrong } : wrong,
  ]);
  return new Problem(400, 'wrong-input', `Not saved: please check ${named}.`, {
    fields: Object.fromEntries(problems) as FieldProblems,
  });
}
