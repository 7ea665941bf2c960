import type { ClassCalendar, ParallelGroup } from '@escalier/contract/terms';
import { randomBytes } from 'node:crypto';
import {
  compareGroups,
  lessonsOf,
  lostLessons,
  shareOutLessons,
  writeLessons,
  type Lesson,
  type LessonPart,
  type LocalDate,
} from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { logChange } from '../changes/index.ts';
import { ClassEntity, classOf } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { stepsOfPlan } from '../staircase/index.ts';
import { TermEntity, termFacts } from '../terms/index.ts';
import { localToday } from '../../platform/today.ts';
import { t } from '../../platform/messages.ts';

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classCalendar(em: EntityManager, user: SignedIn, id: string, now: Date): Promise<ClassCalendar> {
  const schoolClass = await classOf(em, user, id);
  const term = await em.findOneOrFail(TermEntity, { id: schoolClass.term });
  const parallel = await em.find(
    ClassEntity,
    schoolClass.grade === '' ? { id } : { school: user.schoolId, term: schoolClass.term, grade: schoolClass.grade },
    { orderBy: { name: 'asc' } },
  );
  const groups = parallel.map((each) => ({ id: each.id, lessons: lessonsOf(term, each.meetings, each.lost) }));
  return {
    term: termFacts(term),
    lessons: lessonsOf(term, schoolClass.meetings, schoolClass.lost),
    lost: lostLessons(term, schoolClass.meetings, schoolClass.lost),
    lostHere: schoolClass.lost,
    groups: compareGroups(groups, localToday(now, user.timeZone)).map((stand, index): ParallelGroup => {
      const { name, staircase } = parallel[index]!;
      return { ...stand, name, staircaseId: staircase, dates: groups[index]!.lessons.map((lesson) => lesson.date) };
    }),
    token: schoolClass.calendarToken ?? null,
  };
}

/** Opens or closes the address to subscribe to; a new one makes the old one useless. */
export async function switchLink(em: EntityManager, user: SignedIn, id: string, on: boolean): Promise<string | null> {
  const calendarToken = on ? randomBytes(24).toString('base64url') : null;
  const { name } = await classOf(em, user, id);
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(ClassEntity, { id }, { calendarToken });
    await logChange(tx, user, id, { code: on ? 'calendar-opened' : 'calendar-closed', name });
  });
  return calendarToken;
}

/** The lessons of a class as a file: for who is signed in, or for who has the secret of its calendar. */
export async function lessonsFile(
  em: EntityManager,
  which: { readonly id: string; readonly schoolId: string } | { readonly token: string },
  now: Date,
): Promise<{ readonly name: string; readonly text: string }> {
  const where = 'token' in which ? { calendarToken: which.token } : { id: which.id, school: which.schoolId };
  const schoolClass = await em.findOne(ClassEntity, where);
  if (schoolClass === null) throw notFound('calendar');
  const term = await em.findOneOrFail(TermEntity, { id: schoolClass.term });
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolClass.school });
  const lessons = lessonsOf(term, schoolClass.meetings, schoolClass.lost);
  const text = writeLessons(lessons, {
    titles: await lessonTitles(em, schoolClass.staircase, lessons),
    className: schoolClass.name,
    timeZone: school.timeZone,
    uid: schoolClass.id,
    writtenAt: now,
  });
  return { name: schoolClass.name, text };
}

const PART_TITLES: Readonly<Record<LessonPart, string>> = {
  first: 'new: ',
  middle: '',
  hearing: 'hearing: ',
  review: 'review: ',
  concert: '',
};

/** What each lesson holds, by the plan of its staircase: "step 3, new: Goose Walk". */
async function lessonTitles(
  em: EntityManager,
  staircase: string,
  lessons: readonly Lesson[],
): Promise<readonly string[]> {
  const steps = await stepsOfPlan(em, staircase);
  const shared = shareOutLessons(
    lessons.map((lesson) => lesson.date),
    steps.map((step) => step.lessons),
  );
  return shared.map(({ step, part }) => {
    if (step === null) return part === 'concert' ? t('service.playing-for-others') : 'review';
    return t('service.step-step-part-titles-title', {
      step: step + 1,
      partTitles: PART_TITLES[part],
      title: steps[step]!.title,
    });
  });
}

/**
 * Notes that a class loses a lesson, or has it after all.
 * @throws Problem 404 when the class is not of the asker's school, 400 for a day without a lesson.
 */
export async function loseLesson(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { date, reason, isLost }: { readonly date: LocalDate; readonly reason: string; readonly isLost: boolean },
): Promise<void> {
  const { name, term: termId, meetings } = await classOf(em, user, id);
  const term = await em.findOneOrFail(TermEntity, { id: termId });
  if (!lessonsOf(term, meetings).some((lesson) => lesson.date === date)) throw wrongInput({ date: 'no-lesson' });
  await em.transactional(async (tx) => {
    await tx.execute('select id from school_class where id = ? for update', [id]);
    const { lost } = await tx.findOneOrFail(ClassEntity, { id }, { refresh: true });
    const others = lost.filter((dayOff) => dayOff.date !== date);
    const next = isLost ? [...others, { date, reason }].toSorted((a, b) => a.date.localeCompare(b.date)) : others;
    await tx.nativeUpdate(ClassEntity, { id }, { lost: next });
    await logChange(
      tx,
      user,
      id,
      isLost ? { code: 'lesson-lost', name, date, reason } : { code: 'lesson-restored', name, date },
    );
  });
}
