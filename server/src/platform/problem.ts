import type { ContentfulStatusCode } from 'hono/utils/http-status';

/** The one shape of an error that the API gives. `fields` names each wrong field with a sentence. */
export interface ErrorBody {
  readonly error: {
    readonly code: string;
    readonly message: string;
    readonly fields?: Readonly<Record<string, string>>;
    /** Who changed a thing since it was read, and what: only with the code "changed". */
    readonly changed?: Changed;
  };
}

export interface Changed {
  readonly by: string;
  /** ISO 8601 in UTC. */
  readonly at: string;
  readonly words: string;
}

/** A refusal that the person who asked can understand and mend. */
export class Problem extends Error {
  readonly status: ContentfulStatusCode;
  readonly body: ErrorBody;

  constructor(
    status: ContentfulStatusCode,
    code: string,
    message: string,
    fields?: Readonly<Record<string, string>>,
    changed?: Changed,
  ) {
    super(message);
    this.status = status;
    const more = { ...(fields === undefined ? {} : { fields }), ...(changed === undefined ? {} : { changed }) };
    this.body = { error: { code, message, ...more } };
  }
}

export function notFound(what: string): Problem {
  return new Problem(404, 'not-found', `There is no such ${what}.`);
}

export function wrongInput(fields: Readonly<Record<string, string>>): Problem {
  const named = Object.keys(fields).join(', ');
  return new Problem(400, 'wrong-input', `Not saved: please check ${named}.`, fields);
}
