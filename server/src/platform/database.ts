import type { EntityManager, MikroORM } from '@mikro-orm/postgresql';

/** One pool a process. */
export type Orm = MikroORM;
/** Of one request alone. */
export type { EntityManager };
