import type { ContentfulStatusCode } from 'hono/utils/http-status';

/** The one shape of an error that the API gives. `fields` names each wrong field with a sentence. */
export interface ErrorBody {
  readonly error: {
    readonly code: string;
    readonly message: string;
    readonly fields?: Readonly<Record<string, string>>;
  };
}

/** A refusal that the person who asked can understand and mend. */
export class Problem extends Error {
  readonly status: ContentfulStatusCode;
  readonly body: ErrorBody;

  constructor(status: ContentfulStatusCode, code: string, message: string, fields?: Readonly<Record<string, string>>) {
    super(message);
    this.status = status;
    this.body = { error: { code, message, ...(fields === undefined ? {} : { fields }) } };
  }
}

export function notFound(what: string): Problem {
  return new Problem(404, 'not-found', `There is no such ${what}.`);
}

export function wrongInput(fields: Readonly<Record<string, string>>): Problem {
  const named = Object.keys(fields).join(', ');
  return new Problem(400, 'wrong-input', `Not stored: please check ${named}.`, fields);
}
