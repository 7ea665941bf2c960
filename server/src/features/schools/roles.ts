import type { Role } from '../../platform/context.ts';

type Rule = readonly [method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: RegExp];

/** All that an assistant may ask for: what hearing a pupil needs, and the own account. All else is closed. */
const ASSISTANT: readonly Rule[] = [
  ['GET', /^\/api\/session$/],
  ['DELETE', /^\/api\/session$/],
  ['GET', /^\/api\/account\/sessions$/],
  ['DELETE', /^\/api\/account\/sessions\/[^/]+$/],
  ['PUT', /^\/api\/account\/password$/],
  ['GET', /^\/api\/find$/],
  ['GET', /^\/api\/classes$/],
  ['GET', /^\/api\/classes\/[^/]+$/],
  ['GET', /^\/api\/classes\/[^/]+\/(steps|tunes)\/[^/]+$/],
  ['GET', /^\/api\/classes\/[^/]+\/(knowledge|records)$/],
  ['GET', /^\/api\/hearing\/live$/],
  ['GET', /^\/api\/notes\/[^/]+$/],
  ['GET', /^\/api\/tunes(\/[^/]+)?$/],
  ['GET', /^\/api\/school\/(cautions|remarks)$/],
  ['POST', /^\/api\/hearing\/events$/],
  ['PUT', /^\/api\/pupils\/[^/]+\/absence$/],
];

/** What only an owner may ask for: people, the school itself, the archive, erasing, the list of
 * changes. */
const OWNER_ONLY = /^\/api\/(people|archive|changes)(\/|$)|^\/api\/(school|pupils\/[^/]+\/erase)$/;

export function mayAsk(role: Role, method: string, path: string): boolean {
  switch (role) {
    case 'owner':
      return true;
    case 'teacher':
      return !OWNER_ONLY.test(path);
    case 'assistant':
      return ASSISTANT.some(([allowed, pattern]) => allowed === method && pattern.test(path));
  }
}
