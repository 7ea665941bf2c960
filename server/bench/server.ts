import { fileURLToPath } from 'node:url';
import { seedDemo } from '../src/demo/seed.ts';
import { AccountEntity, SchoolEntity } from '../src/features/schools/index.ts';
import { ClassEntity, classPage } from '../src/features/classes/index.ts';
import { connect, migrate } from '../src/connect.ts';
import { medians, runBenchmarks, type Benchmark } from './harness.ts';

const orm = await connect(process.env.DATABASE_URL ?? '');
await migrate(orm);
await seedDemo(orm, fileURLToPath(new URL('../../demo/tunes', import.meta.url)), new Date());
const em = orm.em.fork();
const account = await em.findOneOrFail(AccountEntity, { name: { $ne: '' } });
const school = await em.findOneOrFail(SchoolEntity, account.school);
const schoolClass = await em.findOneOrFail(ClassEntity, { name: '4 Plover' });
const who = {
  accountId: account.id,
  sessionId: account.id,
  role: 'owner' as const,
  schoolId: school.id,
  name: account.name,
  email: account.email,
  schoolName: school.name,
  timeZone: school.timeZone,
};

/** The same rows, flat, as one would write it by hand without computing anything. */
const BY_HAND = `
select p.id, p.shown_name, p.left_on, st.position, tu.title, tu.abc, e.id, e.kind, e.step_id, e.outcome, e.remarks, e.undoes, e.heard_at
from school_class c
join pupil p on p.school_class_id = c.id
join step st on st.staircase_id = c.staircase_id
join tune tu on tu.id = st.tune_id
left join record_event e on e.pupil_id = p.id and e.step_id = st.id
where c.school_id = ? and c.id = ?`;

const benchmarks: readonly Benchmark[] = [
  {
    name: 'class-page',
    unit: 'ms',
    peer: 'one hand-written SQL statement for the same rows, nothing computed',
    measure: () =>
      medians(
        () => classPage(orm.em.fork(), who, schoolClass.id, new Date()),
        () => orm.em.fork().execute(BY_HAND, [school.id, schoolClass.id]),
      ),
  },
];

try {
  await runBenchmarks(benchmarks, process.env.ESCALIER_BENCH_ONLY);
} finally {
  await orm.close(true);
}
