import { listClasses } from '../src/features/class-page/index.ts';
import { connect } from '../src/connect.ts';
import type { SignedIn } from '../src/platform/context.ts';
import { reader } from '../src/reader/index.ts';
import { BY_HAND } from './big-school.ts';

/** The first overview of a process that has just started, and the same question by hand on a connection of its own. */
const asked = JSON.parse(process.env.ESCALIER_BENCH_WHO ?? '{}') as SignedIn & { readonly until: string };
const user: SignedIn = { ...asked, until: new Date(asked.until) };
const orm = await connect(process.env.DATABASE_URL ?? '');
await orm.em.fork().execute('select 1');
// As the server does before it listens.
await reader.wake();

const before = performance.now();
await listClasses(orm.em.fork(), user, new Date());
const value = performance.now() - before;
const start = performance.now();
await orm.em.fork().execute(BY_HAND, [user.schoolId, null, null, user.schoolId, null, null]);
process.stdout.write(JSON.stringify({ value, peerValue: performance.now() - start }));
await orm.close(true);
