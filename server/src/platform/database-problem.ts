import { Problem } from './problem.ts';

/** Classes and codes of PostgreSQL's SQLSTATE (its documentation, appendix A). */
const UNIQUE = '23505';
const FOREIGN_KEY = '23503';
const WRONG_DATA = /^22/;
const TRY_AGAIN = /^(40|55P03|57014)/;
const AWAY = /^(08|53|57P)|^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;

/** What a database refused, as the person who asked can understand it; null for what is a bug of ours. */
export function databaseProblem(error: unknown): Problem | null {
  const code = codeOf(error);
  if (code === null) return null;
  if (code === UNIQUE) return new Problem(409, 'taken', 'Somebody has just made the same. Please look again.');
  if (code === FOREIGN_KEY) return new Problem(409, 'in-use', 'Something else still needs this. Nothing was changed.');
  if (WRONG_DATA.test(code)) return new Problem(400, 'wrong-input', 'There is something in it that cannot be kept.');
  if (TRY_AGAIN.test(code)) return new Problem(503, 'busy', 'Too much at one moment. Please try again.');
  if (AWAY.test(code)) return new Problem(503, 'no-database', 'The database cannot be reached just now.');
  return null;
}

function codeOf(error: unknown): string | null {
  if (!(error instanceof Error)) return null;
  const { code } = error as { code?: unknown };
  return typeof code === 'string' ? code : null;
}
