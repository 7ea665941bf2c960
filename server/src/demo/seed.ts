import type { DemoAccount } from '@escalier/contract/people';
import { randomBytes } from 'node:crypto';
import { TZDate } from '@date-fns/tz';
import { lessonsNow, lessonsOf, localDate, type LocalDate, type Term } from '@escalier/core/calendar';
import type { HeardEvent } from '@escalier/core/records';
import { subDays } from 'date-fns';
import { AccountEntity } from '../features/accounts/index.ts';
import { ClassEntity, ClassTeacherEntity, PupilEntity } from '../features/classes/index.ts';
import { RecordEventEntity } from '../features/hearing/index.ts';
import { BeltGivenEntity } from '../features/instruments/index.ts';
import { SchoolEntity } from '../features/schools/index.ts';
import { hashPassword } from '../features/sign-in/index.ts';
import { TermEntity } from '../features/terms/index.ts';
import type { EntityManager, Orm } from '../platform/database.ts';
import { newId, newToken } from '../platform/ids.ts';
import { LOCKS } from '../platform/locks.ts';
import { seedThings } from './things.ts';
import { demoEvents, seeded, type Chance } from './records.ts';
import { DEMO_CLASSES, DEMO_HELPERS, DEMO_SCHOOL, DEMO_TEACHER, type DemoClass } from './school.ts';
import { termAround } from './term.ts';
import { fillSchool, type FirstStaircase } from './new-school.ts';
import { readShipped, type Shipped } from './shipped.ts';

/** Belts are handed out once a week. */
const GIVEN_DAYS = 6;

/** Whose e-mails and password a demo school has. */
interface DemoDoor {
  /** Before the @ of each e-mail, after the name: two accounts never share one. */
  readonly tag: string;
  readonly passwordHash: string;
}

interface Demo {
  readonly em: EntityManager;
  readonly door: DemoDoor;
  readonly schoolId: string;
  readonly accountId: string;
  readonly termId: string;
  readonly term: Term;
  readonly today: LocalDate;
  readonly now: Date;
  readonly chance: Chance;
}

/** Loads the invented school into a database that has no school; gives whether it did. */
export async function seedDemo(orm: Orm, tunesFolder: string, now: Date): Promise<boolean> {
  return orm.em.fork().transactional(async (em) => {
    await em.execute('select pg_advisory_xact_lock(?)', [LOCKS.demo]);
    if ((await em.count(SchoolEntity)) > 0) return false;
    await seedOne(em, await readShipped(tunesFolder), now, {
      tag: '',
      passwordHash: await hashPassword(DEMO_TEACHER.password),
    });
    return true;
  });
}

/** Makes one more invented school beside the first, with its password: gives its teacher’s account. */
export type MakeDemoSchool = (em: EntityManager, now: Date) => Promise<DemoAccount>;

export function demoSchools(tunesFolder: string): MakeDemoSchool {
  // Reading all tunes takes longer than storing them.
  let shipped: Promise<Shipped> | null = null;
  return async (em, now) => {
    const { passwordHash } = await em.findOneOrFail(AccountEntity, { email: DEMO_TEACHER.email });
    const tag = `.${newId().slice(-12)}`;
    const read = await (shipped ??= readShipped(tunesFolder));
    await em.transactional((tx) => seedOne(tx, read, now, { tag, passwordHash }));
    return { email: tagged(DEMO_TEACHER.email, tag), password: DEMO_TEACHER.password };
  };
}

const tagged = (email: string, tag: string): string => email.replace('@', `${tag}@`);

async function seedOne(em: EntityManager, shipped: Shipped, now: Date, door: DemoDoor): Promise<void> {
  const demo = await seedSchool(em, now, door);
  const staircases = await fillSchool(em, demo.schoolId, shipped);
  for (const demoClass of DEMO_CLASSES) await seedClass(demo, demoClass, staircases.get(demoClass.staircase)!);
  await seedHelpers(demo);
  await seedThings(em, demo.schoolId, demo.term.startsOn);
}

