import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { seedDemo } from '../src/demo/seed.ts';
import { AccountEntity } from '../src/features/accounts/index.ts';
import { exportSchool } from '../src/features/archive/index.ts';
import { classPage, listClasses } from '../src/features/class-page/index.ts';
import { ClassEntity } from '../src/features/classes/index.ts';
import { SchoolEntity } from '../src/features/schools/index.ts';
import { connect, migrate } from '../src/connect.ts';
import { BIG, BY_HAND, growSchool, ON_TOP } from './big-school.ts';
import { measureMarks } from './marks.ts';
import { measureUnderGuessing } from './under-guessing.ts';
import { medians, runBenchmarks, type Benchmark, type Figures } from './harness.ts';

const orm = await connect(process.env.DATABASE_URL ?? '');
const owner = await connect(process.env.ESCALIER_MIGRATION_URL ?? '');
await migrate(owner);
await seedDemo(orm, fileURLToPath(new URL('../../demo/tunes', import.meta.url)), new Date());
const em = orm.em.fork();
const account = await em.findOneOrFail(AccountEntity, { role: 'owner' });
const school = await em.findOneOrFail(SchoolEntity, account.school);
const who = {
  accountId: account.id,
  sessionId: account.id,
  role: 'owner' as const,
  schoolId: school.id,
  name: account.name,
  email: account.email,
  schoolName: school.name,
  schoolVersion: 1,
  noteColours: null,
  sealKey: '',
  until: new Date('2999-01-01'),
  timeZone: school.timeZone,
  english: school.english,
};

/** Of the large school, once it has grown. */
let schoolClass = await em.findOneOrFail(ClassEntity, { name: '4 Plover' });
const PEER = 'one hand-written SQL statement over the same records: 30 classes, 800 pupils, 60,000 records';

/** With or without a record that came in between, so that what is kept is read again as in a lesson. */
async function oneMoreRecord(): Promise<void> {
  await orm.em.fork().execute(
    `insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks, undoes,
      reason, device_ahead, heard_at, received_at)
    select gen_random_uuid(), school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome, remarks, undoes,
      '', 0, now(), now() from record_event where school_class_id = ? limit 1`,
    [schoolClass.id],
  );
}

function byHand(classId: string | null): Promise<unknown> {
  return orm.em.fork().execute(BY_HAND, [school.id, classId, classId, school.id, classId, classId]);
}

const ofSmallSchool: readonly Benchmark[] = [
  {
    name: 'under-guessing',
    unit: 'ms',
    peer: 'the same at rest: 99th percentile of classes, a mark and a page, while 100 sign in wrongly and 40 guess at words',
    measure: () => measureUnderGuessing(process.env.DATABASE_URL ?? ''),
  },
];

const ofLargeSchool: readonly Benchmark[] = [
  {
    name: 'class-page',
    unit: 'ms',
    peer: PEER,
    measure: () =>
      medians(
        () => classPage(orm.em.fork(), who, schoolClass.id, new Date()),
        () => byHand(schoolClass.id),
        { before: oneMoreRecord },
      ),
  },
  {
    name: 'school-overview',
    unit: 'ms',
    peer: PEER,
    measure: () =>
      medians(
        () => listClasses(orm.em.fork(), who, new Date()),
        () => byHand(null),
        { rounds: 30, warmup: 5, before: oneMoreRecord },
      ),
  },
  {
    name: 'marks',
    unit: 'ms',
    peer: 'the bare insert of the same rows over 20 connections, a transaction each, 500 a second; both the 99th percentile',
    measure: () => measureMarks(process.env.DATABASE_URL ?? ''),
  },
  {
    name: 'school-large',
    unit: 'ms',
    peer: 'one hand-written SQL statement over the same records: 1,266 pupils, 192,000 records; both the first of a new process',
    measure: async () => {
      await growSchool(owner.em.fork(), school.id, ON_TOP);
      // Once, as a server that ran before has left it.
      await listClasses(orm.em.fork(), who, new Date());
      return coldOpening(who);
    },
  },
  {
    name: 'archive-large',
    unit: 'ms',
    peer: 'the same records as one JSON text by one SQL statement: 192,000 records and all else of the school',
    measure: async () => {
      const timed = async (work: () => Promise<unknown>): Promise<number> => {
        const start = performance.now();
        await work();
        return performance.now() - start;
      };
      const value = await timed(() => exportSchool(orm.em.fork(), school.id, new Date(), () => Promise.resolve()));
      const all = 'select json_agg(r)::text as text from record_event r where school_id = ?';
      return { value, peerValue: await timed(() => orm.em.fork().execute(all, [school.id])) };
    },
  },
];

/** What a server that has just started needs for the overview: measured in a process of its own, without its start. */
function coldOpening(asker: object): Figures {
  const script = fileURLToPath(new URL('./cold.ts', import.meta.url));
  const times = [1, 2, 3].map(() => {
    const { stdout } = spawnSync(process.execPath, ['--import', 'tsx', script], {
      env: { ...process.env, ESCALIER_BENCH_WHO: JSON.stringify(asker) },
      encoding: 'utf8',
    });
    return JSON.parse(stdout) as Figures;
  });
  return times.toSorted((a, b) => a.value - b.value)[1]!;
}

try {
  const { ESCALIER_BENCH_ONLY: only } = process.env;
  await runBenchmarks(ofSmallSchool, only);
  if (ofLargeSchool.some(({ name }) => name.includes(only ?? ''))) {
    await growSchool(owner.em.fork(), school.id, BIG);
    schoolClass = await em.findOneOrFail(ClassEntity, { name: 'Class 1' });
    await runBenchmarks(ofLargeSchool, only);
  }
} finally {
  await orm.close(true);
  await owner.close(true);
}
