import { Problem } from './problem.ts';
import { t } from './messages.ts';

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
  if (code === UNIQUE) return new Problem(409, 'taken', t('database-problem.somebody-has-just-created-the-same'));
  if (code === FOREIGN_KEY)
    return new Problem(409, 'in-use', t('database-problem.something-else-still-needs-this-nothing'));
  if (WRONG_DATA.test(code))
    return new Problem(400, 'wrong-input', t('database-problem.it-contains-something-that-cant-be'));
  if (TRY_AGAIN.test(code)) return new Problem(503, 'busy', t('database-problem.the-server-is-busy-please-try'));
  if (AWAY.test(code)) return new Problem(503, 'no-database', t('database-problem.the-database-cant-be-reached-just'));
  return null;
}

function codeOf(error: unknown): string | null {
  if (!(error instanceof Error)) return null;
  const { code } = error as { code?: unknown };
  return typeof code === 'string' ? code : null;
}