async function seedSchool(em: EntityManager, now: Date, door: DemoDoor): Promise<Demo> {
  const [schoolId, accountId, termId] = [newId(), newId(), newId()];
  const local = new TZDate(now, DEMO_SCHOOL.timeZone);
  const term = termAround(local);
  await em.insert(SchoolEntity, { id: schoolId, ...DEMO_SCHOOL });
  await em.insert(TermEntity, {
    id: termId,
    school: schoolId,
    ...term,
    daysOff: [...term.daysOff],
  });
  await em.insert(AccountEntity, {
    id: accountId,
    school: schoolId,
    email: tagged(DEMO_TEACHER.email, door.tag),
    name: DEMO_TEACHER.name,
    passwordHash: door.passwordHash,
    role: 'owner',
    closedAt: null,
    sealKey: newToken(),
  });
  return { em, door, schoolId, accountId, termId, term, today: localDate(local), now, chance: seeded(7) };
}

async function seedClass(demo: Demo, demoClass: DemoClass, staircase: FirstStaircase): Promise<void> {
  const classId = newId();
  await demo.em.insert(ClassEntity, {
    id: classId,
    school: demo.schoolId,
    term: demo.termId,
    staircase: staircase.id,
    name: demoClass.name,
    grade: demoClass.grade,
    meetings: [...demoClass.meetings],
    style: demoClass.style,
  });
  const lessons = lessonsOf(demo.term, demoClass.meetings);
  const had = lessons.slice(0, lessonsNow(lessons, demo.today).had);
  for (const [place, [shownName, step, state, extra]] of demoClass.pupils.entries()) {
    const pupilId = newId();
    const startIndex = extra === 'late' ? step - 1 : 0;
    await demo.em.insert(PupilEntity, {
      id: pupilId,
      school: demo.schoolId,
      schoolClass: classId,
      shownName,
      startStep: staircase.stepIds[startIndex]!,
      joinedOn: extra === 'late' ? (had.at(-2)?.date ?? demo.term.startsOn) : demo.term.startsOn,
      leftOn: extra === 'left' ? (had.at(-2)?.date ?? demo.today) : null,
      handMark: '',
      note: '',
      playsInstead: null,
      // As it is in a class: most families have agreed to recordings.
      mayRecord: place % 6 !== 5,
      printSize: place % 9 === 4 ? 'big' : 'medium',
      easierLine: place % 11 === 3,
      erasedAt: null,
    });
    const history = { pupilId, startIndex, stepIndex: step - 1, state };
    const events = demoEvents(history, staircase.stepIds, had, DEMO_SCHOOL.timeZone, demo.chance);
    if (events.length === 0) continue;
    await demo.em.insertMany(
      RecordEventEntity,
      events.map((event) => ({
        id: event.id,
        school: demo.schoolId,
        schoolClass: classId,
        account: demo.accountId,
        kind: event.kind,
        pupil: event.pupilId,
        step: event.stepId,
        tune: null,
        outcome: event.outcome,
        details: {},
        corrects: null,
        reason: '',
        deviceAhead: 0,
        remarks: [...event.remarks],
        undoes: null,
        heardAt: new Date(event.heardAt),
        receivedAt: new Date(event.heardAt),
      })),
    );
    await giveBelts(demo, events);
  }
}

/** What was passed a week ago and more has its belt; the last ones wait to be handed out. */
async function giveBelts({ em, accountId, now }: Demo, events: readonly HeardEvent[]): Promise<void> {
  const rows = events
    .filter((event) => event.outcome === 'passed' && new Date(event.heardAt) < subDays(now, GIVEN_DAYS))
    .map(({ pupilId, stepId, heardAt }) => ({
      pupil: pupilId,
      step: stepId,
      account: accountId,
      givenAt: new Date(heardAt),
    }));
  if (rows.length > 0)
    await em.insertMany(
      BeltGivenEntity,
      rows.map((row) => ({ ...row, taken: 0 })),
    );
}

/** Two more people who share classes with the demo's teacher; nobody knows their passwords. */
async function seedHelpers({ em, door, schoolId }: Demo): Promise<void> {
  // Nobody has the word that was hashed.
  const passwordHash = await hashPassword(randomBytes(32).toString('hex'));
  for (const { name, email, role, classes } of DEMO_HELPERS) {
    const id = newId();
    await em.insert(AccountEntity, {
      id,
      school: schoolId,
      email: tagged(email, door.tag),
      name,
      passwordHash,
      role,
      closedAt: null,
      sealKey: newToken(),
    });
    const found = await em.find(ClassEntity, { school: schoolId, name: { $in: [...classes] } });
    await em.insertMany(
      ClassTeacherEntity,
      found.map((each) => ({ schoolClass: each.id, account: id })),
    );
  }
}
